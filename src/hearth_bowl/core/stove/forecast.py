"""The forecast of a temperature: how long until a target, from the readings of the last minutes, with its band.

A rising pan is followed by a curve (weighted least squares, bent no more than the readings show). A boil loses water
evenly, and how its temperature goes with its water is known from its composition: so the water is followed. Cooling
goes by Newton's law towards the air. The pan carries over: what it and the probe still have in them.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from math import log, sqrt
from typing import Final, Literal

import numpy as np

from hearth_bowl.core.stove.heating import BOILING_BAND, SURE_ABOVE_C, Heating, ahead

FloatArray = np.ndarray[tuple[int, ...], np.dtype[np.float64]]
WINDOW_S: Final = 120.0  # a judgement
SPARSE_WINDOW_S: Final = 900.0
"""Readings by hand come seldom: then the last five count, from so far back. A judgement."""
MEMORY_S: Final = 45.0
"""Weights of the readings fall by e in that time: what happens now counts. A judgement."""
LEAST_SPAN_S: Final = 12.0  # a judgement
GAP_S: Final = 12.0  # a judgement
GAP_TIMES: Final = 6.0
"""A silence so long, and so many times longer than the usual, breaks the course. Judged."""
LEAST_READINGS: Final = 5  # a judgement
PROBE_C: Final = 0.15
"""The least scatter of a reading that is believed. A judgement."""
FARTHEST_S: Final = 4 * 3600.0  # a judgement
CARRY_S: Final = 12.0
"""A pan off the ring and the probe's own lag carry on for about so long at the last rate: judged, ±50 %."""
BOILS_ABOVE_C: Final = 0.8
"""So far above its first boiling point a mass is surely boiling. A judgement."""
NEAR_BOIL_K: Final = 0.7
"""So near its boiling point steam holds it back: it boils any moment. A judgement."""
FLAT_C_PER_S: Final = 0.0015  # a judgement
LEAST_ABOVE_AIR_C: Final = 1.0
"""A reading nearer to the air than this says nothing of how it cools. A judgement."""
BEND_RIDGE: Final = 40.0
"""How much the readings must insist before the curve is bent: half a degree over the memory counts as one reading.
A judgement."""


Phase = Literal["", "to-boil", "boil"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Forecast:
    """The temperature now, smoothed; its rate; what is carried over; and the time until the pull, with its band.

    `in_s` None: not on this course. `due`: it is time. True °C. On the way to a boil, `phase` "to-boil", the time is
    that until it boils, and of its end there is a band alone.
    """

    now_c: float
    rate_c_per_min: float
    carry_c: float
    in_s: float | None
    low_s: float | None
    high_s: float | None
    due: bool
    curve: tuple[tuple[float, float], ...] = ()
    phase: Phase = ""
    end_low_s: float | None = None
    end_high_s: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class _Fit:
    level: float
    rate: float
    bend: float
    rate_error: float
    level_error: float


def forecast(
    readings: Sequence[tuple[float, float]],
    target_c: float,
    *,
    cooling: bool = False,
    ambient_c: float = 20.0,
    carry_s: float = CARRY_S,
    boil_curve: Sequence[tuple[float, float]] = (),
    heating: Heating | None = None,
) -> Forecast | None:
    """Return the forecast for a target from (time [s], temperature [°C]) in rising time; None with too little to say.

    :param cooling: towards the air; else rising, and the pull comes before the target by what carries over.
    :param boil_curve: of a boil, (°C, water left [g]) with rising temperature; used once it boils.
    :param heating: of a boil, how it heats on the way there; without it the way is not told apart.
    """
    recent = _recent(readings)
    if recent is None:
        return None
    fit = _fitted(recent)
    carry_c = 0.0 if cooling else max(0.0, fit.rate) * carry_s
    goal = target_c - carry_c
    reached = fit.level <= target_c if cooling else fit.level >= goal
    boils = bool(boil_curve) and fit.level > boil_curve[0][0] + BOILS_ABOVE_C
    if heating is not None and boil_curve and not reached and not boils:
        return _to_boil(fit, heating, carry_c)
    if reached:
        times: tuple[float, float, float] | None = (0.0, 0.0, 0.0)
    elif boils:
        times = _by_water(recent, goal, boil_curve)
    elif cooling:
        times = _by_newton(recent, fit, goal, ambient_c)
    else:
        times = _times(fit, goal)
    curve = () if reached or times is None else _curve(fit, times[0], goal, cooling=cooling, ambient_c=ambient_c)
    return Forecast(
        now_c=fit.level,
        rate_c_per_min=60 * fit.rate,
        carry_c=carry_c,
        in_s=None if times is None else times[0],
        low_s=None if times is None else times[1],
        high_s=None if times is None else times[2],
        due=reached,
        curve=curve,
        phase="boil" if boils else "",
    )


def carried_on(found: Forecast, age_s: float) -> Forecast:
    """Return a forecast as it stands so long after its last reading [s]: what was to come is nearer, or is due."""

    def left(value: float | None) -> float | None:
        return None if value is None else max(0.0, value - age_s)

    in_s = left(found.in_s)
    return replace(
        found,
        in_s=in_s,
        low_s=left(found.low_s),
        high_s=left(found.high_s),
        end_low_s=left(found.end_low_s),
        end_high_s=left(found.end_high_s),
        due=found.due or (in_s == 0.0 and found.phase != "to-boil"),
        curve=tuple((s - age_s, c) for s, c in found.curve if s >= age_s),
    )


def _to_boil(fit: _Fit, heating: Heating, carry_c: float) -> Forecast:
    """Return the forecast of a pan on its way to the boil: when it boils, and between what its end lies."""
    near = fit.level > heating.boils_c - NEAR_BOIL_K
    found = ahead(heating, fit.level, fit.rate) if fit.level >= SURE_ABOVE_C and not near else None
    low_s, in_s, high_s = (0.0, 0.0, 0.0) if near else found.boil_s if found is not None else (None, None, None)
    return Forecast(
        now_c=fit.level,
        rate_c_per_min=60 * fit.rate,
        carry_c=carry_c,
        in_s=in_s,
        low_s=low_s,
        high_s=high_s,
        due=False,
        curve=((0.0, fit.level), (in_s, heating.boils_c)) if in_s else (),
        phase="to-boil",
        end_low_s=None if found is None else found.end_s[0],
        end_high_s=None if found is None else found.end_s[2],
    )


def _recent(readings: Sequence[tuple[float, float]]) -> Sequence[tuple[float, float]] | None:
    if not readings:
        return None
    readings = _since_the_last_gap(readings)
    last = readings[-1][0]
    recent = [reading for reading in readings if reading[0] >= last - WINDOW_S]
    if len(recent) < LEAST_READINGS:
        recent = [reading for reading in readings[-LEAST_READINGS:] if reading[0] >= last - SPARSE_WINDOW_S]
    if len(recent) < LEAST_READINGS or last - recent[0][0] < LEAST_SPAN_S:
        return None
    return recent


def _since_the_last_gap(readings: Sequence[tuple[float, float]]) -> Sequence[tuple[float, float]]:
    """Return the readings since the thermometer was last silent: what was before says nothing of how it goes now."""
    times = [s for s, _ in readings]
    gaps = sorted(after - before for before, after in pairwise(times))
    if not gaps:
        return readings
    longest = max(GAP_S, GAP_TIMES * gaps[len(gaps) // 2])
    start = max((i for i in range(1, len(times)) if times[i] - times[i - 1] > longest), default=0)
    return readings[start:]


def _fitted(recent: Sequence[tuple[float, float]]) -> _Fit:
    """Return level, rate and bend now: least squares with fading weights; the bend is held down by a ridge."""
    table = np.array(recent)
    u = table[:, 0] - table[-1, 0]
    memory_s = _memory_s(u)
    weights = np.exp(u / memory_s)
    columns = np.stack([np.ones_like(u), u, u * u], axis=1)
    normal = columns.T @ (columns * weights[:, None])
    normal[2, 2] += BEND_RIDGE * memory_s**4
    answer = np.linalg.solve(normal, columns.T @ (weights * table[:, 1]))
    left = table[:, 1] - columns @ answer
    scatter = max(PROBE_C, sqrt(float(weights @ left**2 / weights.sum())))
    spread = np.linalg.inv(normal) * scatter**2
    return _Fit(
        level=float(answer[0]),
        rate=float(answer[1]),
        bend=float(answer[2]),
        rate_error=sqrt(float(spread[1, 1])),
        level_error=sqrt(float(spread[0, 0])),
    )


def _memory_s(u: FloatArray) -> float:
    """Return how long readings count: longer where they come seldom."""
    return MEMORY_S * max(1.0, float(-u[0]) / WINDOW_S)


def _times(fit: _Fit, goal: float) -> tuple[float, float, float] | None:
    """Return the time until the goal, and its band: the rate two of its errors faster and slower, at least ±10 %."""
    middle = _time(fit, goal, fit.rate)
    if middle is None:
        return None
    fast = _time(fit, goal, fit.rate + 2 * fit.rate_error)
    slow = _time(fit, goal, fit.rate - 2 * fit.rate_error)
    low = min(0.9 * middle, fast if fast is not None else middle)
    high = max(1.1 * middle, slow if slow is not None else 2 * middle)
    return middle, max(0.0, low), high


def _line(u: FloatArray, values: FloatArray, weights: FloatArray) -> tuple[float, float, float]:
    """Return a weighted straight line's value at 0, its slope, and the slope's error for a scatter of 1."""
    columns = np.stack([np.ones_like(u), u], axis=1)
    normal = columns.T @ (columns * weights[:, None])
    level, slope = np.linalg.solve(normal, columns.T @ (weights * values))
    return float(level), float(slope), sqrt(float(np.linalg.inv(normal)[1, 1]))


def _by_newton(
    recent: Sequence[tuple[float, float]], fit: _Fit, goal: float, ambient_c: float
) -> tuple[float, float, float] | None:
    """Return the time until the goal and its band by Newton's law: a straight line through ln(temperature - air)."""
    above = [(t, c - ambient_c) for t, c in recent if c - ambient_c > LEAST_ABOVE_AIR_C]
    if len(above) < LEAST_READINGS or goal <= ambient_c or fit.level <= ambient_c or fit.rate >= -FLAT_C_PER_S:
        return None
    table = np.array(above)
    u = table[:, 0] - table[-1, 0]
    fading = np.exp(u / _memory_s(u))
    # A logarithm scatters the more the nearer to the air: each reading weighs by its square above it.
    level, slope, unit_error = _line(u, np.log(table[:, 1]), fading * table[:, 1] ** 2)
    left = table[:, 1] - np.exp(level + slope * u)
    error = unit_error * max(PROBE_C, sqrt(float(fading @ left**2 / fading.sum())))
    return _evenly(level - log(goal - ambient_c), -slope, error)


def _by_water(
    recent: Sequence[tuple[float, float]], goal: float, boil_curve: Sequence[tuple[float, float]]
) -> tuple[float, float, float] | None:
    """Return the time until the goal and its band, from how fast water leaves: a straight line through the water."""
    table, known = np.array(recent), np.array(boil_curve)
    water = np.interp(table[:, 1], known[:, 0], known[:, 1])
    u = table[:, 0] - table[-1, 0]
    weights = np.exp(u / _memory_s(u))
    left, rate, unit_error = _line(u, water, weights)
    error = unit_error * sqrt(float(weights @ (water - left - rate * u) ** 2 / weights.sum()))
    to_lose = left - float(np.interp(goal, known[:, 0], known[:, 1]))
    return _evenly(to_lose, -rate, error, BOILING_BAND[0], BOILING_BAND[1])


def _evenly(
    way: float, per_s: float, error: float, least: float = 0.9, most: float = 1.1
) -> tuple[float, float, float] | None:
    """Return the time of a way gone evenly, and its band: two errors of the pace, at least `least` to `most`."""
    if per_s <= 0 or way <= 0 or way / per_s > FARTHEST_S:
        return None
    middle = way / per_s
    slower = max(per_s - 2 * error, 0.3 * per_s)
    return middle, min(least * middle, way / (per_s + 2 * error)), max(most * middle, way / slower)


def _time(fit: _Fit, goal: float, rate: float) -> float | None:
    if rate <= FLAT_C_PER_S:
        return None
    gap = goal - fit.level
    inside = rate**2 + 4 * fit.bend * gap
    if abs(fit.bend) < 1e-9:
        found = gap / rate
    elif inside < 0:
        return None
    else:
        found = 2 * gap / (rate + sqrt(inside))
    return found if 0 <= found <= FARTHEST_S else None


def _curve(
    fit: _Fit, until_s: float, goal: float, *, cooling: bool, ambient_c: float
) -> tuple[tuple[float, float], ...]:
    """Return the dotted continuation: (s from now, °C)."""
    points = []
    for step in range(13):
        share = step / 12
        s = until_s * share
        if cooling:
            left = (goal - ambient_c) / (fit.level - ambient_c)
            points.append((s, ambient_c + (fit.level - ambient_c) * left**share))
        else:
            points.append((s, fit.level + fit.rate * s + fit.bend * s * s))
    return tuple(points)
