"""What a log teaches: the factor or offset of a kitchen on what the book predicts, with the band of what comes next.

A normal prior on the logarithm (for factors) or on the offset itself: the book. Each entry updates it (conjugate), by
feel counting less than by instrument and old less than new; gross outliers are weighed down (Huber's reweighting on
scaled residuals, P. J. Huber, 1964, with a redescending tail), and the noise of this kitchen is learned beside.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import log, sqrt
from typing import Final, Literal

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.learn.quantities import Z_80, Quantity, quantity_of

FEEL: Final = 1.6
"""By feel an observation lies so many times farther off than by instrument. A judgement."""
HALF_AGE_DAYS: Final = 540.0
"""What is so old counts half. A judgement."""
ROUNDS: Final = 12  # numerical, by definition
NEAR: Final = 1.5
"""Residuals up to so many standard deviations count in full. A judgement."""
GROSS: Final = 3.0
"""From here on an entry is left out: it tells of something else. A judgement."""
NOISE_KNOWN: Final = 4.0
"""The usual noise counts as so many entries when this kitchen's own is learned. A judgement."""
MOST_FACTOR: Final = 20.0
"""An observation farther from its prediction is a slip of the pen. A judgement."""
WIDER: Final = 1.5
"""Bands are so much wider, for outliers come again: 80 % of the next observations lie within, gross ones counted.
A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Entry:
    """One observation beside its prediction (minutes, seconds, grams, index or °C), how long ago, and by what."""

    what: str
    predicted: float
    observed: float
    age_days: float = 0.0
    by: Literal["instrument", "feel"] = "instrument"


@dataclass(frozen=True, slots=True, kw_only=True)
class Correction:
    """What was learned: the factor on (or offset to) a prediction, the 80 % band of the next observation, and of how
    many entries; `left_out` of them told of something else."""

    what: str
    kind: Literal["factor", "offset"]
    value: float
    low: float
    high: float
    entries: int
    left_out: int

    @property
    def counted(self) -> int:
        """Return the entries that count: those that were left out told of something else."""
        return self.entries - self.left_out


def learn(entries: Sequence[Entry]) -> tuple[Correction, ...]:
    """Return what a log teaches, for each quantity in the order in which it is first named.

    :raises BadInput: below `entries`: an unknown quantity, or a figure that is none.
    """
    rows: dict[str, list[Entry]] = {}
    for position, entry in enumerate(entries):
        try:
            _check(entry)
        except BadInput as problem:
            raise problem.under("entries", position) from None
        rows.setdefault(entry.what, []).append(entry)
    return tuple(correction_of(what, found) for what, found in rows.items())


def correction_of(what: str, entries: Sequence[Entry]) -> Correction:
    """Return what is learned of one quantity; without entries the book's answer, factor 1 or offset 0, and its band.

    :raises BadInput: at `what`.
    """
    quantity = quantity_of(what)
    if not entries:
        value = quantity.taken(0.0)
        return Correction(
            what=what, kind=quantity.kind, value=value, low=quantity.low, high=quantity.high, entries=0, left_out=0
        )
    seen = [_seen(entry, quantity) for entry in entries]
    counts = [
        0.5 ** (max(0.0, entry.age_days) / HALF_AGE_DAYS) / (FEEL**2 if entry.by == "feel" else 1.0)
        for entry in entries
    ]
    middle, noise = _median(seen) * len(seen) / (len(seen) + 1), quantity.noise
    weights = counts
    for _ in range(ROUNDS):
        weights = [count * _weight((value - middle) / noise) for value, count in zip(seen, counts, strict=True)]
        held = sum(weights) / noise**2
        middle = (
            sum(w * value for w, value in zip(weights, seen, strict=True)) / noise**2 / (held + quantity.spread**-2)
        )
        squares = sum(w * (value - middle) ** 2 for w, value in zip(weights, seen, strict=True))
        noise = sqrt((NOISE_KNOWN * quantity.noise**2 + squares) / (NOISE_KNOWN + sum(weights)))
    held = sum(weights) / noise**2 + quantity.spread**-2
    half = WIDER * Z_80 * sqrt(1 / held + noise**2)
    return Correction(
        what=what,
        kind=quantity.kind,
        value=quantity.taken(middle),
        low=quantity.taken(middle - half),
        high=quantity.taken(middle + half),
        entries=len(entries),
        left_out=sum(abs(value - middle) / noise >= GROSS for value in seen),
    )


def _seen(entry: Entry, quantity: Quantity) -> float:
    if quantity.kind == "offset":
        return entry.observed - entry.predicted
    return log(entry.observed / entry.predicted)


def _weight(scaled: float) -> float:
    """Return how much an entry counts by its scaled residual: in full when near, less and less, then not at all."""
    far = abs(scaled)
    if far <= NEAR:
        return 1.0
    return max(0.0, NEAR / far * (GROSS - far) / (GROSS - NEAR))


def _median(values: Sequence[float]) -> float:
    ordered = sorted(values)
    half = len(ordered) // 2
    return ordered[half] if len(ordered) % 2 else (ordered[half - 1] + ordered[half]) / 2


def _check(entry: Entry) -> None:
    quantity = quantity_of(entry.what)
    if quantity.kind == "offset":
        for name in ("predicted", "observed"):
            check_number((name,), getattr(entry, name), -500, 500)
        return
    for name in ("predicted", "observed"):
        check_number((name,), getattr(entry, name), 0, 1e7, above=True)
    ratio = entry.observed / entry.predicted
    if not 1 / MOST_FACTOR <= ratio <= MOST_FACTOR:
        message = f"{ratio:.3g} times what was predicted"
        raise BadInput(("observed",), message, f"{1 / MOST_FACTOR:g} to {MOST_FACTOR:g} times", "out-of-range")
