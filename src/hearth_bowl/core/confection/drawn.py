"""Finished piece as it is drawn: its parts between their levels, and what gives each of them its colour."""

from dataclasses import dataclass

from hearth_bowl.core.confection.work_out import Worked, WorkedPart
from hearth_bowl.core.ingredients.attributes import NUT_GROUPS
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.families import BROWNED
from hearth_bowl.core.recipe.recipe import Recipe


@dataclass(frozen=True, slots=True, kw_only=True)
class Tint:
    """Shares by weight of what colours a mix, 0 to 1, and whether its sugar is browned."""

    cocoa: float
    fruit: float
    nut: float
    browned: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class DrawnPart:
    """Part of a drawn piece: ml in it, thickness and levels [mm] where it has them."""

    role: str
    name: str
    tint: Tint
    each_ml: float
    mm: float | None
    from_mm: float | None
    to_mm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class DrawnPiece:
    """Finished piece as it is drawn: its number and weight [g], its outside and its parts in the order of making.

    `lower_half_only`: of two halves the lower one alone is filled. `sides_mm` is the width of a ball or the three sides
    of a block; None where the vessel gives the shape.
    """

    pieces: int
    piece_g: float
    halves: bool
    lower_half_only: bool
    sides_mm: tuple[float, ...] | None
    cap_mm: float
    parts: tuple[DrawnPart, ...]


def drawn_piece(worked: Worked) -> DrawnPiece:
    """Return the finished piece of a confection as it is drawn."""
    outside = worked.laid.outside
    return DrawnPiece(
        pieces=worked.pieces,
        piece_g=worked.piece_g,
        halves=worked.laid.halves is not None and worked.confection.form.halves,
        lower_half_only=worked.laid.lower_half_only,
        sides_mm=None if outside is None else outside.sides_mm,
        cap_mm=worked.laid.cap_mm or 0.0,
        parts=tuple(
            DrawnPart(
                role=part.part.role,
                name=part.name,
                tint=tint_of(part),
                each_ml=part.each_ml,
                mm=part.mm,
                from_mm=part.from_mm,
                to_mm=part.to_mm,
            )
            for part in worked.parts
        ),
    )


def tint_of(part: WorkedPart) -> Tint:
    """Return what colours a part, by the weight of what goes into it."""
    whole = sum(row.amount_g for row in part.weigh) or 1.0

    def share(grams: float) -> float:
        return min(1.0, grams / whole)

    return Tint(
        cocoa=share(sum(row.amount_g * row.ingredient.composition_pct["cocoa_nonfat"] / 100 for row in part.weigh)),
        fruit=share(sum(row.amount_g for row in part.weigh if row.ingredient.kind == "fruit")),
        nut=share(sum(row.amount_g for row in part.weigh if _is_nut(row.ingredient))),
        browned=isinstance(part.part.of, Recipe) and part.part.of.family in BROWNED,
    )


def _is_nut(ingredient: Ingredient) -> bool:
    return not ingredient.is_chocolate and not NUT_GROUPS.isdisjoint(ingredient.allergens)
