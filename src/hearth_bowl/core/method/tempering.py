"""Acts that bring chocolate to work, by school, with the grams to melt and to keep back; compound only melts.

Windows: section G of the handbook of this craft; how long it stays in temper: section L.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.tempering import WINDOWS, Window, temper, tempering_kind
from hearth_bowl.core.method.act import Act, After, Take
from hearth_bowl.core.method.hands import HANDS
from hearth_bowl.core.method.rows import POT

USED_WITHIN_MIN: Final = 10.0  # handbook, section L
IN_TEMPER_MIN: Final = 90.0
"""How long tempered chocolate is held, from its test to the start of its last use. Handbook, section L."""
USUAL_SEED_SHARE: Final = 0.25
"""Seed of a chocolate of which nothing can be worked out. A judgement."""
SMEAR_MIN: Final = 4.0  # a judgement
SILK_SHARE: Final = 0.01
"""Tempered cocoa butter that seeds chocolate. Common practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Melted:
    """A chocolate to bring to work: grams in all, and the share of them that is seed (None: no seed)."""

    ingredient: Ingredient
    g: float
    seed_share: float | None = None


def needs_tempering(chocolates: Sequence[Ingredient], school: str) -> bool:
    """Return whether one of the chocolates needs tempering, and the school tempers."""
    return school != "none" and any(WINDOWS[tempering_kind(one)].cool_to_c is not None for one in chocolates)


def seed_share(chocolate: Ingredient, school: str) -> float | None:
    """Return the share of a chocolate that is kept back as seed, by the heat balance; None without seed."""
    if school != "seed" or WINDOWS[tempering_kind(chocolate)].cool_to_c is None:
        return None
    try:
        found = temper(chocolate).seed
    except BadInput:
        return USUAL_SEED_SHARE
    return None if found is None else found.share_pct / 100


def chocolate_acts(
    melted: Sequence[Melted], school: str, suffix: str, of: tuple[str, ...], session: str = ""
) -> list[Act]:
    """Return the acts that melt chocolate and bring it to work. The last one is ready to be used.

    :param suffix: ends the ids of a second tempering and later ones.
    """
    lead = max(melted, key=lambda one: one.g)
    window = WINDOWS[tempering_kind(lead.ingredient)]
    names = " and ".join(one.ingredient.name.lower() for one in melted)
    total_g = sum(one.g for one in melted)
    tempered = needs_tempering([one.ingredient for one in melted], school)
    takes = tuple(
        Take(
            ingredient=one.ingredient,
            g=one.g,
            seed_g=None if one.seed_share is None or not tempered else one.seed_share * one.g,
        )
        for one in melted
    )
    back_g = sum(take.seed_g or 0.0 for take in takes)
    melt = Act(
        id=f"temper-melt{suffix}",
        kind="melt",
        of=of,
        title=f"Melt the {names}",
        do=_melting(total_g, back_g),
        cue="no lump, no grain",
        ask="Is everything that touches it dry?",
        why="Old crystals must all be gone; too hot and it scorches.",
        target_c=window.melt_c,
        ceiling_c=window.never_above_c,
        minutes=_minutes(total_g),
        uses=POT,
        takes=() if tempered else takes,
    )
    if not tempered:
        return _chain([melt, _compound(window, suffix, of)], session)
    return _chain([melt, *_to_work(window, school, suffix, of, back_g, takes), _smear(suffix, of)], session)


def _melting(total_g: float, back_g: float) -> str:
    if back_g <= 0:
        return f"Melt all ⟦{total_g:.0f} g⟧, stirring."
    return f"Melt ⟦{total_g - back_g:.0f} g⟧, stirring. Keep ⟦{back_g:.0f} g⟧ back as seed, chopped fine."


def _minutes(total_g: float) -> tuple[float, float, float]:
    usual = HANDS["melt"].begin_min + MELT_PER_KG_MIN * total_g / 1000
    return 0.6 * usual, usual, 1.6 * usual


MELT_PER_KG_MIN: Final = 4.0
"""More minutes for each kilogram of chocolate. A judgement."""


def _to_work(
    window: Window, school: str, suffix: str, of: tuple[str, ...], back_g: float, takes: tuple[Take, ...]
) -> list[Act]:
    ready = Act(
        id=f"temper-work{suffix}",
        kind="temper",
        of=of,
        title="Bring it to work",
        do="",
        cue="it thickens a little and shines",
        why="Good crystals bring in more of their kind; above the limit they melt and are lost.",
        target_c=window.work_c,
        minutes=(6.0, 8.0, 20.0),
        uses=POT,
        takes=takes,
    )
    if school == "machine":
        return [replace(ready, do="Let the machine bring it to work and hold it there.", hands=False)]
    if school == "seed":
        words = (
            f"Stir in two thirds of the ⟦{back_g:.0f} g⟧ seed, then the rest as needed. Fish out what will not melt."
        )
        return [replace(ready, title="Seed it", do=words)]
    if school == "cocoa-butter":
        grams = SILK_SHARE * sum(one.g for one in takes)
        return [replace(ready, title="Seed it", do=f"At ⟦34 °C⟧ stir in ⟦{grams:.0f} g⟧ of silk of cocoa butter.")]
    cool = replace(
        ready,
        id=f"temper-cool{suffix}",
        title="Cool it on the slab",
        do="Spread two thirds on the slab and gather it until it thickens. Return it to the rest.",
        cue="it thickens and dulls",
        why="Crystals form in the cool; warming to work melts the wrong ones again.",
        target_c=window.cool_to_c,
        takes=(),
    )
    warm = replace(
        ready,
        id=f"temper-warm{suffix}",
        title="Warm it to work",
        do="Warm it a second at a time, stirring.",
        why="Above the limit the seed is lost: melt it and start again.",
        ceiling_c=window.seed_lost_above_c,
        minutes=(1.0, 2.0, 5.0),
    )
    return [cool, warm]


def _compound(window: Window, suffix: str, of: tuple[str, ...]) -> Act:
    return Act(
        id=f"temper-work{suffix}",
        kind="hold",
        of=of,
        title="Keep it fluid",
        do="It needs no tempering: keep it fluid at its working temperature.",
        cue="it runs off the spoon in one ribbon",
        why="Compound sets by itself; its gloss is no proof of temper.",
        target_c=window.work_c,
        ceiling_c=window.never_above_c,
        minutes=(1.0, 2.0, 5.0),
        uses=POT,
    )


def _smear(suffix: str, of: tuple[str, ...]) -> Act:
    return Act(
        id=f"smear{suffix}",
        kind="temper",
        of=of,
        title="Test a smear",
        do="Spread a smear on paper at room temperature.",
        cue="it sets satin, with no streaks, and snaps",
        ask="Did the smear set clean?",
        why="Out of temper it sets dull and streaked, and sticks in a mould: test before you use it.",
        gate_min=SMEAR_MIN,
        minutes=(3.0, SMEAR_MIN, 6.0),
        uses=POT,
    )


def hold_act(id_: str, of: tuple[str, ...], chocolate: Ingredient) -> Act:
    """Return the act that keeps tempered chocolate at its working temperature between two uses."""
    window = WINDOWS[tempering_kind(chocolate)]
    return Act(
        id=id_,
        kind="hold",
        of=of,
        title="Hold the chocolate at work",
        do="Stir it and warm it by a degree every ten minutes.",
        cue="it flows as it did at its test",
        ask="Does a new smear still set clean?",
        why="Cooler it thickens; above its limit the seed is lost.",
        target_c=window.work_c,
        ceiling_c=window.seed_lost_above_c or window.never_above_c,
        minutes=(2.0, 4.0, 8.0),
        uses=POT,
    )


def _chain(acts: list[Act], session: str) -> list[Act]:
    found = [replace(acts[0], session=session)]
    for before, act in pairwise(acts):
        found.append(replace(act, session=session, after=(After(id=before.id, most_min=USED_WITHIN_MIN),)))
    return found
