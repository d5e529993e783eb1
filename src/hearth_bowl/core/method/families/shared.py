"""Acts that many families share: weighing, melting, and what is stirred in late.

Minutes and temperatures without a source of their own are judgements.
"""

from types import MappingProxyType
from typing import Final

from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.families.selectors import both, has, school_is, stages, unless, with_spirit
from hearth_bowl.core.method.hands import HANDS
from hearth_bowl.core.method.rows import BOWL, ByChoice, Minutes, Row

BUTTER_C: Final = (32.0, 40.0)  # a judgement
LATE_C: Final = (28.0, 35.0)  # a judgement
MELTING: Final = MappingProxyType(
    {
        "pan": "Melt it in a pan on the lowest ring, off and on, stirring.",
        "microwave": "Start with a 30 s burst unless you know your oven. Make each burst shorter, stir after each, "
        "and stop while lumps remain.",
        "water-bath": "Set the bowl over steaming water without touching it, and stir.",
    }
)
"""How something is melted, by the heat chosen. Common practice."""
DRY: Final = "Is everything that touches it dry?"


def ceiling(cook: Cook) -> float | None:
    """Return the lowest ceiling of the chocolates in it."""
    return cook.ceiling_c


def weighing_min(cook: Cook) -> tuple[float, float, float]:
    """Return how long weighing takes, by the number of lines."""
    hands = HANDS["weigh"]
    usual = hands.begin_min + hands.each_min * len(cook.rows)
    return 0.7 * usual, usual, 1.5 * usual


WEIGH: Final = Row(
    key="weigh",
    kind="weigh",
    title="Weigh everything",
    do="Weigh each ingredient and set it out in the order of use.",
    cue="everything stands ready",
    why="Once a pan is hot there is no time to weigh.",
    minutes=weighing_min,
    uses=BOWL,
)


def stir_in_butter(minutes: Minutes = Minutes(least=2, usual=4, most=8, per_kg=1)) -> Row:  # noqa: B008 - a value
    """Return the act that stirs in the butter once the mix has cooled."""
    return Row(
        key="stir-in-cool",
        kind="join",
        title="Stir in the butter",
        do="Let the mix cool, then stir the butter in piece by piece.",
        cue="each piece softens and vanishes without oil",
        why="Warmer, butter melts to oil; cooler, it stays in lumps.",
        call="Stir the butter in",
        target_c=BUTTER_C,
        minutes=minutes,
        uses=BOWL,
        lines=stages("stir-in-cool"),
        where=both(has(stages("stir-in-cool")), unless(school_is("butter", "early"))),
    )


LATE: Final = Row(
    key="late",
    kind="join",
    title="Stir in the late flavours",
    do="Add them a spoon at a time, at the temperature of the mix.",
    cue="still glossy after each spoon",
    why="Cold liquid all at once splits the mix; added late, the aroma stays.",
    call="Stir the late flavours in",
    target_c=LATE_C,
    minutes=Minutes(least=1, usual=3, most=5),
    uses=BOWL,
    lines=stages("late"),
    where=has(stages("late")),
    cautions=("alcohol-flame",),
    caution_where=MappingProxyType({"alcohol-flame": with_spirit(stages("late"))}),
)
"""Handbook, section L; its minutes are a judgement."""
FOLD_IN: Final = Row(
    key="fold-in",
    kind="join",
    title="Fold in the pieces",
    do="Fold in what should stay whole, with few turns.",
    cue="evenly through, nothing broken",
    why="Folded in late, crunchy pieces stay crunchy.",
    minutes=Minutes(least=1, usual=2, most=4),
    uses=BOWL,
    lines=stages("fold-in"),
    where=has(stages("fold-in")),
)
"""Handbook, section L; its minutes are a judgement."""
MELT_WORDS: Final = ByChoice(choice="heat", words=MELTING)
MELT_MINUTES: Final = Minutes(least=4, usual=8, most=12, per_kg=5)
"""Handbook, section L; its minutes are a judgement."""
HEAT_MINUTES: Final = Minutes(least=4, usual=7, most=10, per_kg=5)
"""Handbook, section L; its minutes are a judgement."""
BOIL_MINUTES: Final = Minutes(least=12, usual=22, most=32, per_kg=12)
"""Handbook, section L; its minutes are a judgement."""
JOIN_MINUTES: Final = Minutes(least=3, usual=5, most=8, per_kg=2)
"""Handbook, section L; its minutes are a judgement."""
