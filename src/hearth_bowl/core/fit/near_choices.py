"""Near choices: whole packs, whole eggs and whole moulds, with what they do to thickness or count."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import ceil, floor
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import Ask, Fit, fit
from hearth_bowl.core.fit.ask import CakeAsk, CupAsk, MouldAsk, PanAsk
from hearth_bowl.core.fit.moulded import in_halves
from hearth_bowl.core.fit.vessel import Cup, Mould, Vessel
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.ingredients.packs import usual_pack_g
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.recipe.recipe import Recipe

NEAR: Final = 0.5
"""A choice is near when the batch changes by less than half. A judgement."""
MOST_CHOICES: Final = 6  # a limit, by definition
SAME: Final = 0.005  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class NearChoice:
    """A batch near the asked one: what it takes whole, its mass, and the fit that it gives."""

    says: str
    batch_g: float
    change: float
    fit: Fit


def near_choices(
    recipe: Recipe,
    vessel: Vessel,
    ask: Ask,
    found: Fit,
    larder_pack_g: Mapping[str, float],
    finished: Mixture | None = None,
) -> tuple[NearChoice, ...]:
    """Return whole packs, eggs and moulds near a fit, the nearest first.

    :param larder_pack_g: the person's own packs by ingredient label; else the usual tin, bar or egg counts.
    """

    def by_mass(batch_g: float) -> Ask:
        """A slab keeps its number of pieces: the same cut of a thicker or thinner one."""
        if isinstance(ask, PanAsk):
            return replace(ask, mass_g=batch_g, thickness_mm=None)
        asked = replace(ask, mass_g=batch_g)
        return asked if isinstance(asked, CakeAsk) else replace(asked, pieces=None, spares=0)

    choices = []
    for line, grams in zip(recipe.lines, found.amounts_g, strict=True):
        for unit, pack_g in _packs(recipe, line.ingredient.label, larder_pack_g):
            for count in {floor(grams / pack_g + FLOOR_GUARD), ceil(grams / pack_g - FLOOR_GUARD)}:
                if not count or not grams:
                    continue
                batch_g = found.batch_g * count * pack_g / grams
                says = f"{count} {_plural(unit, count)} of {line.ingredient.name}, ⟦{count * pack_g:g} g⟧"
                choices.append((says, batch_g, by_mass(batch_g)))
    choices += _whole_moulds(vessel, ask, found)
    near = []
    for says, batch_g, asked in choices:
        change = batch_g / found.batch_g - 1
        if not SAME < abs(change) < NEAR:
            continue
        try:
            near.append(NearChoice(says=says, batch_g=batch_g, change=change, fit=fit(recipe, vessel, asked, finished)))
        except BadInput:
            continue
    near.sort(key=lambda choice: abs(choice.change))
    return tuple(near[:MOST_CHOICES])


def _packs(recipe: Recipe, label: str, larder_pack_g: Mapping[str, float]) -> list[tuple[str, float]]:
    line = next(line for line in recipe.lines if line.ingredient.label == label)
    ingredient = line.ingredient
    found = []
    for unit in ("tin", "piece"):
        size = usual_pack_g(ingredient.key, ingredient.kind, unit, line.measure)
        if size is not None:
            found.append((unit, size))
    if label in larder_pack_g:
        found.append(("pack", larder_pack_g[label]))
    elif not found:
        bar = usual_pack_g(ingredient.key, ingredient.kind, "bar", line.measure)
        found += [("bar", bar)] if bar else []
    if any(unit == "tin" for unit, _ in found):
        found = [(unit, size) for unit, size in found if unit != "pack"]
    return found


def _plural(unit: str, count: int) -> str:
    return unit if count == 1 else f"{unit}s"


def _whole_moulds(vessel: Vessel, ask: Ask, found: Fit) -> list[tuple[str, float, Ask]]:
    if not isinstance(vessel, Mould | Cup) or not isinstance(ask, MouldAsk | CupAsk) or not found.pieces:
        return []
    cavities = vessel.cavities if isinstance(vessel, Mould) else vessel.count
    per_piece = 2 if in_halves(ask) else 1
    used = found.pieces * per_piece
    choices: list[tuple[str, float, Ask]] = []
    for moulds in {used // cavities, ceil(used / cavities)}:
        pieces = moulds * cavities // per_piece
        if pieces:
            says = f"{moulds} whole {_plural('mould', moulds)}, {pieces} pieces"
            batch_g = found.batch_g * pieces / found.pieces
            choices.append((says, batch_g, replace(ask, mass_g=None, pieces=pieces, spares=0)))
    return choices
