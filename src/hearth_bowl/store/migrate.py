"""Bring a database file to the newest tables."""

import sqlite3
from contextlib import closing
from pathlib import Path
from typing import TYPE_CHECKING

from sqlalchemy.exc import DatabaseError

if TYPE_CHECKING:
    from alembic.config import Config

MIGRATIONS = Path(__file__).parent / "migrations"


class Unreadable(RuntimeError):  # noqa: N818 - it reads as what it is
    """The file cannot be brought to the newest tables."""


def alembic_config(path: Path) -> "Config":
    """Return alembic's configuration for a database file."""
    from alembic.config import Config  # only when there is something to migrate: it is large

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["database_path"] = path
    return config


def migrate(path: Path) -> None:
    """Make the file when it is missing, and run the migrations that it lacks.

    A new file is made beside its place and put there whole: an empty one there is none of ours.

    :raises Unreadable: the file is empty, no database of ours, or of a newer version; it is left as it is.
    """
    if not path.exists():
        fresh = path.with_name(path.name + ".new")
        fresh.unlink(missing_ok=True)
        _upgrade(fresh)
        fresh.replace(path)
    elif path.stat().st_size == 0:
        raise Unreadable("the file is empty")
    else:
        _upgrade(path)


def _upgrade(path: Path) -> None:
    try:
        if revision_of(path) == newest_revision():
            return
        from alembic import command  # as above
        from alembic.util.exc import CommandError
    except sqlite3.DatabaseError as problem:
        raise Unreadable(str(problem)) from None
    try:
        command.upgrade(alembic_config(path), "head")
    except (CommandError, DatabaseError) as problem:
        raise Unreadable(str(problem)) from None


def newest_revision() -> str:
    """Return the newest migration's revision: its file's name begins with it."""
    return max(_revisions())


def is_known_revision(revision: object) -> bool:
    """Return whether a file at a revision can be brought to the newest tables here."""
    return revision in _revisions()


def _revisions() -> list[str]:
    return [file.name.partition("_")[0] for file in (MIGRATIONS / "versions").glob("[0-9]*.py")]


def revision_of(path: Path) -> str | None:
    """Return the revision that a file is at, or None where it has none."""
    if not path.is_file():
        return None
    with closing(sqlite3.connect(path)) as connection:
        try:
            row = connection.execute("SELECT version_num FROM alembic_version").fetchone()
        except sqlite3.OperationalError:
            return None
    return None if row is None else str(row[0])
