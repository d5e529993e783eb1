"""Who holds a kitchen's folder: one program at a time works on it, and says who it is."""

import fcntl
import os
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from typing import Final

LOCK: Final = "in-use.lock"
LONGEST_NAME: Final = 200


class InUse(RuntimeError):  # noqa: N818 - it reads as what it is
    """Another program works on the data; its words say which."""


@contextmanager
def held(folder: Path, who: str) -> Iterator[None]:
    """Hold a kitchen's folder alone; a process that ends lets go of it, however it ends.

    :param who: what the next one is told, such as: Hearth Bowl at http://127.0.0.1:8741/.
    :raises InUse: another program holds it.
    """
    with (folder / LOCK).open("a+") as lock:
        try:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            lock.seek(0)
            other = lock.read(LONGEST_NAME).strip() or "another Hearth Bowl"
            raise InUse(f"{other} is running on the data in {folder}: stop it first, or use it.") from None
        with suppress(OSError):  # a full disk: who it is stays unsaid
            lock.truncate(0)
            lock.write(f"{who} (process {os.getpid()})")
            lock.flush()
        yield
