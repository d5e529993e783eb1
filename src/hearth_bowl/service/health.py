"""Health of the data: warnings in sentences that say what to do, until the data is well again."""

import tempfile
import threading
import zipfile
from contextlib import suppress
from datetime import date
from pathlib import Path
from typing import Final

from hearth_bowl.service.backups import automatic_file, automatic_of
from hearth_bowl.store.backup import DATABASE
from hearth_bowl.store.backup_read import BadBackup, read_backup
from hearth_bowl.store.sound import what_is_wrong

NO_BACKUP: Final = "Today's automatic backup could not be made ({why}). Download a backup and store it on another disk."
CANNOT_CHECK: Final = "Your data could not be checked for damage ({why}). Download a backup now."
NOT_INDEXED: Final = "Some recipes are missing from the search: {why}. They are all in the list."
NOT_TIDIED: Final = "Old readings could not be deleted ({why}). The next try is in six hours."
DAMAGED: Final = "Your data is damaged ({why}). {remedy} Old automatic backups stay until then."


class Health:
    """Current warnings, one for each subject; any thread may add one."""

    def __init__(self, noticed: str = "") -> None:
        self._said = {"start": noticed} if noticed else {}
        self._lock = threading.Lock()

    def say(self, about: str, words: str) -> None:
        """Set the warning of a subject; an empty one removes it."""
        with self._lock:
            self._said.pop(about, None)
            if words:
                self._said[about] = words

    @property
    def warning(self) -> str:
        """All current warnings in one text, empty where all is well."""
        with self._lock:
            return " ".join(self._said.values())


def check_data(database: Path, health: Health) -> bool:
    """Look through a kitchen's data, page by page and row by row; return whether it is sound."""
    why = what_is_wrong(database)
    health.say("damage", damage_words(database.parent, why) if why else "")
    return not why


def damage_words(folder: Path, why: str) -> str:
    """Return the warning of damaged data, with the backup to restore."""
    return DAMAGED.format(why=why, remedy=remedy_words(folder))


def remedy_words(folder: Path) -> str:
    """Return the advice which backup to restore."""
    day = newest_sound(folder)
    if day is None:
        return "No automatic backup is sound. Restore one of your own."
    return f"Restore {automatic_file(folder, day)}, which is sound, under Your data or with ./hearth restore."


def newest_sound(folder: Path) -> date | None:
    """Return the day of the newest automatic backup whose data is sound, or None."""
    return next((row.day for row in automatic_of(folder) if _is_sound(automatic_file(folder, row.day))), None)


def _is_sound(backup: Path) -> bool:
    with suppress(BadBackup, OSError), tempfile.TemporaryDirectory(dir=backup.parent, prefix="looked-through-") as room:
        read_backup(backup)
        with zipfile.ZipFile(backup) as bundle:
            return not what_is_wrong(Path(bundle.extract(DATABASE, room)))
    return False
