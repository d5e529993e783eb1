"""A backup as it is read: checked before anything of it is unpacked, for it may come from anywhere.

It holds what its list of files names and nothing else, each under a name that stays in the kitchen's folder, of the
size and the hash that the list says, and all together no more than there is room for.
"""

import hashlib
import json
import re
import shutil
import zipfile
import zlib
from collections.abc import Mapping
from pathlib import Path
from typing import Any, Final

from hearth_bowl.store.backup import BLOCK, DATABASE, FORMAT, MANIFEST, PHOTOGRAPHS, BackupTold
from hearth_bowl.store.migrate import is_known_revision

LARGEST_MANIFEST_BYTES: Final = 10_000_000
"""Length of a list of 50,000 photographs. A judgement."""
LARGEST_PHOTOGRAPH_BYTES: Final = 64_000_000
"""A photograph is kept made smaller than it came; none is larger. A judgement."""
ROOM_LEFT_BYTES: Final = 50_000_000
"""Disk space left free after a restore. A judgement."""
PHOTOGRAPH: Final = re.compile(rf"{PHOTOGRAPHS}/[A-Za-z0-9][A-Za-z0-9._-]{{0,120}}")
METHODS: Final = (zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED)
NONE: Final = "It is no backup of a kitchen, or it is damaged"


class BadBackup(RuntimeError):  # noqa: N818 - it reads as what it is
    """Why a file is no backup that can be put back, in one sentence."""


def read_backup(file: Path) -> BackupTold:
    """Return what a backup holds, every file of it checked against its hash; nothing is unpacked.

    :raises BadBackup: it is none, is damaged, holds what its list does not name, is too large, or of a newer version.
    """
    try:
        with zipfile.ZipFile(file) as bundle:
            return _checked(bundle, file)
    except BadBackup:
        raise
    except (
        zipfile.BadZipFile, zlib.error, OSError, LookupError, EOFError, ValueError, TypeError, AttributeError,
        RuntimeError, OverflowError, MemoryError,
    ) as problem:  # fmt: skip
        raise BadBackup(f"{NONE}.") from problem


def names_in(bundle: zipfile.ZipFile) -> tuple[str, ...]:
    """Return the names of what a checked backup holds, without its list."""
    return tuple(name for name in bundle.namelist() if name != MANIFEST)


def _checked(bundle: zipfile.ZipFile, file: Path) -> BackupTold:
    if bundle.getinfo(MANIFEST).file_size > LARGEST_MANIFEST_BYTES:
        raise BadBackup("Its list of files is too long for a backup.")
    manifest = json.loads(bundle.read(MANIFEST))
    if not isinstance(manifest, dict) or manifest.get("format") != FORMAT:
        raise BadBackup("It is no backup of a kitchen.")
    revision = manifest["revision"]
    if manifest.get("version") != 1 or not is_known_revision(revision):
        raise BadBackup("It was made by a newer Hearth Bowl: put it back with that one.")
    rows = {str(row["name"]): row for row in manifest["files"]}
    _check_names(bundle, rows)
    _check_sizes(bundle, rows, file)
    for name, row in rows.items():
        if _hash(bundle, name) != row["sha256"]:
            raise BadBackup(f"It is damaged: {name} is not what it was.")
    return BackupTold(
        made_at=str(manifest["made_at"])[:40],
        app_version=str(manifest.get("app_version", ""))[:40],
        revision=revision,
        bytes=file.stat().st_size,
    )


def _check_names(bundle: zipfile.ZipFile, rows: Mapping[str, Any]) -> None:
    for name in rows:
        if name != DATABASE and PHOTOGRAPH.fullmatch(name) is None:
            raise BadBackup("It holds a file that belongs to no kitchen.")
    if DATABASE not in rows:
        raise BadBackup("The kitchen's data is missing in it.")
    held = [info.filename for info in bundle.infolist()]
    if sorted(held) != sorted([MANIFEST, *rows]):
        raise BadBackup("It does not hold what its list of files says: something was added to it, or taken away.")


def _check_sizes(bundle: zipfile.ZipFile, rows: Mapping[str, Any], file: Path) -> None:
    for name, row in rows.items():
        info = bundle.getinfo(name)
        if info.compress_type not in METHODS or info.file_size != row["bytes"]:
            raise BadBackup(f"It is damaged: {name} is not what it was.")
        if name != DATABASE and info.file_size > LARGEST_PHOTOGRAPH_BYTES:
            raise BadBackup(f"{name} is too large for a photograph of ours.")
    needed = sum(info.file_size for info in bundle.infolist())
    if needed > shutil.disk_usage(file.parent).free - ROOM_LEFT_BYTES:
        raise BadBackup(f"It needs {needed / 1e6:.0f} MB, and the disk has less room.")


def _hash(bundle: zipfile.ZipFile, name: str) -> str:
    digest = hashlib.sha256()
    with bundle.open(name) as part:
        for block in iter(lambda: part.read(BLOCK), b""):
            digest.update(block)
    return digest.hexdigest()
