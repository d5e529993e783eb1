"""Backups of a kitchen: by hand, automatic ones that roll (seven days, then weeks), and put back on the page."""

import re
from contextlib import suppress
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from pathlib import Path
from typing import Final

from hearth_bowl import __version__
from hearth_bowl.service.errors import NotFound
from hearth_bowl.store.backup import PHOTOGRAPHS, BackupTold, Share, back_up
from hearth_bowl.store.backup_read import read_backup
from hearth_bowl.store.db import Database
from hearth_bowl.store.restore import lay_beside, take_place

AUTOMATIC: Final = "automatic-backups"
NAME: Final = re.compile(r"^(\d{4}-\d{2}-\d{2})\.zip$")
DAYS_KEPT: Final = 7
WEEKS_KEPT: Final = 8
"""One a day for a week, then the last of each week for two months: judgements."""


@dataclass(frozen=True, slots=True, kw_only=True)
class AutomaticBackup:
    """An automatic backup: of which day, and its size."""

    day: date
    bytes: int


@dataclass(frozen=True, slots=True, kw_only=True)
class OldKitchen:
    """What was there before a backup was put back, kept aside in a folder."""

    folder: str
    bytes: int


@dataclass(frozen=True, slots=True, kw_only=True)
class DataTold:
    """Where the data lies, how large it is, and what is kept of it besides; `warning` is what was noticed of it."""

    folder: str
    database_bytes: int
    photographs_bytes: int
    photographs: int
    automatic: tuple[AutomaticBackup, ...]
    aside: tuple[OldKitchen, ...]
    warning: str


def data_told(database: Database, warning: str) -> DataTold:
    """Return where a kitchen's data lies and how large it is."""
    folder = database.path.parent
    beside = [database.path, *(Path(f"{database.path}{end}") for end in ("-wal", "-shm"))]
    photographs = [file for file in (folder / PHOTOGRAPHS).glob("*") if file.is_file()]
    return DataTold(
        folder=str(folder),
        database_bytes=sum(file.stat().st_size for file in beside if file.is_file()),
        photographs_bytes=sum(file.stat().st_size for file in photographs),
        photographs=len(photographs),
        automatic=automatic_of(folder),
        aside=tuple(
            OldKitchen(folder=path.name, bytes=sum(file.stat().st_size for file in path.rglob("*") if file.is_file()))
            for path in sorted(folder.glob("before-restore-*"), reverse=True)
            if path.is_dir()
        ),
        warning=warning,
    )


def backup_to(database: Database, out: Path, now: datetime, share: Share = lambda _: None) -> BackupTold:
    """Write a backup of a kitchen to a file, while it is used.

    :param share: hears how far it is, from 0 to 1.
    :raises Damaged: the data does not hold together. :raises DiskFull: no room is left.
    """
    return back_up(database.path, out, now, __version__, share)


def restore_from(database: Database, file: Path, now: datetime) -> BackupTold:
    """Put a backup in the kitchen's place while it is used; what was there is kept aside.

    :raises BadBackup: it is none, is damaged or newer. :raises DiskFull: no room is left. Then nothing was touched.
    """
    folder = database.path.parent
    told = lay_beside(file, folder)
    with database.replaced():
        take_place(folder, database.path.name, now)
    return told


def automatic_of(folder: Path) -> tuple[AutomaticBackup, ...]:
    """Return the automatic backups that there are, the newest first."""
    found = [(_day_of(path), path) for path in (folder / AUTOMATIC).glob("*.zip")]
    rows = [AutomaticBackup(day=day, bytes=path.stat().st_size) for day, path in found if day is not None]
    return tuple(sorted(rows, key=lambda row: row.day, reverse=True))


def automatic_file(folder: Path, day: date) -> Path:
    """Return the file of an automatic backup.

    :raises NotFound: there is none of that day.
    """
    file = folder / AUTOMATIC / f"{day.isoformat()}.zip"
    if not file.is_file():
        raise NotFound("backup", day.isoformat())
    return file


def back_up_today(database: Database, now: datetime) -> bool:
    """Make today's automatic backup where there is none yet, and let old ones go; return whether it did.

    Old ones go only when the new one is there, whole and of sound data.

    :raises Damaged: the data does not hold together. :raises DiskFull: no room is left.
    """
    folder = database.path.parent / AUTOMATIC
    folder.mkdir(exist_ok=True)
    file = folder / f"{now.astimezone().date().isoformat()}.zip"
    if file.exists():
        return False
    backup_to(database, file, now)
    for day in sorted(_days(folder) - kept_days(_days(folder), now.astimezone().date())):
        (folder / f"{day.isoformat()}.zip").unlink(missing_ok=True)
    return True


def kept_days(days: set[date], today: date) -> set[date]:
    """Return which of some days' backups are kept: each of the last seven, then the newest of each week."""
    kept = {day for day in days if day > today - timedelta(days=DAYS_KEPT)}
    weeks: dict[tuple[int, int], date] = {}
    for day in sorted(days - kept):
        if day > today - timedelta(weeks=WEEKS_KEPT):
            year, week, _ = day.isocalendar()
            weeks[year, week] = day
    return kept | set(weeks.values())


def forget_automatic(folder: Path) -> int:
    """Delete all automatic backups, so that what was deleted since is gone from them too; return how many."""
    files = [path for path in (folder / AUTOMATIC).glob("*.zip") if _day_of(path) is not None]
    for file in files:
        with suppress(FileNotFoundError):
            file.unlink()
    return len(files)


def check_backup(file: Path) -> BackupTold:
    """Return what a backup holds.

    :raises BadBackup: it is none, is damaged or newer.
    """
    return read_backup(file)


def _days(folder: Path) -> set[date]:
    return {day for day in map(_day_of, folder.glob("*.zip")) if day is not None}


def _day_of(path: Path) -> date | None:
    found = NAME.match(path.name)
    if found is None:
        return None
    with suppress(ValueError):
        return date.fromisoformat(found[1])
    return None
