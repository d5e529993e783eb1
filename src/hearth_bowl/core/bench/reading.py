"""A reading: a title, a figure with its band, a reason in the cook's words, an offer, and how it was worked out."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.bench.offers import Offer
from hearth_bowl.core.bench.why import Why

ATTEND: Final = "attend"
LOOK: Final = "look"
QUIET: Final = "quiet"
STATES: Final = (ATTEND, LOOK, QUIET)
"""From what needs attention to what is fine."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Gauge:
    """A value on its scale with its band and the stretch that is good for this use (None: no such stretch)."""

    value: float
    low: float
    high: float
    scale_low: float
    scale_high: float
    good_low: float | None = None
    good_high: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Reading:
    """One reading, in the cook's words first. `state` is attend, look or quiet."""

    code: str
    title: str
    shown: str
    unit: str
    words: str
    state: str
    gauge: Gauge | None = None
    offer: Offer | None = None
    why: Why | None = None
