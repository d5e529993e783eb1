"""Take times and put them into one row of the report."""

import gc
import statistics
import time
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final


@dataclass(frozen=True, slots=True, kw_only=True)
class Row:
    """What was measured, the bound it must keep, and the baseline of the same run (None: there is none)."""

    name: str
    value: float
    unit: str
    limit: float
    baseline: float | None = None
    baseline_name: str = ""

    @property
    def holds(self) -> bool:
        """Return whether the bound is kept."""
        return self.value < self.limit

    def __str__(self) -> str:
        text = f"{'ok  ' if self.holds else 'OVER'} {self.name}: {self.value:.3g} {self.unit} (under {self.limit:g})"
        if self.baseline:
            text += f"; {self.baseline_name}: {self.baseline:.3g} {self.unit}, ratio {self.value / self.baseline:.1f}"
        return text


AWAKE_S: Final = 5.0
"""How long a processor is kept busy before anything is timed: one that rested runs at half its pace at first."""


def wake() -> None:
    """Keep the processor busy until it runs at its pace."""
    awake_at = time.perf_counter() + AWAKE_S
    while time.perf_counter() < awake_at:
        sum(range(1000))


def times_ms(act: Callable[[], object], rounds: int, warm_up: int = 20) -> list[float]:
    """Return the milliseconds of each of some rounds."""
    for _ in range(warm_up):
        act()
    gc.collect()
    found = []
    for _ in range(rounds):
        start = time.perf_counter()
        act()
        found.append((time.perf_counter() - start) * 1000)
    return found


def p95(values: Sequence[float]) -> float:
    """Return the value that 95 of 100 stay under."""
    return statistics.quantiles(values, n=20)[-1]


def median(values: Sequence[float]) -> float:
    """Return the median."""
    return statistics.median(values)
