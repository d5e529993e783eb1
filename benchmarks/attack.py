"""Attacks on a kitchen, in full: `python -m benchmarks.attack kills 500`, `fuzz 100000`, `soak 30`, `hostile 200`."""

import dataclasses
import sys
import time
from collections.abc import Callable
from typing import Any

from tests.attack.fuzz import fuzz
from tests.attack.hostile import open_all
from tests.attack.kills import kill_often
from tests.attack.soak import soak

ATTACKS: dict[str, tuple[int, Callable[[int], Any]]] = {
    "kills": (500, lambda count: kill_often(count, 20261201)),
    "fuzz": (100_000, lambda count: fuzz(count, 20261201)),
    "soak": (30, soak),
    "hostile": (200, lambda count: open_all(count, 20261201)),
}


def main(arguments: list[str]) -> int:
    """Run one attack, or all; print its counts; return 1 where something was lost or wrong."""
    wanted = [arguments[0]] if arguments else list(ATTACKS)
    failed = False
    for name in wanted:
        usual, attack = ATTACKS[name]
        count = int(arguments[1]) if len(arguments) > 1 else usual
        began = time.monotonic()
        found = attack(count)
        print(f"{name}: {count} in {time.monotonic() - began:.0f} s")
        for field in dataclasses.fields(found):
            value = getattr(found, field.name)
            failed = failed or (field.name in ("wrong", "lost") and bool(value))
            print(f"  {field.name}: {sorted(value) if isinstance(value, set) else value}", flush=True)
    return 1 if failed else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
