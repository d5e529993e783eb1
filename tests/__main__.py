"""Run every test: `python -m tests`, or `python -m tests core api` for some folders. Closes with what passed.

Each module runs in a process of its own, one more beside each other than there are cores, for browsers wait a lot; what
a module says is printed when it is done. A module that does not end is ended, says where it stood, and is tried once
more, alone.
"""

import contextlib
import gc
import json
import os
import signal
import subprocess
import sys
import tempfile
import threading
import time
import traceback
import unittest
from concurrent.futures import ThreadPoolExecutor, as_completed
from pathlib import Path
from typing import NamedTuple

MOST_TRIED_AGAIN = 2
HERE = Path(__file__).parent
SLOWEST_FIRST = ("browser", "cli", "api")
LONGEST_S = 600
"""No module takes a third of this, on a machine that is slow too."""


class Outcome(NamedTuple):
    """What became of one module."""

    module: str
    ran: int
    failed: int
    skipped: int
    seconds: float
    said: str
    ended: bool = True


def modules_of(folders: list[str]) -> list[str]:
    """Return the test modules of all or some folders, those that take longest first."""
    named = folders or sorted(path.name for path in HERE.iterdir() if (path / "__init__.py").is_file())
    named.sort(key=lambda name: SLOWEST_FIRST.index(name) if name in SLOWEST_FIRST else len(SLOWEST_FIRST))
    paths = [path for name in named for path in sorted((HERE / name).rglob("test_*.py"))]
    found = [".".join(("tests", *path.relative_to(HERE).with_suffix("").parts)) for path in paths]
    if not found:
        raise SystemExit(f"no tests in {', '.join(named)}")
    return found


def end_here() -> None:
    """Print where every thread and greenlet stands, those of Playwright too, and end."""
    frames = [*sys._current_frames().values()]
    for each in gc.get_objects():
        if any(kind.__name__ == "greenlet" for kind in type(each).__mro__):
            frames += [one.gr_frame for one in (each, each.parent) if one is not None and one.gr_frame is not None]
    for frame in dict.fromkeys(frames):
        print("\nStanding at:", *traceback.format_stack(frame), sep="\n", file=sys.stderr, flush=True)
    os._exit(1)


def run_module(module: str, counts: Path) -> None:
    """Run one module, here; write what became of it to a file."""
    clock = threading.Timer(LONGEST_S, end_here)
    clock.daemon = True
    clock.start()
    suite = unittest.defaultTestLoader.loadTestsFromName(module)
    result = unittest.TextTestRunner(verbosity=2).run(suite)
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    counts.write_text(json.dumps({"ran": result.testsRun, "failed": failed, "skipped": len(result.skipped)}))


def run_apart(module: str) -> Outcome:
    """Run one module in a process of its own, with all that it starts."""
    started = time.monotonic()
    with tempfile.TemporaryDirectory() as folder:
        counts, said = Path(folder) / "counts", Path(folder) / "said"
        options = [f"-W{each}" for each in sys.warnoptions]
        with said.open("wb") as out:
            process = subprocess.Popen(
                [sys.executable, *options, "-m", "tests", "--module", module, str(counts)],
                stdin=subprocess.DEVNULL,
                stdout=out,
                stderr=subprocess.STDOUT,
                start_new_session=True,
            )
            ended = True
            try:
                process.wait(LONGEST_S + 30)
            except subprocess.TimeoutExpired:
                ended = False
            with contextlib.suppress(ProcessLookupError):
                os.killpg(process.pid, signal.SIGKILL)  # browsers too, of one that was ended
            process.wait()
        words = said.read_text(errors="replace")
        ended = ended and counts.exists()
        if ended:
            found = json.loads(counts.read_text())
        else:
            found = {"ran": 1, "failed": 1, "skipped": 0}
            words += f"\n{module} did not end by itself"
    return Outcome(module, **found, seconds=time.monotonic() - started, said=words, ended=ended)


def told(outcome: Outcome) -> Outcome:
    """Print what became of a module, and what it said where something failed."""
    print(f"{outcome.module}: {outcome.ran} in {outcome.seconds:.0f} s", flush=True)
    if outcome.failed:
        print(outcome.said, flush=True)
    return outcome


def main(folders: list[str]) -> int:
    """Run the tests of all or some folders; return the exit code."""
    with ThreadPoolExecutor(max_workers=(os.cpu_count() or 1) + 1) as pool:
        running = [pool.submit(run_apart, module) for module in modules_of(folders)]
        outcomes = [told(done.result()) for done in as_completed(running)]
    stuck = [outcome for outcome in outcomes if not outcome.ended]
    for outcome in stuck[:MOST_TRIED_AGAIN]:
        print(f"{outcome.module} is tried again, alone: a browser may stand still for reasons of its own", flush=True)
        outcomes[outcomes.index(outcome)] = told(run_apart(outcome.module))
    ran = sum(outcome.ran for outcome in outcomes)
    failed = sum(outcome.failed for outcome in outcomes)
    skipped = sum(outcome.skipped for outcome in outcomes)
    empty = [outcome.module for outcome in outcomes if not outcome.ran]
    if empty:
        print("no test in " + ", ".join(empty))
    print(f"{ran - failed - skipped} passed, {failed} failed" + (f", {skipped} skipped" if skipped else ""))
    return 1 if failed or empty or not ran else 0


if __name__ == "__main__":
    if sys.argv[1:2] == ["--module"]:
        run_module(sys.argv[2], Path(sys.argv[3]))
    else:
        sys.exit(main(sys.argv[1:]))
