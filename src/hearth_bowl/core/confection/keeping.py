"""How long a confection keeps: each part by itself, the shortest decides, with its reason."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.assess.assess import Assessment, assess
from hearth_bowl.core.confection.declared import part_words
from hearth_bowl.core.confection.laid import Given
from hearth_bowl.core.keep.keeping import Keeping


@dataclass(frozen=True, slots=True, kw_only=True)
class PieceKeeping:
    """A cautious guide for home use, never a certificate: of the piece, and the part that decides."""

    where: str
    days_low: int
    days_high: int
    because: str
    part: str


DRY: Final = Keeping(where="room", days_low=30, days_high=60, because="bought dry: it turns stale first")
"""Nuts, powders and chocolate as they are bought: a judgement, as for the driest masses."""


def assessed(one: Given) -> Assessment:
    """Return the assessment of what a part is of, as it is eaten."""
    return assess(one.stuff.recipe, eaten=one.stuff.eaten)


def piece_keeping(given: Sequence[Given], found: Sequence[Assessment]) -> PieceKeeping:
    """Return how long a piece keeps: the shortest of its parts."""
    rows: list[tuple[Given, Keeping]] = [
        (one, DRY if one.stuff.is_dry else row.keeping) for one, row in zip(given, found, strict=True)
    ]
    one, shortest = min(rows, key=lambda row: (row[1].days_high, row[1].days_low))
    return PieceKeeping(
        where=shortest.where,
        days_low=shortest.days_low,
        days_high=shortest.days_high,
        because=shortest.because,
        part=part_words(one),
    )
