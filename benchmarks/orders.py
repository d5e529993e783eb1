"""Running orders of random occasions, counted: `python -m benchmarks.orders 300`.

Each is planned as it is, then made easier in every way that the tests know. What has an order must keep one; what has
none must have one with the change that is offered; an independent check looks through each order.
"""

import statistics
import sys
import time
from collections import Counter
from random import Random
from typing import Any

from tests.core.plan.occasions import eased, planned, tight_record, wrongs
from tests.core.plan.test_feasible import mended


def main(count: int) -> int:
    """Count what became of so many occasions; return the exit code."""
    found: Counter[str] = Counter()
    seconds: list[float] = []
    for seed in range(count):
        random = Random(seed)
        record = tight_record(random)
        begun = time.perf_counter()
        answer = planned(record, 0)
        seconds.append(time.perf_counter() - begun)
        found[{True: "has an order", False: "has none", None: "not decided"}[answer["feasible"]]] += 1
        _look(record, answer, random, found)
    rows = sorted(found.items())
    print("\n".join(f"| {name} | {number} |" for name, number in rows))
    print(f"| median, slowest answer | {statistics.median(seconds):.2f} s, {max(seconds):.1f} s |")
    return int(any(name.startswith("wrong") for name in found))


def _look(record: dict[str, Any], answer: dict[str, Any], random: Random, found: Counter[str]) -> None:
    if answer["feasible"]:
        found["wrong: a rule is broken"] += bool(wrongs(record, answer))
        for way, easier in eased(record, random).items():
            found["made easier and planned again"] += 1
            again = planned(easier, 0)["feasible"]
            found[f"wrong: none when {way}"] += again is False
            found["made easier and not decided"] += again is None
    elif answer.get("least_change") or answer.get("together"):
        found["mended by its offer"] += 1
        found["wrong: the offer does not mend it"] += not planned(mended(record, answer), 0)["feasible"]
    elif answer["feasible"] is False:
        found["wrong: nothing is offered"] += 1
    for name in [name for name, number in found.items() if not number]:
        del found[name]


if __name__ == "__main__":
    sys.exit(main(int(sys.argv[1]) if len(sys.argv) > 1 else 300))
