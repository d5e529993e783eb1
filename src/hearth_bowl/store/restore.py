"""A backup put back, whole or not at all.

It is first laid beside the kitchen, where it is checked, brought to the newest tables and looked through; from the
moment that a marker says it is ready, it is finished, by whoever opens the folder next. What was there is kept aside.
"""

import json
import os
import shutil
import sqlite3
import tempfile
import zipfile
from contextlib import closing
from datetime import datetime
from functools import cache
from pathlib import Path
from typing import Final

from hearth_bowl.store.backup import DATABASE, PHOTOGRAPHS, BackupTold, flush, forget_devices
from hearth_bowl.store.backup_read import BadBackup, names_in, read_backup
from hearth_bowl.store.db import no_room_is_full
from hearth_bowl.store.migrate import Unreadable, migrate, revision_of
from hearth_bowl.store.models import Base
from hearth_bowl.store.sound import BESIDE, what_is_wrong

COMING: Final = "restore-coming"
"""Where a backup is laid before it takes its place."""
READY: Final = "restore-ready"
"""The marker: what is coming is whole and checked."""


def lay_beside(file: Path, folder: Path) -> BackupTold:
    """Lay a backup beside a kitchen, ready to take its place, and open as it will be; the kitchen is not touched.

    :raises BadBackup: it is none, is damaged or newer. :raises DiskFull: no room is left.
    """
    told = read_backup(file)
    coming = folder / COMING
    (folder / READY).unlink(missing_ok=True)
    shutil.rmtree(coming, ignore_errors=True)
    try:
        with no_room_is_full():
            _unpack(file, coming)
            _open(coming / DATABASE, told.revision)
    except BaseException:
        shutil.rmtree(coming, ignore_errors=True)
        raise
    return told


def _unpack(file: Path, coming: Path) -> None:
    (coming / PHOTOGRAPHS).mkdir(parents=True)
    with zipfile.ZipFile(file) as bundle:
        for name in names_in(bundle):
            with bundle.open(name) as part, (coming / name).open("xb") as out:
                shutil.copyfileobj(part, out)
                out.flush()
                os.fsync(out.fileno())


def _open(database: Path, revision: str) -> None:
    """Bring what was laid out to the newest tables, and see that they are all there and hold together.

    :raises BadBackup: it is damaged, of another version than it says, or no kitchen.
    """
    wrong = what_is_wrong(database)
    if wrong:
        raise BadBackup(f"The data in it is damaged ({wrong}).")
    if revision_of(database) != revision:
        raise BadBackup("The data in it is of another version than its list says.")
    try:
        migrate(database)
        with closing(sqlite3.connect(database)) as connection:
            connection.execute("PRAGMA journal_mode=DELETE").fetchall()
            forget_devices(connection)
            connection.commit()
            missing = _missing_in(connection)
    except (Unreadable, sqlite3.DatabaseError, RuntimeError) as problem:
        raise BadBackup("The data in it cannot be opened.") from problem
    if missing:
        raise BadBackup(f"The data in it is no kitchen's: {missing} is not as it should be.")


def _missing_in(connection: sqlite3.Connection) -> str:
    """Return a table that a kitchen has and a file lacks, whole or in part, or a trigger or view that none has."""
    strange = _acting(connection) ^ _acting_in_ours()
    if strange:
        return min(strange)[0][:60]
    for table in Base.metadata.sorted_tables:
        there = {row[1] for row in connection.execute(f"PRAGMA table_info({table.name})")}
        if not {column.name for column in table.columns} <= there:
            return table.name
    return ""


def _acting(connection: sqlite3.Connection) -> frozenset[tuple[str, str]]:
    """Return what acts by itself in a file, triggers and views: name, and text without its white space."""
    rows = connection.execute("SELECT name, sql FROM sqlite_master WHERE type IN ('trigger', 'view')")
    return frozenset((str(name), "".join(str(text).split())) for name, text in rows)


@cache
def _acting_in_ours() -> frozenset[tuple[str, str]]:
    with tempfile.TemporaryDirectory() as folder:
        migrate(Path(folder) / DATABASE)
        with closing(sqlite3.connect(Path(folder) / DATABASE)) as connection:
            return _acting(connection)


def take_place(folder: Path, file_name: str, now: datetime) -> Path | None:
    """Let what was laid beside take the kitchen's place; return where the old one is kept, None where none was.

    From here on it is finished whatever happens: `finish` does what is left.
    """
    aside = f"before-restore-{now:%Y%m%d-%H%M%S-%f}"
    marker = folder / f"{READY}.new"
    marker.write_text(json.dumps({"aside": aside, "file": file_name}))
    flush(marker)
    os.replace(marker, folder / READY)
    flush(folder)
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
        flush(folder)
        if (coming / PHOTOGRAPHS).is_dir():
            os.replace(coming / PHOTOGRAPHS, folder / PHOTOGRAPHS)
        os.replace(coming / DATABASE, database)
        flush(folder)
    shutil.rmtree(coming, ignore_errors=True)
    ready.unlink(missing_ok=True)
    if aside.is_dir() and not any(aside.iterdir()):
        aside.rmdir()
    return aside if aside.is_dir() else None
