"""Run every test: `python -m tests`, or `python -m tests core api` for some folders. Closes with what passed.

Each module runs in a process of its own, one more beside each other than there are cores, for browsers wait a lot; what
a module says is printed when it is done. A module that does not end is ended, says where it stood, and is tried once
more, alone.
"""

import os
import sys
from concurrent.futures import ThreadPoolExecutor, as_completed
from pathlib import Path

from tests.apart import Outcome, run_apart

MOST_TRIED_AGAIN = 2
MOST_NAMED = 25
HERE = Path(__file__).parent
SLOWEST_FIRST = ("attack", "browser", "devices", "store", "api", "cli")


def modules_of(folders: list[str]) -> list[str]:
    """Return the test modules of all or some folders, those that take longest first."""
    named = folders or sorted(path.name for path in HERE.iterdir() if (path / "__init__.py").is_file())
    named.sort(key=lambda name: SLOWEST_FIRST.index(name) if name in SLOWEST_FIRST else len(SLOWEST_FIRST))
    paths = [path for name in named for path in sorted((HERE / name).rglob("test_*.py"))]
    found = [".".join(("tests", *path.relative_to(HERE).with_suffix("").parts)) for path in paths]
    if not found:
        raise SystemExit(f"no tests in {', '.join(named)}")
    return found


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
    slowest = sorted(((s, name) for outcome in outcomes for name, s in outcome.took_s.items()), reverse=True)
    print("The slowest tests:")
    for took_s, name in slowest[:MOST_NAMED]:
        print(f"{took_s:7.1f} s  {name}")
    empty = [outcome.module for outcome in outcomes if not outcome.ran]
    if empty:
        print("no test in " + ", ".join(empty))
    print(f"{ran - failed - skipped} passed, {failed} failed" + (f", {skipped} skipped" if skipped else ""))
    return 1 if failed or empty or not ran else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
