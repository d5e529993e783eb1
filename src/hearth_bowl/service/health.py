"""How the data fares: what was noticed of it, in sentences that say what to do, until it is well again."""

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

NO_BACKUP: Final = "Today's automatic backup could not be made ({why}): make one by hand, on another disk."
DAMAGED: Final = "The data is damaged ({why}). Nothing new is safe in it: {remedy}. No automatic backup is let go now."


class Health:
    """What was noticed, by what it is about; said from any thread."""

    def __init__(self, noticed: str = "") -> None:
        self._said = {"start": noticed} if noticed else {}
        self._lock = threading.Lock()

    def say(self, about: str, words: str) -> None:
        """Say something until it is well: empty words say that it is."""
        with self._lock:
            self._said.pop(about, None)
            if words:
                self._said[about] = words

    @property
    def warning(self) -> str:
        """What is to be said now, the empty word where all is well."""
        with self._lock:
            return " ".join(self._said.values())


def check_data(database: Path, health: Health) -> bool:
    """Look through a kitchen's data, page by page and row by row; return whether it is sound."""
    why = what_is_wrong(database)
    health.say("damage", damage_words(database.parent, why) if why else "")
    return not why


def damage_words(folder: Path, why: str) -> str:
    """Return that data is damaged, and which backup is sound and to be put back."""
    return DAMAGED.format(why=why, remedy=remedy_words(folder))


def remedy_words(folder: Path) -> str:
    """Return what to put back in a damaged kitchen's place."""
    day = newest_sound(folder)
    if day is None:
        return "there is no sound automatic backup, so put one of your own back"
    return f"put {automatic_file(folder, day)} back, which is sound, under Your data or by ./hearth restore"


def newest_sound(folder: Path) -> date | None:
    """Return the day of the newest automatic backup whose data is sound, or None."""
    return next((row.day for row in automatic_of(folder) if _is_sound(automatic_file(folder, row.day))), None)


def _is_sound(backup: Path) -> bool:
    with suppress(BadBackup, OSError), tempfile.TemporaryDirectory(dir=backup.parent, prefix="looked-through-") as room:
        read_backup(backup)
        with zipfile.ZipFile(backup) as bundle:
            return not what_is_wrong(Path(bundle.extract(DATABASE, room)))
    return False
