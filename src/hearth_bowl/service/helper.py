"""A helper process for what computes for long: nothing else waits for it, and it is warm before it is needed."""

import multiprocessing
import os
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from concurrent.futures.process import BrokenProcessPool
from threading import Lock, Thread
from typing import Final, ParamSpec, Protocol, TypeVar

P = ParamSpec("P")
T = TypeVar("T")
MOST_WAITING: Final = 8
"""So many may wait for the helper; more are asked to come again, so that others are still answered."""


class Busy(RuntimeError):  # noqa: N818 - it reads as what it is
    """Too much waits for the helper already."""


class Helper(Protocol):
    """Runs what computes for long."""

    def run(self, act: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
        """Return what `act` returns, or raise what it raises."""
        ...


class Inline:
    """Runs it here: for tests, and where there is no helper."""

    def run(self, act: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
        """Return what `act` returns."""
        return act(*args, **kwargs)


class HelperProcess:
    """Runs it in another process, one thing after the other."""

    def __init__(self, warm: Callable[[], None] | None = None) -> None:
        self._lock = Lock()
        self._waiting = 0
        self._warm = warm or _warm
        self._pool = _pool(self._warm)

    def run(self, act: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
        """Return what `act` returns, or raise what it raises; a helper that died is replaced.

        :raises Busy: too much waits already.
        """
        with self._lock:
            if self._waiting >= MOST_WAITING:
                raise Busy
            self._waiting += 1
            pool = self._pool
        try:
            return pool.submit(act, *args, **kwargs).result()
        except BrokenProcessPool:
            with self._lock:
                if self._pool is pool:
                    self._pool = _pool(self._warm)
            raise Busy from None
        finally:
            with self._lock:
                self._waiting -= 1

    def close(self) -> None:
        """Let the process end."""
        self._pool.shutdown(wait=False, cancel_futures=True)


def _pool(warm: Callable[[], None]) -> ProcessPoolExecutor:
    context = multiprocessing.get_context("spawn")
    pool = ProcessPoolExecutor(1, mp_context=context, initializer=_begin, initargs=(warm,))
    pool.submit(warm)
    return pool


def _end_with_parent() -> None:
    """End when the server ends, however it ends: a helper of nobody would stay for ever."""
    parent = multiprocessing.parent_process()
    if parent is not None:
        parent.join()
        os._exit(0)


def _begin(warm: Callable[[], None]) -> None:
    """Begin as a helper."""
    import signal

    Thread(target=_end_with_parent, daemon=True).start()
    warm()
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # Ctrl-C ends the server, which ends this


def _warm() -> None:
    """Load what is large, and what is used first."""
    import scipy.linalg
    import scipy.optimize  # noqa: F401

    import hearth_bowl.service.moves
    import hearth_bowl.service.setting  # noqa: F401
