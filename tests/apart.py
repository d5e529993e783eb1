"""One test module in a process of its own: what it says and what became of it; ended where it does not end."""

import contextlib
import gc
import json
import multiprocessing
import os
import signal
import sys
import tempfile
import threading
import time
import traceback
import unittest
from pathlib import Path
from typing import Any, NamedTuple

PROCESSES = multiprocessing.get_context("forkserver")
"""Where processes come from: each is a copy of one that has loaded what nearly all need, and has no thread."""
LONGEST_S = 400
"""No module takes a third of this, on a machine that is slow too."""
PROCESSES.set_forkserver_preload(["tests.preload"])


class Timed(unittest.TextTestResult):
    """A result that knows how long each test took [s]."""

    def __init__(self, *args: Any, **kwargs: Any) -> None:
        super().__init__(*args, **kwargs)
        self.took_s: dict[str, float] = {}
        self._began = 0.0

    def startTest(self, test: unittest.TestCase) -> None:  # noqa: N802 - the name of unittest
        self._began = time.monotonic()
        super().startTest(test)

    def stopTest(self, test: unittest.TestCase) -> None:  # noqa: N802
        super().stopTest(test)
        self.took_s[str(test)] = time.monotonic() - self._began


class Outcome(NamedTuple):
    """What became of one module."""

    module: str
    ran: int
    failed: int
    skipped: int
    seconds: float
    said: str
    took_s: dict[str, float]
    ended: bool = True


def end_here() -> None:
    """Print where every thread and greenlet stands, those of Playwright too, and end."""
    frames = [*sys._current_frames().values()]
    for each in gc.get_objects():
        if any(kind.__name__ == "greenlet" for kind in type(each).__mro__):
            frames += [one.gr_frame for one in (each, each.parent) if one is not None and one.gr_frame is not None]
    for frame in dict.fromkeys(frames):
        print("\nStanding at:", *traceback.format_stack(frame), sep="\n", file=sys.stderr, flush=True)
    os._exit(1)


def run_module(module: str, counts: Path, said: Path) -> None:
    """Run one module in this process, at the head of all that it starts; write what became of it to a file."""
    os.setsid()
    out = os.open(said, os.O_WRONLY | os.O_CREAT)
    os.dup2(out, sys.stdout.fileno())
    os.dup2(out, sys.stderr.fileno())
    clock = threading.Timer(LONGEST_S, end_here)
    clock.daemon = True
    clock.start()
    suite = unittest.defaultTestLoader.loadTestsFromName(module)
    result = unittest.TextTestRunner(verbosity=2, resultclass=Timed).run(suite)
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    found = {"ran": result.testsRun, "failed": failed, "skipped": len(result.skipped), "took_s": result.took_s}
    counts.write_text(json.dumps(found))


def run_apart(module: str) -> Outcome:
    """Run one module in a process of its own, and end what it leaves."""
    started = time.monotonic()
    with tempfile.TemporaryDirectory() as folder:
        counts, said = Path(folder) / "counts", Path(folder) / "said"
        process = PROCESSES.Process(target=run_module, args=(module, counts, said))
        process.start()
        assert process.pid is not None
        process.join(LONGEST_S + 30)
        ended = not process.is_alive() and counts.exists()
        with contextlib.suppress(ProcessLookupError):
            os.killpg(process.pid, signal.SIGKILL)
        process.join()
        words = said.read_text(errors="replace") if said.exists() else ""
        found = json.loads(counts.read_text()) if ended else {"ran": 1, "failed": 1, "skipped": 0, "took_s": {}}
    if not ended:
        words += f"\n{module} did not end by itself"
    return Outcome(module, **found, seconds=time.monotonic() - started, said=words, ended=ended)
