"""Backups: a kitchen's data as one file, taken while it is used.

A backup is a zip: `kitchen.sqlite3` (SQLite's own online copy), `photographs/`, and `manifest.json` with the hash of
each. It is read in `backup_read`, put back in `restore`.
"""

import hashlib
import json
import os
import sqlite3
import zipfile
from collections.abc import Callable
from contextlib import closing, suppress
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from typing import Any, Final

from hearth_bowl.store.db import no_room_is_full
from hearth_bowl.store.sound import BESIDE, what_is_wrong

FORMAT: Final = "hearth-bowl/backup"
DATABASE: Final = "kitchen.sqlite3"
MANIFEST: Final = "manifest.json"
PHOTOGRAPHS: Final = "photographs"
BLOCK: Final = 1 << 20


class Damaged(RuntimeError):  # noqa: N818 - it reads as what it is
    """What is wrong with a kitchen's data, so that no backup is made of it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class BackupTold:
    """What a backup holds: when it was made, by which version, and its size."""

    made_at: str
    app_version: str
    revision: str
    bytes: int


Share = Callable[[float], None]
"""Hears how far a backup is, from 0 to 1."""
COPIED: Final = 0.1
CHECKED: Final = 0.25
"""Share of a backup that is done when the database is copied, and when it is checked. A judgement."""


def back_up(
    database: Path, out: Path, made_at: datetime, app_version: str, share: Share = lambda _: None
) -> BackupTold:
    """Write a backup of a kitchen, while it is used or not; the file is there whole, or not at all.

    :param share: hears how far it is.
    :raises Damaged: the data does not hold together. :raises DiskFull: no room is left. :raises OSError: the place
        cannot be written.
    """
    with no_room_is_full():
        return _back_up(database, out, made_at, app_version, share)


def _back_up(database: Path, out: Path, made_at: datetime, app_version: str, share: Share) -> BackupTold:
    fresh = out.with_name(out.name + ".new")
    copy = out.with_name(out.name + ".copy")
    try:
        revision = _copy(database, copy)
        share(COPIED)
        wrong = what_is_wrong(copy)
        if wrong:
            raise Damaged(wrong)
        share(CHECKED)
        files = [(DATABASE, copy), *_photographs(database, copy)]
        written, whole = [0], max(1, sum(file.stat().st_size for _, file in files))

        def wrote(count: int) -> None:
            written[0] += count
            share(CHECKED + (1 - CHECKED) * min(1.0, written[0] / whole))

        with zipfile.ZipFile(fresh, "w", zipfile.ZIP_DEFLATED) as bundle:
            rows = [_write(bundle, name, file, wrote) for name, file in files]
            manifest = {
                "format": FORMAT,
                "version": 1,
                "made_at": made_at.isoformat(),
                "app_version": app_version,
                "revision": revision,
                "files": rows,
            }
            bundle.writestr(MANIFEST, json.dumps(manifest, indent=1))
        flush(fresh)
        os.replace(fresh, out)
        flush(out.parent)
    finally:
        for file in (copy, fresh, *(Path(f"{copy}{end}") for end in BESIDE)):
            file.unlink(missing_ok=True)
    return BackupTold(made_at=made_at.isoformat(), app_version=app_version, revision=revision, bytes=out.stat().st_size)


def _write(bundle: zipfile.ZipFile, name: str, file: Path, wrote: Callable[[int], None]) -> dict[str, Any]:
    """Write a file into a backup; return its row in the manifest."""
    digest, size = hashlib.sha256(), 0
    with file.open("rb") as source, bundle.open(name, "w", force_zip64=True) as part:
        for block in iter(lambda: source.read(BLOCK), b""):
            digest.update(block)
            size += len(block)
            part.write(block)
            wrote(len(block))
    return {"name": name, "bytes": size, "sha256": digest.hexdigest()}


def _copy(database: Path, copy: Path) -> str:
    """Copy a database as it stands at one moment; return its revision."""
    copy.unlink(missing_ok=True)
    source = sqlite3.connect(f"file:{database}?mode=ro", uri=True, timeout=30)
    with closing(source), closing(sqlite3.connect(copy)) as target:
        source.backup(target)
        target.execute("PRAGMA journal_mode=DELETE")
        target.execute("PRAGMA user_version=0")  # the copy is in nobody's use
        forget_devices(target)
        target.commit()
        return str(target.execute("SELECT version_num FROM alembic_version").fetchone()[0])


def forget_devices(connection: sqlite3.Connection) -> None:
    """A backup lets nobody in: who was let go since must not come back with it."""
    with suppress(sqlite3.OperationalError):  # one of before there were devices
        connection.execute("DELETE FROM paired_device")


def _photographs(database: Path, copy: Path) -> list[tuple[str, Path]]:
    """Return the photographs that the copy speaks of and that are there."""
    folder = database.parent / PHOTOGRAPHS
    with closing(sqlite3.connect(copy)) as connection:
        try:
            names = [row[0] for row in connection.execute("SELECT file FROM photograph ORDER BY id")]
        except sqlite3.OperationalError:
            return []
    return [(f"{PHOTOGRAPHS}/{name}", folder / name) for name in names if (folder / name).is_file()]


def flush(path: Path) -> None:
    """See to it that what was written is on the disk."""
    handle = os.open(path, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)
