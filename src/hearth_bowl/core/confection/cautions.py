"""What can hurt, and what parts do to each other: told of a confection in whole."""

from collections.abc import Sequence
from itertools import pairwise
from typing import Final

from hearth_bowl.core.assess.assess import Assessment
from hearth_bowl.core.confection.confection import Confection, Extra
from hearth_bowl.core.confection.laid import Ball, Block, Given
from hearth_bowl.core.fit.vessel import Mould
from hearth_bowl.core.keep.cautions import CHOKING, Caution, alcohol_words
from hearth_bowl.core.keep.texture import softens

THIN_WALL_MM: Final = 2.0  # a judgement
SEEPS_PCT: Final = 3.0
"""A filling with so much alcohol by mass finds its way through a wall thinner than that. A judgement."""
WET_FROM: Final = 0.95
"""Plain chocolate beside a part as wet as that, which no ganache is, softens and blooms; so it does beside fruit.
A judgement."""
CHOKING_BELOW_MM: Final = 45.0
"""A round or hard piece narrower than a small child's throat is wide, with room to spare. A judgement."""
SEALED: Final = frozenset({"mould", "ball"})


def confection_cautions(
    confection: Confection,
    given: Sequence[Given],
    found: Sequence[Assessment],
    alcohol_each_g: float,
    outside: Ball | Block | None,
) -> tuple[Caution, ...]:
    """Return every caution of a confection, what can hurt first; of its masses in the words of `what_can_hurt`."""
    told = [caution for row in found for caution in row.warnings]
    first = {caution.code: caution for caution in reversed(told)}
    cautions: list[Caution] = [first[code] for code in ("raw-egg", "egg-cooked") if code in first]
    if "contains-alcohol" in first:
        cautions.append(
            Caution(
                code="alcohol",
                message=alcohol_words(f"⟦{alcohol_each_g:.2f} g⟧ a piece as weighed"),
                label=first["contains-alcohol"].label,
            )
        )
    cautions += _thin_shell(given, found)
    cautions += [first[code] for code in ("honey-infants", "gelatine") if code in first]
    is_small_ball = isinstance(outside, Ball) and outside.diameter_mm < CHOKING_BELOW_MM
    if "choking" in first or is_small_ball:
        cautions.append(CHOKING)
    cautions += [first[code] for code in ("soft-cheese",) if code in first]
    cautions += list(dict.fromkeys(caution for caution in told if caution.code == "strong-flavour"))
    cautions += _neighbours(given, found)
    cautions += _sealed(confection, given)
    if any(one.stuff.recipe.family == "dry-mix" for one in given):
        cautions.append(
            Caution(
                code="hot-milk",
                message="Milk that melts it open is near boiling: no child pours it, and it is stirred before a sip.",
            )
        )
    cautions += _not_eaten(confection.extras)
    return tuple(cautions)


def _thin_shell(given: Sequence[Given], found: Sequence[Assessment]) -> list[Caution]:
    walls = [one for one in given if one.part.role == "shell"]
    thin = [one for one in walls if one.part.wall_mm is not None and one.part.wall_mm < THIN_WALL_MM]
    strong = [
        one
        for one, row in zip(given, found, strict=True)
        if one.part.role == "filling" and row.alcohol_pct >= SEEPS_PCT
    ]
    if not thin or not strong:
        return []
    message = (
        f"{strong[0].stuff.name} is strong, and a wall of ⟦{thin[0].part.wall_mm:g} mm⟧ is thin for it: alcohol seeps "
        f"through. Take ⟦{THIN_WALL_MM:g} mm⟧ or more, and a second coat at the rim."
    )
    return [Caution(code="alcohol-thin-shell", message=message)]


def _is_crisp(one: Given, water_activity: float) -> bool:
    return one.stuff.is_bought and any(softens(line.ingredient, water_activity) for line in one.stuff.recipe.lines)


def _high(one: Given, row: Assessment) -> float:
    return 0.0 if one.stuff.is_dry else row.water_activity.high or 0.0


def _is_juicy(one: Given, row: Assessment) -> bool:
    is_fruit = one.stuff.is_bought and any(line.ingredient.kind == "fruit" for line in one.stuff.recipe.lines)
    return is_fruit or (0.0 if one.stuff.is_dry else row.water_activity.estimate or 0.0) >= WET_FROM


def _neighbours(given: Sequence[Given], found: Sequence[Assessment]) -> list[Caution]:
    """Return what parts that touch do to each other: crisp beside wet, plain chocolate beside water."""
    cautions = {}
    eaten = [(one, row) for one, row in zip(given, found, strict=True) if one.part.role != "shell"]
    for (one, row), (other, beside) in pairwise(eaten):
        for crisp, wet, of_wet in ((one, other, beside), (other, one, row)):
            if _is_crisp(crisp, _high(wet, of_wet)):
                cautions["crisp-beside-wet"] = (
                    f"{crisp.stuff.name} beside {wet.stuff.name}: the crunch goes, of crumbs in a day or two, of nuts "
                    "in days. A film of cocoa butter or chocolate holds it off, or put it on late."
                )
    chocolate = [one for one, _ in eaten if one.stuff.is_chocolate]
    shells = [one for one in given if one.part.role == "shell" and one.stuff.is_chocolate]
    for one, row in eaten:
        if not one.stuff.is_chocolate and _is_juicy(one, row) and (chocolate or shells):
            cautions["water-beside-chocolate"] = (
                f"{one.stuff.name} is wet: the chocolate beside it softens and blooms in days. Keep it cold, and "
                "eat it soon."
            )
    return [Caution(code=code, message=message) for code, message in cautions.items()]


def _sealed(confection: Confection, given: Sequence[Given]) -> list[Caution]:
    """Return the caution of fresh cream, milk or cheese behind a seal: nobody sees it spoil."""
    closed = any(one.part.role == "coat" for one in given) or (
        isinstance(confection.form.vessel, Mould) and any(one.part.role == "shell" for one in given)
    )
    fresh = [
        one.stuff.name
        for one in given
        if one.part.role in ("filling", "centre", "layer")
        and any(
            "milk" in line.ingredient.allergens and line.ingredient.composition_pct["water"] >= 50
            for line, _ in one.stuff.recipe.weighed
        )
    ]
    if not closed or not fresh:
        return []
    message = (
        f"{fresh[0]} holds fresh cream or milk. Spoilage inside a sealed shell is invisible: keep it cold, and eat it "
        "by its date."
    )
    return [Caution(code="fresh-cream-sealed", message=message)]


def _not_eaten(extras: Sequence[Extra]) -> list[Caution]:
    if not extras:
        return []
    named = ", ".join(extra.name for extra in extras)
    words = f"Not for eating: {named}. Take it off before a child gets it."
    return [Caution(code="not-for-eating", message=words, label=words)]
