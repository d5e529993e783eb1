"""One backup at a time, made beside everything else, for a page that shows how far it is."""

import shutil
import tempfile
import threading
from dataclasses import dataclass, replace
from datetime import datetime
from pathlib import Path
from typing import Final, Literal

from hearth_bowl.service.backups import backup_to
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.health import damage_words
from hearth_bowl.store.backup import Damaged
from hearth_bowl.store.db import Database

PREFIX: Final = "backup-"
"""Folders beside the data that hold a backup until it is sent; what an earlier server left is swept away."""


@dataclass(frozen=True, slots=True, kw_only=True)
class BackupMade:
    """A backup in the making: `share` of it is done, from 0 to 1; `problem` says why one failed."""

    state: Literal["none", "making", "ready", "failed"] = "none"
    share: float = 0.0
    bytes: int = 0
    problem: str = ""


class BackupJob:
    """The backup that a page asked for. It is made once, sent once, and then forgotten."""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self._made = BackupMade()
        self._folder: Path | None = None

    @property
    def made(self) -> BackupMade:
        """The backup as far as it is."""
        with self._lock:
            return self._made

    def start(self, database: Database, now: datetime) -> BackupMade:
        """Start a backup, where none is in the making; return how far it is."""
        with self._lock:
            if self._made.state != "making":
                self._forget()
                self._folder = Path(tempfile.mkdtemp(dir=database.path.parent, prefix=PREFIX))
                self._made = BackupMade(state="making")
                file = self._folder / "backup.zip"
                threading.Thread(target=self._make, args=(database, file, now), name="backup", daemon=True).start()
            return self._made

    def take(self) -> Path:
        """Return the finished backup in a folder of its own, which the caller deletes.

        :raises NotFound: none is ready.
        """
        with self._lock:
            if self._made.state != "ready" or self._folder is None:
                raise NotFound("backup", "made")
            file, self._folder, self._made = self._folder / "backup.zip", None, BackupMade()
            return file

    def _make(self, database: Database, file: Path, now: datetime) -> None:
        def share(done: float) -> None:
            with self._lock:
                self._made = replace(self._made, share=done)

        try:
            told = backup_to(database, file, now, share)
            made = BackupMade(state="ready", share=1.0, bytes=told.bytes)
        except Damaged as problem:
            made = BackupMade(state="failed", problem=damage_words(database.path.parent, str(problem)))
        except Exception as problem:  # a thread that ends without a word would leave it in the making for ever
            made = BackupMade(state="failed", problem=f"No backup was made: {problem}")
        with self._lock:
            self._made = made

    def _forget(self) -> None:
        if self._folder is not None:
            shutil.rmtree(self._folder, ignore_errors=True)
            self._folder = None


def sweep_backups(folder: Path) -> None:
    """Delete what an earlier server left of backups that it was sending."""
    for left in folder.glob(f"{PREFIX}*"):
        if left.is_dir():
            shutil.rmtree(left, ignore_errors=True)
