"""Methods of caramel, fruit jelly, whipped syrups, curd and hard sugar. Section L of the handbook of this craft.

Temperatures are usual practice, fair; the ends of the boils follow from the water that is to be left.
"""

from collections.abc import Mapping
from dataclasses import replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.attributes import is_gelling
from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.families.fudge import DISSOLVE, end_c
from hearth_bowl.core.method.families.selectors import (
    all_but,
    dry_sugar,
    egg_white,
    everything,
    gelatine,
    has,
    in_the_pan,
    stages,
    unless,
    way_is,
    with_gelatine,
    with_raw_egg,
    with_spirit,
)
from hearth_bowl.core.method.families.shared import BOIL_MINUTES, FOLD_IN, WEIGH
from hearth_bowl.core.method.rows import BOWL, IN_POT, POT, Condition, Minutes, Row

CURD_C: Final = (82.0, 84.0)  # handbook, section L
CURD_CEILING_C: Final = 85.0
"""Egg thickens from 82 °C and scrambles above 85 °C. Handbook, section L."""
CURD_BUTTER_C: Final = (55.0, 60.0)  # handbook, section L
CURD_COLD_C: Final = (4.0, 10.0)  # handbook, section L
CAST_ABOVE_C: Final = 85.0
"""Above this a pectin jelly still flows. Handbook, section L."""
PUREE_C: Final = (40.0, 50.0)
"""Pectin goes into purée at this temperature. Handbook, section L."""
PECTIN_SUGAR: Final = 7.0
"""Sugar per pectin that it is mixed with, within 5 to 10. Handbook, section L."""
WHIPPED_C: Final = (40.0, 45.0)  # handbook, section L
BLOOM_MIN: Final = 10.0
"""How long gelatine swells. Handbook, section L."""
AMBER_C: Final = (170.0, 180.0)
"""Dry sugar at amber. Handbook, section L."""
AMBER_CEILING_C: Final = 185.0
"""Above this dry sugar tastes burnt. A judgement."""


def _not_in_the_pan(cook: Cook) -> tuple[int, ...]:
    pan = set(cook.in_the_pan)
    return tuple(p for p in all_but("fold-in")(cook) if p not in pan)


def _dry_ones(cook: Cook) -> tuple[int, ...]:
    return tuple(p for p in cook.in_the_pan if p not in dry_sugar(cook))


DRY: Final = way_is("dry")
_BOIL: Final = Row(
    key="boil",
    kind="boil",
    title="Boil to the end",
    do="Boil steadily.",
    cue="a drop in cold water shows how firm it will be",
    why="The end temperature decides how much water is left, at your altitude.",
    passes="It foams up high, then sinks: turn the heat down.",
    target_c=end_c,
    minutes=BOIL_MINUTES,
    uses=POT,
    cautions=("hot-sugar",),
)


_DISSOLVE: Final = replace(DISSOLVE, lines=in_the_pan)
_LATE_HOT: Final = Row(
    key="late",
    kind="join",
    title="Stir in the late ingredients",
    do="Take the pan off the heat and stir them in.",
    cue="even, and it has stopped foaming",
    why="Hot sugar spits: stand back.",
    minutes=Minutes(least=1, usual=2, most=4),
    uses=IN_POT,
    lines=_not_in_the_pan,
    where=has(_not_in_the_pan),
    soon_min=5,
    cautions=("hot-sugar", "alcohol-flame"),
    caution_where=MappingProxyType({"alcohol-flame": with_spirit(_not_in_the_pan)}),
)
"""Handbook, section L; its minutes are a judgement."""
_FOLD_HOT: Final = replace(FOLD_IN, uses=IN_POT, soon_min=5)
"""Handbook, section L; its minutes are a judgement."""
CARAMEL: Final = (
    WEIGH,
    replace(_DISSOLVE, where=unless(DRY)),
    Row(
        key="amber",
        kind="melt",
        title="Melt the sugar to amber",
        do="Melt the sugar dry, a third at a time, swirling the pan. Warm the cream meanwhile.",
        cue="clear and amber, with a first wisp of smoke",
        why="Colour is flavour: seconds later it is bitter.",
        target_c=AMBER_C,
        ceiling_c=AMBER_CEILING_C,
        minutes=Minutes(least=6, usual=10, most=15, per_kg=6),
        uses=POT,
        lines=dry_sugar,
        where=DRY,
        cautions=("hot-sugar",),
    ),
    Row(
        key="dissolve",
        kind="join",
        title="Add the warm cream",
        do="Add the warm cream a little at a time, standing back. Stir until the hard sugar has melted again.",
        cue="smooth, no hard sugar on the spoon",
        why="Cold cream sets the sugar hard; all at once it boils over.",
        passes="It boils up at each addition, then sinks.",
        minutes=Minutes(least=3, usual=5, most=8, per_kg=2),
        uses=POT,
        lines=_dry_ones,
        where=DRY,
        soon_min=2,
        cautions=("hot-cream-into-caramel",),
    ),
    replace(_BOIL, do="Boil steadily. Stir from ⟦110 °C⟧ on: it catches."),
    _LATE_HOT,
    _FOLD_HOT,
)
"""Handbook, section L; its minutes are a judgement."""


def _pectin(cook: Cook) -> tuple[int, ...]:
    """Return pectin and agar: what gels, by its name."""
    return tuple(p for p, line in enumerate(cook.rows) if is_gelling(line.ingredient.name))


def _plain_sugar(cook: Cook) -> tuple[int, ...]:
    return tuple(
        p
        for p in cook.in_the_pan
        if cook.rows[p].ingredient.composition_pct["sucrose"] > MOSTLY_SUGAR_PCT and p not in _pectin(cook)
    )


MOSTLY_SUGAR_PCT: Final = 90.0
"""Sucrose from which something is sugar. Food tables."""


def _fruit(cook: Cook) -> tuple[int, ...]:
    return tuple(p for p in cook.in_the_pan if p not in (*_plain_sugar(cook), *_pectin(cook)))


def _sugar_for_pectin(cook: Cook) -> Mapping[int, float]:
    """Return the share of the sugar that pectin is mixed with."""
    pectin_g, sugar = cook.grams(*_pectin(cook)), _plain_sugar(cook)
    sugar_g = cook.grams(*sugar)
    if pectin_g <= 0 or sugar_g <= 0:
        return {}
    share = min(1.0, PECTIN_SUGAR * pectin_g / sugar_g)
    return dict.fromkeys(sugar, share)


def _is_agar(cook: Cook) -> bool:
    return cook.way == "agar"


_BLOOM: Final = Row(
    key="bloom",
    kind="bloom",
    title="Soak the gelatine",
    do="Stir the gelatine into its cold water and leave it to swell.",
    cue="swollen through, no dry grain",
    why="Dry gelatine clumps in hot syrup.",
    gate_min=BLOOM_MIN,
    minutes=Minutes(least=10, usual=10, most=15),
    hands=False,
    aside=True,
    uses=BOWL,
    lines=gelatine,
    where=has(gelatine),
    cautions=("gelatine",),
)
"""Handbook, section L; its minutes are a judgement."""
JELLY: Final = (
    WEIGH,
    _BLOOM,
    Row(
        key="dissolve",
        kind="heat",
        title="Warm the fruit, add the pectin",
        do="Warm the fruit. Mix the pectin with part of the sugar and whisk it in.",
        call="Whisk the pectin in",
        ask="Is it free of lumps?",
        why="Dry pectin clumps; with five to ten times its weight of sugar it does not.",
        target_c=PUREE_C,
        minutes=Minutes(least=4, usual=6, most=10, per_kg=4),
        uses=POT,
        lines=lambda cook: tuple(sorted({*_fruit(cook), *_pectin(cook)})),
        shares=_sugar_for_pectin,
        where=has(_pectin),
    ),
    replace(_DISSOLVE, where=unless(has(_pectin))),
    replace(
        _BOIL,
        do="Add the rest of the sugar in parts, never letting the boil stop. Boil to the end, stirring.",
        lines=in_the_pan,
        where=unless(_is_agar),
    ),
    replace(
        _BOIL,
        do="Add the rest of the sugar. Boil at least two minutes, then to the end, stirring.",
        gate_min=2.0,
        lines=in_the_pan,
        where=_is_agar,
    ),
    _FOLD_HOT,
    replace(
        _LATE_HOT,
        title="Add the acid last",
        do=f"Take the pan off the heat and stir it in. Cast at once, above ⟦{CAST_ABOVE_C:g} °C⟧.",
        cue="it begins to thicken",
        why="With its acid in, the jelly sets within a minute.",
        lines=everything,
    ),
)
"""Handbook, section L; its minutes are a judgement."""


def _late_of_whipped(cook: Cook) -> tuple[int, ...]:
    pan = {*cook.in_the_pan, *gelatine(cook), *egg_white(cook)}
    return tuple(p for p in range(len(cook.rows)) if p not in pan)


AERATED: Final = (
    WEIGH,
    _BLOOM,
    _DISSOLVE,
    Row(
        key="whites",
        kind="whip",
        title="Whip the whites",
        do="Let the mixer whip the whites to soft peaks while the syrup nears its end.",
        cue="soft peaks",
        minutes=Minutes(least=3, usual=5, most=8, per_kg=1),
        hands=False,
        aside=True,
        uses=BOWL,
        lines=egg_white,
        where=has(egg_white),
        cautions=("raw-egg",),
        caution_where=MappingProxyType({"raw-egg": with_raw_egg}),
    ),
    _BOIL,
    Row(
        key="beat",
        kind="whip",
        title="Whip the syrup",
        do="Pour the syrup into the soaked gelatine below ⟦100 °C⟧, or in a thin stream onto the whites, and whip. "
        "Add the flavours, and with the last turns what stays whole.",
        cue="pale and thick, it falls in a ribbon that stays",
        why="Hotter it runs flat, cooler it no longer pours.",
        call="Stop whipping",
        target_c=WHIPPED_C,
        minutes=Minutes(least=8, usual=12, most=18, per_kg=6),
        uses=BOWL,
        lines=_late_of_whipped,
        soon_min=10,
        cautions=("gelatine", "hot-sugar"),
        caution_where=MappingProxyType({"gelatine": with_gelatine}),
    ),
)
"""Handbook, section L; its minutes are a judgement."""
_EARLY_CURD: Final = stages("warm", "boil", "melt", "")


def _late_curd(cook: Cook) -> tuple[int, ...]:
    return all_but("warm", "boil", "melt", "", "stir-in-cool")(cook)


OVER_WATER: Final = way_is("water-bath")


def _egg(words: str, where: Condition, *cautions: str) -> Row:
    return Row(
        key="cook-egg",
        kind="cook",
        title="Thicken the egg",
        do=words,
        cue="it coats the spoon, and a drawn line stays",
        ask="Does its middle read ⟦82 °C⟧ or more?",
        why="Below ⟦82 °C⟧ the egg is raw; above ⟦85 °C⟧ it scrambles.",
        target_c=CURD_C,
        ceiling_c=CURD_CEILING_C,
        minutes=Minutes(least=8, usual=14, most=22, per_kg=10),
        uses=POT,
        lines=_EARLY_CURD,
        where=where,
        cautions=("egg-cooked", *cautions),
    )


CURD: Final = (
    WEIGH,
    _egg(
        "Stir all the time over steaming water until the middle reads the target. Never let it boil.",
        OVER_WATER,
        "steam",
    ),
    _egg("Stir all the time on low heat until the middle reads the target. Never let it boil.", unless(OVER_WATER)),
    Row(
        key="sieve",
        kind="join",
        title="Sieve it, blend the butter in",
        do="Press it through a sieve. Let it cool a little, then blend the butter in piece by piece.",
        cue="smooth and glossy",
        why="Hotter, the butter melts to oil.",
        call="Blend the butter in",
        target_c=CURD_BUTTER_C,
        minutes=Minutes(least=5, usual=8, most=12, per_kg=3),
        uses=BOWL,
        lines=stages("stir-in-cool"),
        where=has(stages("stir-in-cool")),
    ),
    Row(
        key="late",
        kind="join",
        title="Stir in the late flavours",
        do="Stir them in while the curd is warm.",
        cue="even, with no streaks",
        minutes=Minutes(least=1, usual=2, most=4),
        uses=BOWL,
        lines=_late_curd,
        where=has(_late_curd),
        cautions=("alcohol-flame",),
        caution_where=MappingProxyType({"alcohol-flame": with_spirit(_late_curd)}),
    ),
    Row(
        key="chill",
        kind="cool",
        title="Cool it quickly",
        do="Stand the bowl in ice water with film on its surface: below ⟦10 °C⟧ within two hours.",
        cue="cold to the touch",
        why="Germs grow in warm curd.",
        target_c=CURD_COLD_C,
        minutes=Minutes(least=30, usual=45, most=60, per_kg=20),
        hands=False,
        uses=BOWL,
        soon_min=15,
        cautions=("local-rules",),
    ),
)
"""Handbook, section L; its minutes are a judgement."""
HARD_SUGAR: Final = (WEIGH, _DISSOLVE, _BOIL, _FOLD_HOT, _LATE_HOT)
