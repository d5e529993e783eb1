"""Slide: move the chocolate, or what it is measured against, to a ratio; pinned amounts stay."""

from dataclasses import dataclass

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.mixture import Mixture, mix_lines
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS, main_liquid
from hearth_bowl.core.recipe.recipe import Recipe


@dataclass(frozen=True, slots=True, kw_only=True)
class Slide:
    """Which side of a recipe's ratio can move.

    `moving` are the positions that do, None of them when both sides are pinned; `side` is "chocolate" or "liquid".
    """

    liquid: str
    side: str
    moving: tuple[int, ...]
    pinned: tuple[str, ...]
    held_same_side_g: float
    moving_g: float
    other_side_g: float

    def moved_g(self, ratio: float) -> float:
        """Return the grams that the moving lines have together at a ratio.

        :raises BadInput: at `ratio`, naming the pins in the way, with the ratio they allow.
        """
        if not self.moving:
            raise BadInput(
                ("ratio",), "everything on both sides is pinned: " + ", ".join(self.pinned), "unpin an amount", "pinned"
            )
        if ratio <= 0:
            raise BadInput(("ratio",), f"{ratio:g} to 1", "a ratio above 0", "out-of-range")
        total_g = self.other_side_g * ratio if self.side == "chocolate" else self.other_side_g / ratio
        moved_g = total_g - self.held_same_side_g
        if moved_g < 0:
            limit = self.limit
            bound = "at least" if self.side == "chocolate" else "at most"
            raise BadInput(
                ("ratio",), "pinned " + ", ".join(self.pinned) + " is in the way", f"{bound} {limit:.3g} to 1", "pinned"
            )
        return moved_g

    @property
    def limit(self) -> float:
        """Return the ratio at which the moving lines are used up."""
        if self.side == "chocolate":
            return self.held_same_side_g / self.other_side_g
        return self.other_side_g / self.held_same_side_g if self.held_same_side_g else float("inf")


def slide_of(recipe: Recipe) -> Slide | None:
    """Return what can slide in a recipe, or None where it has no ratio.

    The chocolate moves, unless all of it is pinned; then the cream, condensed milk or butter does.
    """
    liquid = main_liquid(recipe)
    if liquid is None:
        return None
    chocolate = _positions(recipe, CHOCOLATE_KINDS)
    liquids = _positions(recipe, frozenset({liquid}))
    free = [p for p in chocolate if not recipe.lines[p].pinned]
    side, same, other = ("chocolate", chocolate, liquids)
    if not free:
        free = [p for p in liquids if not recipe.lines[p].pinned]
        side, same, other = ("liquid", liquids, chocolate)
    held = [p for p in same if p not in free]
    pins = [p for p in (*chocolate, *liquids) if recipe.lines[p].pinned]
    return Slide(
        liquid=liquid,
        side=side,
        moving=tuple(free),
        pinned=tuple(recipe.lines[p].ingredient.name for p in pins),
        held_same_side_g=sum(recipe.amounts_g[p] for p in held),
        moving_g=sum(recipe.amounts_g[p] for p in free),
        other_side_g=sum(recipe.amounts_g[p] for p in other),
    )


def _positions(recipe: Recipe, kinds: frozenset[str]) -> list[int]:
    return [
        position
        for position, line in enumerate(recipe.lines)
        if line.ingredient.kind in kinds and recipe.amounts_g[position] > 0
    ]


def slide_to(recipe: Recipe, ratio: float) -> Recipe:
    """Return the recipe at another ratio: only what is free to move has moved, in proportion.

    :raises BadInput: at `ratio`: no ratio to move, pins in the way.
    """
    slide = slide_of(recipe)
    if slide is None:
        raise BadInput(("ratio",), "there is no chocolate with cream, condensed milk or butter", "both in the bowl")
    factor = slide.moved_g(ratio) / slide.moving_g
    return recipe.with_amounts_g(
        [grams * factor if position in slide.moving else grams for position, grams in enumerate(recipe.amounts_g)]
    )


def slide_mixtures(recipe: Recipe, slide: Slide) -> tuple[Mixture, Mixture]:
    """Return what stays in the bowl, and what moves: mixing any share of the second is quick."""
    staying = [position for position in range(len(recipe.lines)) if position not in slide.moving]
    return mix_lines(recipe, staying), mix_lines(recipe, list(slide.moving))
