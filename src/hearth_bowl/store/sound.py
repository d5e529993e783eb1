"""Whether a database file holds together, page by page and row by row."""

import sqlite3
from contextlib import closing
from pathlib import Path
from typing import Final

BESIDE: Final = ("-wal", "-shm")
"""What belongs to a database file: its write-ahead log and the index of that."""


def what_is_wrong(database: Path) -> str:
    """Return what is wrong with a database file, in a few words; empty where it is sound. It is not changed."""
    try:
        with closing(sqlite3.connect(f"file:{database}?mode=ro", uri=True, timeout=30)) as connection:
            found = connection.execute("PRAGMA integrity_check(1)").fetchone()[0]
            if found != "ok":
                return str(found).splitlines()[0][:200]
            orphan = connection.execute("PRAGMA foreign_key_check").fetchone()
            return "" if orphan is None else f"a row of {orphan[0]} belongs to none of {orphan[2]}"
    except sqlite3.DatabaseError as problem:
        return str(problem)[:200]
