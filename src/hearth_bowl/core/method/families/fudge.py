"""Methods of fudges: melted without a boil, simmered, boiled and beaten. Section L of the handbook of this craft."""

from types import MappingProxyType
from typing import Final

from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.families.selectors import (
    chocolate_and,
    has,
    joined,
    not_chocolate,
    school_is,
    stages,
    with_spirit,
)
from hearth_bowl.core.method.families.shared import (
    BOIL_MINUTES,
    FOLD_IN,
    JOIN_MINUTES,
    LATE,
    MELT_MINUTES,
    MELTING,
    WEIGH,
)
from hearth_bowl.core.method.rows import BOWL, IN_POT, POT, ByChoice, Minutes, Row

BEAT_C: Final = (43.0, 50.0)  # handbook, section L
CONDENSED_ABOVE_C: Final = 60.0  # handbook, section L
USUAL_END_C: Final = 114.0  # handbook, section L
USUAL_BOIL_C: Final = 102.0
"""Where a pan cannot be worked out: a usual fudge. Handbook, section L."""
SIMMERED_JOIN_C: Final = (45.0, 70.0)  # a judgement
NO_BOIL_MELT_C: Final = (45.0, 55.0)  # a judgement
NO_BOIL_JOIN_C: Final = (38.0, 50.0)  # a judgement
END_BAND_K: Final = 0.5
"""A boil is there within half a degree: 1 °C is about 1 % of water. Handbook, section C."""


def no_boil_ceiling(cook: Cook) -> float:
    """Return the ceiling of condensed milk or of the chocolate with it, whichever is lower."""
    return min(CONDENSED_ABOVE_C, cook.ceiling_c or CONDENSED_ABOVE_C)


def starts_c(cook: Cook) -> float:
    """Return where the pan begins to boil here."""
    plan = cook.boil
    return USUAL_BOIL_C if plan is None else plan.now.boiling_c


def dissolve_c(cook: Cook) -> tuple[float, float]:
    """Return the warmth at which the sugar dissolves, below the boil."""
    start_c = starts_c(cook)
    return min(DISSOLVE_FROM_C, start_c - 5), start_c - 3


DISSOLVE_FROM_C: Final = 75.0  # handbook of this craft


def dissolve_ceiling(cook: Cook) -> float:
    """Return where it would boil before its sugar is dissolved."""
    return starts_c(cook) - END_BAND_K


def end_c(cook: Cook) -> tuple[float, float]:
    """Return the end of the boil in this kitchen."""
    plan = cook.boil
    to_c = USUAL_END_C if plan is None else plan.cooked.to_c
    return to_c - END_BAND_K, to_c + END_BAND_K


def _microwaved(cook: Cook) -> bool:
    return cook.way == "microwave" or cook.choices["heat"] == "microwave"


def _pan(cook: Cook) -> tuple[int, ...]:
    return tuple(p for p in cook.lines("warm", "boil", "") if p not in cook.chocolate())


NO_BOIL: Final = (
    WEIGH,
    Row(
        key="melt",
        kind="melt",
        title="Melt everything together",
        do=ByChoice(choice="heat", words=MELTING),
        cue="a few lumps left: stirring melts them",
        why="Above ⟦60 °C⟧ condensed milk tightens and the fat runs out; each chocolate has its own ceiling.",
        target_c=NO_BOIL_MELT_C,
        ceiling_c=no_boil_ceiling,
        minutes=MELT_MINUTES,
        uses=POT,
        lines=joined(stages("warm", "melt", ""), chocolate_and()),
        cautions=("microwave", "steam"),
        caution_where=MappingProxyType({"microwave": _microwaved, "steam": school_is("heat", "water-bath")}),
    ),
    Row(
        key="join",
        kind="join",
        title="Stir it smooth",
        do="Stir from the centre until it pulls away from the bowl.",
        cue="thick and glossy, it pulls away from the side of the bowl",
        ask="Is it smooth, with no fat at its edge?",
        why="Oil that shows later does not go back in.",
        passes="It stiffens all at once: that is the fudge coming together.",
        target_c=NO_BOIL_JOIN_C,
        minutes=JOIN_MINUTES,
        uses=BOWL,
    ),
    Row(
        key="stir-in-cool",
        kind="join",
        title="Stir in the butter",
        do="Stir the butter in piece by piece while the fudge still flows.",
        cue="each piece vanishes without oil",
        minutes=Minutes(least=1, usual=2, most=4),
        uses=BOWL,
        lines=stages("stir-in-cool"),
        where=has(stages("stir-in-cool")),
    ),
    LATE,
    FOLD_IN,
)
"""Handbook, section L; its minutes are a judgement."""
DISSOLVE: Final = Row(
    key="dissolve",
    kind="heat",
    title="Dissolve the sugar",
    do="Stir on low heat until every grain has dissolved. Wash the wall of the pan down with a wet brush.",
    call="Feel for grit",
    ask="Is there no grit between finger and spoon?",
    why="One grain left seeds coarse crystals through the whole pan.",
    target_c=dissolve_c,
    ceiling_c=dissolve_ceiling,
    minutes=Minutes(least=5, usual=8, most=12, per_kg=4),
    uses=POT,
    lines=_pan,
)
"""Handbook, section L; its minutes are a judgement."""
BOIL: Final = Row(
    key="boil",
    kind="boil",
    title="Boil to the end",
    do="Boil steadily. Stir only where it would catch.",
    cue="a drop in cold water rolls to a soft ball",
    why="The end temperature decides how much water is left, at your altitude.",
    passes="It foams up high, then sinks: turn the heat down and add nothing cold.",
    target_c=end_c,
    minutes=BOIL_MINUTES,
    uses=POT,
    cautions=("hot-sugar",),
)
SIMMERED: Final = (
    WEIGH,
    DISSOLVE,
    Row(
        key="boil",
        kind="boil",
        title="Simmer it down",
        do="Simmer, stirring slowly.",
        cue="thick as syrup, the spoon leaves a track",
        why=BOIL.why,
        passes=BOIL.passes,
        target_c=end_c,
        minutes=Minutes(least=10, usual=16, most=25, per_kg=10),
        uses=POT,
        cautions=("hot-sugar",),
    ),
    Row(
        key="join",
        kind="join",
        title="Melt the chocolate in",
        do="Take the pan off the heat and stir the chocolate in.",
        cue="smooth and glossy",
        why="On the ring the chocolate would scorch.",
        target_c=SIMMERED_JOIN_C,
        minutes=Minutes(least=3, usual=5, most=8, per_kg=2),
        uses=BOWL,
        lines=chocolate_and("melt", "pour-over"),
        where=has(chocolate_and("melt", "pour-over")),
    ),
    Row(
        key="late",
        kind="join",
        title="Stir in the flavours",
        do="Stir them in now, while the fudge flows.",
        cue="even, with no streaks",
        why="Once it stiffens nothing can be stirred in.",
        minutes=Minutes(least=1, usual=2, most=4),
        uses=BOWL,
        lines=stages("stir-in-cool", "late"),
        where=has(stages("stir-in-cool", "late")),
        cautions=("alcohol-flame",),
        caution_where=MappingProxyType({"alcohol-flame": with_spirit(stages("stir-in-cool", "late"))}),
    ),
    FOLD_IN,
)
"""Handbook, section L; its minutes are a judgement."""
BOILED: Final = (
    WEIGH,
    DISSOLVE,
    BOIL,
    Row(
        key="cool-still",
        kind="cool",
        title="Let it cool untouched",
        do="Set the pan on something cold. Lay the butter on top, and do not stir or scrape.",
        cue="the base of the pan is just warm to the hand",
        why="Stirring while it is hot starts coarse crystals.",
        passes="A skin on top is normal.",
        call="Start beating",
        target_c=BEAT_C,
        minutes=Minutes(least=30, usual=45, most=70, per_kg=20),
        hands=False,
        uses=IN_POT,
        lines=joined(not_chocolate("stir-in-cool"), chocolate_and("melt", "pour-over")),
        soon_min=5,
    ),
    Row(
        key="late",
        kind="join",
        title="Add the flavours",
        do="Pour the flavours on top. Beating will mix them in.",
        why="A beaten fudge sets within minutes: nothing can be stirred in after it.",
        minutes=Minutes(least=1, usual=1, most=2),
        uses=IN_POT,
        lines=stages("late"),
        where=has(stages("late")),
        soon_min=5,
        cautions=("alcohol-flame",),
        caution_where=MappingProxyType({"alcohol-flame": with_spirit(stages("late"))}),
    ),
    Row(
        key="beat",
        kind="beat",
        title="Beat the fudge",
        do="Beat without stopping until the gloss goes. Add what should stay whole with the last strokes.",
        cue="it thickens and turns from glossy to satin",
        ask="Has it lost its gloss?",
        why="Many small crystals at once make it smooth. Below ⟦40 °C⟧ it is too stiff: warm it gently to ⟦45 °C⟧.",
        passes="For minutes nothing happens, then it goes quickly: have the tin ready.",
        gate_min=8,
        minutes=Minutes(least=5, usual=10, most=15, per_kg=4),
        uses=IN_POT,
        lines=stages("fold-in"),
        soon_min=5,
    ),
)
"""Handbook, section L; its minutes are a judgement."""
