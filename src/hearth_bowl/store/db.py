"""The database: one SQLite file, write-ahead log, foreign keys on, every write in a transaction."""

import errno
import sqlite3
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any, Final

from sqlalchemy import Connection, Engine, create_engine, event
from sqlalchemy.exc import OperationalError
from sqlalchemy.orm import Session

BUSY_TIMEOUT_MS: Final = 5000
NO_ROOM: Final = (errno.ENOSPC, errno.EDQUOT)


class DiskFull(OSError):  # noqa: N818 - it reads as what it is
    """There is no room left where the data is; nothing was stored."""


class Locked(OSError):  # noqa: N818
    """Another program holds the data for longer than is waited; nothing was stored."""


@contextmanager
def no_room_is_full() -> Iterator[None]:
    """Say of any write within that fails for want of room that the disk is full.

    :raises DiskFull: no room is left.
    """
    try:
        yield
    except OSError as problem:
        if problem.errno in NO_ROOM:
            raise DiskFull("The disk is full.") from problem
        raise
    except (sqlite3.OperationalError, OperationalError) as problem:
        if getattr(getattr(problem, "orig", problem), "sqlite_errorname", "").startswith("SQLITE_FULL"):
            raise DiskFull("The disk is full.") from problem
        raise


def open_engine(path: Path, foreign_keys: bool = True) -> Engine:
    """Return an engine on a SQLite file. Transactions are begun by us, not by the driver."""
    engine = create_engine(f"sqlite:///{path}")

    @event.listens_for(engine, "connect")
    def _prepare(connection: Any, _record: object) -> None:
        connection.isolation_level = None
        cursor = connection.cursor()
        cursor.execute(f"PRAGMA busy_timeout={BUSY_TIMEOUT_MS}")
        cursor.execute("PRAGMA journal_mode=WAL")
        cursor.execute("PRAGMA secure_delete=ON")
        cursor.execute("PRAGMA synchronous=FULL")
        cursor.execute(f"PRAGMA foreign_keys={'ON' if foreign_keys else 'OFF'}")
        cursor.close()

    @event.listens_for(engine, "begin")
    def _begin(connection: Connection) -> None:
        mode = connection.get_execution_options().get("begin_mode", "DEFERRED")
        connection.exec_driver_sql(f"BEGIN {mode}")

    return engine


class Database:
    """Sessions on one SQLite file: `reading()` and `writing()`."""

    def __init__(self, path: Path) -> None:
        self.path = path
        self._sessions = 0
        self._alone = False
        self._gate = threading.Condition()
        self._mine = threading.local()
        self._open()

    def _open(self) -> None:
        self.engine = open_engine(self.path)
        self._writer = self.engine.execution_options(begin_mode="IMMEDIATE")

    @contextmanager
    def reading(self) -> Iterator[Session]:
        """Give a session that changes nothing."""
        with self._one_more(), Session(self.engine) as session:
            yield session

    @contextmanager
    def writing(self) -> Iterator[Session]:
        """Give a session in one transaction: it commits at the end and rolls back on any error.

        :raises DiskFull: no room is left. :raises Locked: another program holds the data.
        """
        try:
            with self._one_more(), Session(self._writer) as session, session.begin():
                yield session
        except OperationalError as problem:
            name = getattr(problem.orig, "sqlite_errorname", "")
            if name.startswith("SQLITE_FULL"):
                raise DiskFull("The disk is full.") from problem
            if name.startswith(("SQLITE_BUSY", "SQLITE_LOCKED")):
                raise Locked("Another program holds the data.") from problem
            raise

    @contextmanager
    def _one_more(self) -> Iterator[None]:
        """Count a session in and out; none begins while the file is changed for another."""
        depth = getattr(self._mine, "depth", 0)
        with self._gate:
            while self._alone and not depth:  # who has a session already is waited for, and waits for none
                self._gate.wait()
            self._sessions += 1
        self._mine.depth = depth + 1
        try:
            yield
        finally:
            self._mine.depth = depth
            with self._gate:
                self._sessions -= 1
                self._gate.notify_all()

    @contextmanager
    def replaced(self) -> Iterator[None]:
        """Close the file while it is put in another's place, and open what is there then; sessions wait meanwhile."""
        with self._gate:
            while self._alone:
                self._gate.wait()
            self._alone = True
            while self._sessions:
                self._gate.wait()
        try:
            self.engine.dispose()
            yield
        finally:
            self._open()
            with self._gate:
                self._alone = False
                self._gate.notify_all()

    def close(self) -> None:
        """Let go of the file."""
        self.engine.dispose()
