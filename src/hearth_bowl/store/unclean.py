"""An unclean end: whether a database file was in use when it was left, and its write-ahead log is missing now.

SQLite keeps what was written last beside the file, in its write-ahead log; a copy of the file alone is without it. A
mark in the file's own header (`user_version`) says that it is in use; it is taken off when the server ends by itself.
"""

import sqlite3
from contextlib import closing
from pathlib import Path
from typing import Final

VERSION_AT: Final = 60
"""Where the header of a database file holds `user_version`: four bytes, the highest first (SQLite's file format,
1.3)."""
IN_USE: Final = 1
WARNING: Final = (
    "This data was in use when it was copied or left, and its write-ahead file (ending in -wal) is not here: what was"
    " stored last may be missing. Look where the data came from, put that file beside it and start again, or put a"
    " backup back."
)


def log_is_missing(database: Path) -> bool:
    """Return whether a file was left in use and its write-ahead log is not beside it; nothing is opened."""
    if not database.is_file() or Path(f"{database}-wal").exists():
        return False
    with database.open("rb") as file:
        header = file.read(VERSION_AT + 4)
    return len(header) == VERSION_AT + 4 and int.from_bytes(header[VERSION_AT:], "big") == IN_USE


def mark(database: Path, in_use: bool) -> None:
    """Say in the file itself whether it is in use."""
    with closing(sqlite3.connect(database, timeout=10, isolation_level=None)) as connection:
        connection.execute(f"PRAGMA user_version={IN_USE if in_use else 0}")
        connection.execute("PRAGMA wal_checkpoint(TRUNCATE)").fetchall()
