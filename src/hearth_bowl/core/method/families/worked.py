"""Methods of what is worked or mixed: fondant, nut pastes, marzipan, modelling chocolate, fillings, dry mixes.

Common practice; numbers with no source beside them are judgements.
"""

from dataclasses import replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.mass.tempering import WINDOWS
from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.families.ganache import MELT
from hearth_bowl.core.method.families.selectors import (
    chocolate_and,
    enzyme,
    everything,
    has,
    not_chocolate,
    raw_egg,
    school_is,
    stages,
    way_is,
    whole_nuts,
    with_raw_egg,
    with_spirit,
)
from hearth_bowl.core.method.families.shared import DRY, FOLD_IN, HEAT_MINUTES, LATE, MELT_WORDS, WEIGH, stir_in_butter
from hearth_bowl.core.method.rows import BOWL, POT, ByChoice, Minutes, Row

INVERTASE_BELOW_C: Final = 60.0  # handbook, section L
ENZYME_C: Final = (35.0, 58.0)  # a judgement
HOLD_C: Final = (70.0, 75.0)  # a judgement
HOLD_MIN: Final = 2.0
"""Usual advice for egg: 70 °C through and through for two minutes. It lessens the risk and certifies nothing.
A judgement."""
EGG_CEILING_C: Final = 78.0  # a judgement
JOIN_C: Final = (30.0, 33.0)
"""Chocolate and syrup meet at the same temperature, or the mix seizes or sheds its fat. A judgement."""
GRIND_CEILING_C: Final = 55.0  # a judgement


def _late_flavours(cook: Cook) -> tuple[int, ...]:
    """Return what comes late but the enzyme, which has an act of its own."""
    return tuple(p for p in cook.lines("late") if p not in enzyme(cook))


FONDANT: Final = (
    WEIGH,
    Row(
        key="warm",
        kind="heat",
        title="Warm the fondant soft",
        do="Warm it in its bowl over steaming water, stirring.",
        cue="it flows from the spoon",
        why="Above ⟦65 °C⟧ its crystals dissolve and come back coarse.",
        target_c=(45.0, 58.0),
        ceiling_c=65.0,
        minutes=Minutes(least=8, usual=12, most=18, per_kg=5),
        uses=POT,
        lines=stages("warm", "melt", "boil", ""),
        cautions=("steam",),
    ),
    stir_in_butter(),
    replace(
        LATE,
        lines=_late_flavours,
        where=has(_late_flavours),
        caution_where=MappingProxyType({"alcohol-flame": with_spirit(_late_flavours)}),
    ),
    FOLD_IN,
    Row(
        key="enzyme",
        kind="join",
        title="Stir in the invertase",
        do="Measure it by drops or on a fine scale. Stir it through well.",
        ask="Is it below ⟦60 °C⟧?",
        why="Above ⟦65 to 70 °C⟧ the enzyme dies in minutes.",
        call="Stir the invertase in",
        target_c=ENZYME_C,
        ceiling_c=INVERTASE_BELOW_C,
        minutes=Minutes(least=2, usual=3, most=5, per_kg=1),
        uses=BOWL,
        lines=enzyme,
        where=lambda cook: bool(enzyme(cook)) or cook.way == "invertase",
    ),
)
"""Handbook, section L; its minutes are a judgement."""
ROAST: Final = Row(
    key="roast",
    kind="roast",
    title="Roast and skin the nuts",
    do="Roast them in one layer at ⟦150 to 160 °C⟧, shaken now and then. Rub the skins off in a cloth and weigh again: "
    "they lose 5 to 11 %.",
    cue="golden through when one is cut",
    ask="Have they cooled before they are ground?",
    why="Hot nuts grind to oil and meal, and a dark one tastes through the whole paste.",
    minutes=Minutes(least=15, usual=20, most=30),
    lines=whole_nuts,
    where=has(whole_nuts),
)
"""Handbook, section L; its minutes are a judgement."""
GRIND: Final = Row(
    key="grind",
    kind="grind",
    title="Grind the nuts",
    do="Grind in short runs with some of the sugar, scraping down. Rest it when it grows warm.",
    cue="it runs from the spoon, no grit between the teeth",
    why="Above ⟦55 °C⟧ it loses its flavour.",
    passes="Meal, crumbs, then a stiff ball that will not move: continue, the oil comes.",
    ceiling_c=GRIND_CEILING_C,
    minutes=Minutes(least=10, usual=20, most=40, per_kg=10),
    where=has(whole_nuts),
)
"""Handbook, section L; its minutes are a judgement."""
_MELT: Final = replace(
    MELT,
    why="Still liquid when it is joined, and never too hot.",
    target_c=(38.0, 45.0),
    lines=chocolate_and("melt"),
    where=has(chocolate_and("melt")),
)
"""Handbook, section L; its minutes are a judgement."""
NUT_PASTE: Final = (
    WEIGH,
    ROAST,
    GRIND,
    replace(
        _MELT,
        title="Melt it together",
        ask=DRY,
        why="Almost no water is in it: a drop of water or steam seizes it.",
        target_c=(40.0, 45.0),
        lines=chocolate_and("melt", "warm", ""),
        where=has(chocolate_and("melt", "warm", "")),
    ),
    stir_in_butter(),
    LATE,
    FOLD_IN,
    Row(
        key="temper",
        kind="cool",
        title="Cool it to its temper",
        do="Stir it cool, on a slab or over cool water.",
        cue="it thickens a little, and a smear sets in minutes",
        ask="Did a test smear set clean?",
        why="Two degrees decide whether it sets clean.",
        call="Stop cooling",
        target_c=WINDOWS["gianduja"].work_c,
        minutes=Minutes(least=10, usual=15, most=30, per_kg=5),
        uses=BOWL,
        where=way_is("tempered"),
    ),
)
"""Handbook, section L; its minutes are a judgement."""


def _warmed(cook: Cook) -> tuple[int, ...]:
    return tuple(p for p in cook.lines("warm", "boil", "melt") if p not in raw_egg(cook))


MARZIPAN: Final = (
    WEIGH,
    Row(
        key="warm",
        kind="heat",
        title="Warm the syrup",
        do="Warm it until it pours.",
        cue="it pours from the spoon",
        target_c=(40.0, 60.0),
        minutes=Minutes(least=3, usual=4, most=6),
        uses=POT,
        lines=_warmed,
        where=has(_warmed),
    ),
    Row(
        key="hold",
        kind="cook",
        title="Heat and hold the egg",
        do="Stir the egg with a third of the sugar over steaming water, all the time. "
        "Count two minutes from when all of it reads the target.",
        cue="it reads the target all through",
        ask="Has it stood there for the whole time?",
        why="Time at the temperature counts; hotter it sets to flakes. Pasteurised egg needs none of this.",
        target_c=HOLD_C,
        gate_min=HOLD_MIN,
        ceiling_c=EGG_CEILING_C,
        minutes=Minutes(least=6, usual=9, most=14),
        uses=POT,
        lines=raw_egg,
        where=with_raw_egg,
        cautions=("raw-egg", "steam"),
    ),
    ROAST,
    GRIND,
    Row(
        key="knead",
        kind="knead",
        title="Knead it together",
        do="Mix ground nuts and sugar first, then add what is wet little by little. Knead just until it holds.",
        cue="smooth, no crumbs",
        ask="Does it hold without shining?",
        why="Worked further, the oil comes out and will not go back.",
        passes="Crumbs at first: they close up.",
        minutes=Minutes(least=8, usual=14, most=20, per_kg=8),
        uses=BOWL,
        lines=everything,
    ),
)
"""Handbook, section L; its minutes are a judgement."""


def _syrup(cook: Cook) -> tuple[int, ...]:
    return tuple(p for p in everything(cook) if p not in cook.chocolate() and not cook.is_in(p, "late"))


MODELLING: Final = (
    WEIGH,
    replace(
        _MELT,
        title="Melt the chocolate, let it cool",
        do=ByChoice(
            choice="heat",
            words=MappingProxyType(
                {heat: f"{words} Then stir it down to the target." for heat, words in MELT_WORDS.words.items()}
            ),
        ),
        cue="liquid, hardly warm to the lip",
        why="Hotter, it sheds its fat as soon as the syrup is in.",
        target_c=JOIN_C,
        lines=chocolate_and(),
    ),
    Row(
        key="join",
        kind="join",
        title="Fold in the warm syrup",
        do="Warm the syrup to the temperature of the chocolate. Fold it in with few turns, until no streak is left.",
        cue="it thickens and comes off the bowl",
        ask="Are both at the same temperature?",
        why="A difference of a few degrees makes it seize or weep.",
        passes="It looks grained for a moment: stop, it smooths as it rests.",
        target_c=JOIN_C,
        minutes=Minutes(least=4, usual=6, most=10, per_kg=2),
        uses=POT,
        lines=_syrup,
    ),
    replace(LATE, do="Fold the flavours and colours in with the last turns.", target_c=None, call=""),
    Row(
        key="oil",
        kind="join",
        title="Check for beads of oil",
        do="If oil beads on it, stop and do not press them out. Let it cool, and knead them in when it is firm.",
        ask="Is it free of oil, or cool again?",
        why="Worked warm, more oil comes and it turns to crumbs.",
        minutes=Minutes(least=1, usual=2, most=10),
    ),
)
"""Handbook, section L; its minutes are a judgement."""
_WARM: Final = Row(
    key="warm",
    kind="heat",
    title="Warm the wet ingredients",
    do="Warm them gently, stirring.",
    cue="warm and even",
    target_c=(40.0, 60.0),
    minutes=HEAT_MINUTES,
    uses=POT,
    lines=not_chocolate("warm", "boil"),
    where=has(not_chocolate("warm", "boil")),
    cautions=("raw-egg", "microwave"),
    caution_where=MappingProxyType({"raw-egg": with_raw_egg, "microwave": school_is("heat", "microwave")}),
)
"""Handbook, section L; its minutes are a judgement."""
_MIX: Final = Row(
    key="mix",
    kind="join",
    title="Mix it",
    do="Beat soft ingredients first, then bring everything together.",
    cue="even, no streaks",
    why="The chocolate goes in while it is still liquid.",
    minutes=Minutes(least=5, usual=9, most=15, per_kg=4),
    uses=BOWL,
    lines=stages("stir-in-cool", "pour-over", ""),
    where=has(stages("stir-in-cool", "pour-over", "")),
    cautions=("raw-egg",),
    caution_where=MappingProxyType({"raw-egg": with_raw_egg}),
)
"""Handbook, section L; its minutes are a judgement."""
MIXED: Final = (WEIGH, _MELT, _WARM, _MIX, replace(LATE, target_c=None, call=""), FOLD_IN)
SOFT_CHEESE: Final = tuple(
    replace(row, out_of_cold=True, cautions=("cold-cheese", *row.cautions)) if row.key in ("mix", "fold-in") else row
    for row in MIXED
)
DRY_MIX: Final = (
    WEIGH,
    Row(
        key="mix",
        kind="join",
        title="Sieve it together",
        do="Sieve the powders together twice, then mix in what is coarse.",
        cue="one colour, no lumps",
        why="Damp or lumpy powder cakes in its jar.",
        minutes=Minutes(least=5, usual=7, most=10, per_kg=2),
        uses=BOWL,
        lines=everything,
    ),
)
"""Handbook, section L; its minutes are a judgement."""
