"""Backups: a kitchen's data as one file, taken while it is used; and put back, whole or not at all.

A backup is a zip: `kitchen.sqlite3` (SQLite's own online copy), `photographs/`, and `manifest.json` with the hash of
each. Putting one back first lays it beside the kitchen, checked; from the moment that a marker says it is ready, it is
finished, by whoever opens the folder next. What was there is kept aside.
"""

import fcntl
import hashlib
import json
import os
import shutil
import sqlite3
import zipfile
from collections.abc import Iterator
from contextlib import closing, contextmanager, suppress
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from typing import Any, Final

from hearth_bowl.store.migrate import newest_revision

FORMAT: Final = "hearth-bowl/backup"
DATABASE: Final = "kitchen.sqlite3"
MANIFEST: Final = "manifest.json"
PHOTOGRAPHS: Final = "photographs"
COMING: Final = "restore-coming"
"""Where a backup is laid before it takes its place."""
READY: Final = "restore-ready"
"""The marker: what is coming is whole and checked."""
LOCK: Final = "in-use.lock"
BLOCK: Final = 1 << 20
LARGEST_MANIFEST_BYTES: Final = 10_000_000
BESIDE: Final = ("-wal", "-shm")
"""What belongs to a database file: its write-ahead log and the index of that."""


class BadBackup(RuntimeError):  # noqa: N818 - it reads as what it is
    """Why a file is no backup that can be put back, in one sentence."""


class InUse(RuntimeError):  # noqa: N818
    """Another program works on the data."""


@dataclass(frozen=True, slots=True, kw_only=True)
class BackupTold:
    """What a backup holds: when it was made, by which version, and its size."""

    made_at: str
    app_version: str
    revision: str
    bytes: int


def back_up(database: Path, out: Path, made_at: datetime, app_version: str) -> BackupTold:
    """Write a backup of a kitchen, while it is used or not; the file is there whole, or not at all.

    :raises OSError: the place cannot be written.
    """
    fresh = out.with_name(out.name + ".new")
    copy = out.with_name(out.name + ".copy")
    try:
        revision = _copy(database, copy)
        files = [(DATABASE, copy), *_photographs(database, copy)]
        with zipfile.ZipFile(fresh, "w", zipfile.ZIP_DEFLATED) as bundle:
            rows = [_write(bundle, name, file) for name, file in files]
            manifest = {
                "format": FORMAT,
                "version": 1,
                "made_at": made_at.isoformat(),
                "app_version": app_version,
                "revision": revision,
                "files": rows,
            }
            bundle.writestr(MANIFEST, json.dumps(manifest, indent=1))
        _flush(fresh)
        os.replace(fresh, out)
        _flush(out.parent)
    finally:
        for file in (copy, fresh, *(Path(f"{copy}{end}") for end in BESIDE)):
            file.unlink(missing_ok=True)
    return BackupTold(made_at=made_at.isoformat(), app_version=app_version, revision=revision, bytes=out.stat().st_size)


def _write(bundle: zipfile.ZipFile, name: str, file: Path) -> dict[str, Any]:
    """Write a file into a backup; return its row in the manifest."""
    digest, size = hashlib.sha256(), 0
    with file.open("rb") as source, bundle.open(name, "w", force_zip64=True) as part:
        for block in iter(lambda: source.read(BLOCK), b""):
            digest.update(block)
            size += len(block)
            part.write(block)
    return {"name": name, "bytes": size, "sha256": digest.hexdigest()}


def _copy(database: Path, copy: Path) -> str:
    """Copy a database as it stands at one moment; return its revision."""
    copy.unlink(missing_ok=True)
    source = sqlite3.connect(f"file:{database}?mode=ro", uri=True, timeout=30)
    with closing(source), closing(sqlite3.connect(copy)) as target:
        source.backup(target)
        target.execute("PRAGMA journal_mode=DELETE")
        target.execute("PRAGMA user_version=0")  # the copy is in nobody's use
        _forget_devices(target)
        target.commit()
        return str(target.execute("SELECT version_num FROM alembic_version").fetchone()[0])


def _forget_devices(connection: sqlite3.Connection) -> None:
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


def read_backup(file: Path) -> BackupTold:
    """Return what a backup holds, every file of it checked against its hash.

    :raises BadBackup: it is none, is damaged, or of a newer version.
    """
    try:
        with zipfile.ZipFile(file) as bundle:
            return _checked(bundle, file)
    except (zipfile.BadZipFile, OSError, KeyError, EOFError, ValueError) as problem:
        raise BadBackup(f"It is no backup of a kitchen, or it is damaged ({type(problem).__name__}).") from None


def _checked(bundle: zipfile.ZipFile, file: Path) -> BackupTold:
    if bundle.getinfo(MANIFEST).file_size > LARGEST_MANIFEST_BYTES:
        raise BadBackup("Its list of files is too long for a backup.")
    manifest: dict[str, Any] = json.loads(bundle.read(MANIFEST))
    if manifest.get("format") != FORMAT:
        raise BadBackup("It is no backup of a kitchen.")
    if manifest.get("version") != 1 or str(manifest["revision"]) > newest_revision():
        raise BadBackup("It was made by a newer Hearth Bowl: put it back with that one.")
    for row in manifest["files"]:
        name = str(row["name"])
        if name != DATABASE and (not name.startswith(f"{PHOTOGRAPHS}/") or "/" in name.removeprefix(f"{PHOTOGRAPHS}/")):
            raise BadBackup("It holds a file that belongs to no kitchen.")
        digest = hashlib.sha256()
        with bundle.open(name) as part:
            for block in iter(lambda: part.read(BLOCK), b""):
                digest.update(block)
        if digest.hexdigest() != row["sha256"]:
            raise BadBackup(f"It is damaged: {name} is not what it was.")
    if not any(row["name"] == DATABASE for row in manifest["files"]):
        raise BadBackup("The kitchen's data is missing in it.")
    return BackupTold(
        made_at=str(manifest["made_at"]),
        app_version=str(manifest.get("app_version", "")),
        revision=str(manifest["revision"]),
        bytes=file.stat().st_size,
    )


def lay_beside(file: Path, folder: Path) -> BackupTold:
    """Lay a backup beside a kitchen, checked, ready to take its place; nothing of the kitchen is touched yet.

    :raises BadBackup: it is none, is damaged or newer. :raises OSError: there is no room.
    """
    told = read_backup(file)
    coming = folder / COMING
    (folder / READY).unlink(missing_ok=True)
    shutil.rmtree(coming, ignore_errors=True)
    (coming / PHOTOGRAPHS).mkdir(parents=True)
    with zipfile.ZipFile(file) as bundle:
        for name in bundle.namelist():
            if name == MANIFEST:
                continue
            place = coming / name
            with bundle.open(name) as part, place.open("wb") as out:
                shutil.copyfileobj(part, out)
                out.flush()
                os.fsync(out.fileno())
    with closing(sqlite3.connect(coming / DATABASE)) as connection:
        try:
            sound = connection.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
            sound = sound and connection.execute("PRAGMA foreign_key_check").fetchone() is None
            _forget_devices(connection)
            connection.commit()
        except sqlite3.DatabaseError:
            sound = False
    if not sound:
        shutil.rmtree(coming, ignore_errors=True)
        raise BadBackup("The data in it is damaged.")
    return told


def take_place(folder: Path, file_name: str, now: datetime) -> Path | None:
    """Let what was laid beside take the kitchen's place; return where the old one is kept, None where none was.

    From here on it is finished whatever happens: `finish` does what is left.
    """
    aside = f"before-restore-{now:%Y%m%d-%H%M%S-%f}"
    marker = folder / f"{READY}.new"
    marker.write_text(json.dumps({"aside": aside, "file": file_name}))
    _flush(marker)
    os.replace(marker, folder / READY)
    _flush(folder)
    return finish(folder)


def finish(folder: Path) -> Path | None:
    """Finish what a restore began, or clear away one that never became ready; return where the old kitchen is kept."""
    ready, coming = folder / READY, folder / COMING
    if not ready.is_file():
        shutil.rmtree(coming, ignore_errors=True)
        (folder / f"{READY}.new").unlink(missing_ok=True)
        return None
    told = json.loads(ready.read_text())
    aside, database = folder / told["aside"], folder / told["file"]
    if (coming / DATABASE).is_file():
        olds = [database, *(folder / f"{told['file']}{end}" for end in BESIDE)]
        if (coming / PHOTOGRAPHS).is_dir():  # else the new ones are there already
            olds.append(folder / PHOTOGRAPHS)
        aside.mkdir(exist_ok=True)
        for old in olds:
            if old.exists() and not (aside / old.name).exists():
                os.replace(old, aside / old.name)
        _flush(folder)
        if (coming / PHOTOGRAPHS).is_dir():
            os.replace(coming / PHOTOGRAPHS, folder / PHOTOGRAPHS)
        os.replace(coming / DATABASE, database)
        _flush(folder)
    shutil.rmtree(coming, ignore_errors=True)
    ready.unlink(missing_ok=True)
    if aside.is_dir() and not any(aside.iterdir()):
        aside.rmdir()
    return aside if aside.is_dir() else None


@contextmanager
def in_use(folder: Path, alone: bool = False) -> Iterator[None]:
    """Hold a kitchen's folder: many may look after it, one may change it `alone`.

    :raises InUse: another program holds it.
    """
    with (folder / LOCK).open("a") as lock:
        try:
            fcntl.flock(lock, (fcntl.LOCK_EX if alone else fcntl.LOCK_SH) | fcntl.LOCK_NB)
        except OSError:
            raise InUse("Hearth Bowl is running on this data: stop it, or do it on its page.") from None
        yield


def _flush(path: Path) -> None:
    """See to it that what was written is on the disk."""
    handle = os.open(path, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)
