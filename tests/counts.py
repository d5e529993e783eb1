"""Counts of random trials: a sample in each run; `HEARTH_TIMES=10 ./hearth test core` tries ten times as many."""

import os


def trials(sample: int) -> int:
    """Return how many random trials to make, for a sample of so many."""
    return round(sample * float(os.environ.get("HEARTH_TIMES", "1")))
