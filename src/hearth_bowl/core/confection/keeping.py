"""How long a confection keeps: each part by itself, the shortest decides, with its reason."""

from collections.abc import Sequence
from dataclasses import asdict, dataclass

from hearth_bowl.core.assess.assess import Assessment, assess
from hearth_bowl.core.confection.declared import part_words
from hearth_bowl.core.confection.laid import Given
from hearth_bowl.core.keep.keeping import Keeping, dry_keeping, shortest


@dataclass(frozen=True, slots=True, kw_only=True)
class PieceKeeping(Keeping):
    """A cautious guide for home use, never a certificate: of the piece, with the part that decides."""

    part: str


def assessed(one: Given) -> Assessment:
    """Return the assessment of what a part is of, as it is eaten."""
    return assess(one.stuff.recipe, eaten=one.stuff.eaten)


def piece_keeping(given: Sequence[Given], found: Sequence[Assessment]) -> PieceKeeping:
    """Return how long a piece keeps: the shortest of its parts, in the coldest place that one of them asks for."""
    return shortest(
        [
            PieceKeeping(
                part=part_words(one), **asdict(dry_keeping(one.stuff.recipe) if one.stuff.is_dry else row.keeping)
            )
            for one, row in zip(given, found, strict=True)
        ]
    )
