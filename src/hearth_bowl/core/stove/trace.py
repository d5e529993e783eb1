"""A trace: readings in order, gaps where the sensor was silent, and few enough points to draw."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from statistics import median
from typing import Final

GAP_FACTOR: Final = 4.0  # a judgement
LEAST_GAP_S: Final = 5.0  # a judgement
Point = tuple[float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Trace:
    """Stretches of (time [s], °C) without a gap between; each is drawn as one line."""

    stretches: tuple[tuple[Point, ...], ...]
    readings: int
    low_c: float | None
    high_c: float | None


def trace(readings: Sequence[tuple[float, float | None]], most: int = 1200) -> Trace:
    """Return a trace of at most about `most` points: the lowest and highest of each bucket are kept.

    A reading of None is a dropped sensor. Silence of four usual intervals (5 s at least) is a gap, not a line.
    """
    real = [(at, c) for at, c in readings if c is not None]
    if not real:
        return Trace(stretches=(), readings=0, low_c=None, high_c=None)
    steps = [later[0] - earlier[0] for earlier, later in pairwise(real)]
    gap_s = max(LEAST_GAP_S, GAP_FACTOR * median(steps)) if steps else LEAST_GAP_S
    stretches: list[list[Point]] = [[]]
    broken = False
    for at, c in readings:
        if c is None:
            broken = True
            continue
        if stretches[-1] and (broken or at - stretches[-1][-1][0] > gap_s):
            stretches.append([])
        stretches[-1].append((at, c))
        broken = False
    share = most / len(real)
    thinned = tuple(tuple(_thinned(stretch, max(4, int(len(stretch) * share)))) for stretch in stretches)
    values = [c for _, c in real]
    return Trace(stretches=thinned, readings=len(real), low_c=min(values), high_c=max(values))


def _thinned(points: Sequence[Point], most: int) -> list[Point]:
    if len(points) <= most:
        return list(points)
    buckets = max(1, most // 2)
    size = len(points) / buckets
    kept: list[Point] = [points[0]]
    for number in range(buckets):
        bucket = points[int(number * size) : int((number + 1) * size)] or points[-1:]
        for point in sorted({min(bucket, key=lambda p: p[1]), max(bucket, key=lambda p: p[1])}):
            if point[0] > kept[-1][0]:
                kept.append(point)
    if kept[-1] != points[-1]:
        kept.append(points[-1])
    return kept
