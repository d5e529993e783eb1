"""Methods of ganaches: by the school of joining; a whipped one rests cold, then is whipped.

Temperatures without a source are judgements. Section L of the handbook of this craft says what comes before what.
"""

from types import MappingProxyType
from typing import Final

from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.families.selectors import (
    both,
    butter_early,
    chocolate_and,
    has,
    joined,
    not_chocolate,
    school_is,
    stages,
    unless,
    way_is,
)
from hearth_bowl.core.method.families.shared import (
    DRY,
    FOLD_IN,
    HEAT_MINUTES,
    JOIN_MINUTES,
    LATE,
    MELT_MINUTES,
    MELT_WORDS,
    WEIGH,
    ceiling,
    stir_in_butter,
)
from hearth_bowl.core.method.rows import BOWL, IN_FRIDGE, POT, ByChoice, Minutes, Row

JOIN_C: Final = (35.0, 45.0)  # a judgement
SCALD_C: Final = (80.0, 88.0)  # a judgement
BOIL_UP_C: Final = (99.0, 102.0)  # a judgement
COLD_C: Final = (3.0, 8.0)
"""A fridge that is cold enough. Usual advice. A judgement."""
MELTED_FIRST: Final = way_is("into-melted", "melt-together")
CREAM: Final = not_chocolate("warm", "boil", "")

CHOP: Final = Row(
    key="chop",
    kind="weigh",
    title="Chop the chocolate",
    do="Chop it to the size of lentils, into a dry bowl that will hold everything.",
    why="Small, even pieces melt in the heat of the cream alone.",
    minutes=Minutes(least=2, usual=4, most=8, per_kg=4),
    uses=BOWL,
    lines=chocolate_and("pour-over", "melt"),
    where=both(unless(MELTED_FIRST), has(chocolate_and("pour-over", "melt"))),
)
"""Handbook, section L; its minutes are a judgement."""
MELT: Final = Row(
    key="melt",
    kind="melt",
    title="Melt the chocolate",
    do=MELT_WORDS,
    cue="a few lumps left: stirring melts them",
    ask=ByChoice(choice="heat", words=MappingProxyType({"water-bath": DRY, "pan": "", "microwave": ""})),
    why="A drop of water or steam seizes plain chocolate; too hot and it scorches or splits.",
    target_c=(40.0, 45.0),
    ceiling_c=ceiling,
    minutes=MELT_MINUTES,
    uses=POT,
    lines=chocolate_and("pour-over", "melt"),
    where=both(MELTED_FIRST, has(chocolate_and("pour-over", "melt"))),
    cautions=("steam",),
    caution_where=MappingProxyType({"steam": school_is("heat", "water-bath")}),
)
"""Handbook, section L; its minutes are a judgement."""
SCALD: Final = Row(
    key="warm",
    kind="heat",
    title="Scald the cream",
    do="Warm the cream with the sugars in it, stirring.",
    cue="small bubbles where cream meets the pan, a skin forming",
    why="Hot enough to melt the chocolate and be clean, without boiling its water away.",
    target_c=SCALD_C,
    minutes=HEAT_MINUTES,
    uses=POT,
    lines=CREAM,
    where=both(unless(school_is("liquid", "full-boil")), has(CREAM)),
    cautions=("microwave", "rising-cream"),
    caution_where=MappingProxyType(
        {"microwave": school_is("heat", "microwave"), "rising-cream": unless(school_is("heat", "microwave"))}
    ),
)
BOIL_UP: Final = Row(
    key="warm",
    kind="boil",
    title="Boil the cream",
    do="Warm the cream with the sugars in it, stirring. Let it boil up once.",
    cue="it boils up",
    why="A boil keeps longer but loses water: weigh the cream again and make it up.",
    target_c=BOIL_UP_C,
    minutes=HEAT_MINUTES,
    uses=POT,
    lines=CREAM,
    where=both(school_is("liquid", "full-boil"), has(CREAM)),
    cautions=SCALD.cautions,
    caution_where=SCALD.caution_where,
)


def _stands_min(cook: Cook) -> float | None:
    return STANDS_MIN if cook.choices["wait"] == "stand" and cook.way == "pour-over" else None


STANDS_MIN: Final = 1.5  # a judgement
_POURED: Final = ByChoice(
    choice="wait",
    words=MappingProxyType(
        {
            "stand": "Pour the cream over the chocolate. Let it stand, then stir from the centre.",
            "stir": "Pour the cream over the chocolate. Stir at once, from the centre.",
        }
    ),
)


def _join(words: str | ByChoice, where: str) -> Row:
    return Row(
        key="join",
        kind="join",
        title="Join cream and chocolate",
        do=words,
        cue="smooth and glossy, and it follows the spoon",
        ask="Is it smooth and glossy, with no fat at its edge?",
        why="Between ⟦35 and 45 °C⟧ fat and water hold together; colder or hotter they part.",
        passes="It looks curdled and grainy at first, then suddenly smooth and glossy: keep stirring.",
        target_c=JOIN_C,
        gate_min=_stands_min,
        ceiling_c=ceiling,
        minutes=JOIN_MINUTES,
        uses=BOWL,
        lines=joined(chocolate_and("pour-over", "melt"), butter_early),
        where=way_is(where),
    )


JOINING: Final = (
    _join(_POURED, "pour-over"),
    _join("Add the hot cream to the melted chocolate in three parts, stirring from the centre.", "into-melted"),
    _join("Take the pan off the ring, tip the chocolate in, and stir from the centre.", "in-the-pan"),
    _join("Pour the warm cream into the melted chocolate and stir from the centre.", "melt-together"),
)
GANACHE: Final = (WEIGH, CHOP, MELT, SCALD, BOIL_UP, *JOINING, stir_in_butter(), LATE, FOLD_IN)
COLD_LATE: Final = Row(
    key="late",
    kind="join",
    title="Stir in the cold cream",
    do="Stir the cold cream in now, in a thin stream, before the cold rest.",
    cue="even, and still glossy",
    why="Cream added after the rest does not bind, and the whip weeps.",
    minutes=Minutes(least=1, usual=3, most=5),
    uses=BOWL,
    lines=stages("late", "fold-in"),
    where=has(stages("late", "fold-in")),
    cautions=LATE.cautions,
    caution_where=LATE.caution_where,
)
"""Handbook, section L; its minutes are a judgement."""
WHIPPED: Final = (
    WEIGH,
    CHOP,
    MELT,
    SCALD,
    BOIL_UP,
    *JOINING,
    stir_in_butter(),
    COLD_LATE,
    Row(
        key="rest-cold",
        kind="rest",
        title="Rest it cold",
        do="Cover its surface with film and leave it in the fridge overnight.",
        why="Cold fat holds the air; warm fat does not.",
        target_c=COLD_C,
        gate_min=360,
        minutes=Minutes(least=360, usual=480, most=720),
        hands=False,
        uses=IN_FRIDGE,
        soon_min=30,
    ),
    Row(
        key="whip",
        kind="whip",
        title="Whip it briefly",
        do="Whip until it just stands, then stop.",
        cue="soft peaks that stand",
        why="Seconds too long make it grainy.",
        gate_min=1,
        minutes=Minutes(least=3, usual=5, most=8, per_kg=4),
        uses=BOWL,
    ),
)
"""Handbook, section L; its minutes are a judgement."""
