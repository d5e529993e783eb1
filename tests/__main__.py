"""Run every test: `python -m tests`, or `python -m tests core api` for some folders. Closes with what passed.

Modules run beside each other, one on each core; what a module says is printed when it is done.
"""

import io
import os
import sys
import time
import unittest
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path
from typing import NamedTuple

HERE = Path(__file__).parent
SLOWEST_FIRST = ("browser", "cli", "api")


class Outcome(NamedTuple):
    """What became of one module."""

    module: str
    ran: int
    failed: int
    skipped: int
    seconds: float
    said: str


def modules_of(folders: list[str]) -> list[str]:
    """Return the test modules of all or some folders, those that take longest first."""
    named = folders or sorted(path.name for path in HERE.iterdir() if (path / "__init__.py").is_file())
    named.sort(key=lambda name: SLOWEST_FIRST.index(name) if name in SLOWEST_FIRST else len(SLOWEST_FIRST))
    paths = [path for name in named for path in sorted((HERE / name).rglob("test_*.py"))]
    found = [".".join(("tests", *path.relative_to(HERE).with_suffix("").parts)) for path in paths]
    if not found:
        raise SystemExit(f"no tests in {', '.join(named)}")
    return found


def run_module(module: str) -> Outcome:
    """Run one module."""
    started = time.monotonic()
    said = io.StringIO()
    suite = unittest.defaultTestLoader.loadTestsFromName(module)
    result = unittest.TextTestRunner(stream=said, verbosity=1).run(suite)
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    return Outcome(module, result.testsRun, failed, len(result.skipped), time.monotonic() - started, said.getvalue())


def main(folders: list[str]) -> int:
    """Run the tests of all or some folders; return the exit code."""
    with ProcessPoolExecutor(max_workers=os.cpu_count() or 1) as pool:
        outcomes = []
        for outcome in pool.map(run_module, modules_of(folders)):
            outcomes.append(outcome)
            print(f"{outcome.module}: {outcome.ran} in {outcome.seconds:.0f} s", flush=True)
            if outcome.failed:
                print(outcome.said, flush=True)
    ran = sum(outcome.ran for outcome in outcomes)
    failed = sum(outcome.failed for outcome in outcomes)
    skipped = sum(outcome.skipped for outcome in outcomes)
    empty = [outcome.module for outcome in outcomes if not outcome.ran]
    if empty:
        print("no test in " + ", ".join(empty))
    print(f"{ran - failed - skipped} passed, {failed} failed" + (f", {skipped} skipped" if skipped else ""))
    return 1 if failed or empty or not ran else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
