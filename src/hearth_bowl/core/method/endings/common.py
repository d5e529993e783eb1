"""Rows that several endings share: into the pan, into the shell, resting, cutting, portioning.

Common practice; numbers with no source beside them are judgements.
"""

from types import MappingProxyType
from typing import Final

from hearth_bowl.core.assess.at_work import WORK
from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.families.selectors import school_is, unless
from hearth_bowl.core.method.hands import HANDS
from hearth_bowl.core.method.rows import BOWL, FRIDGE, IN_FRIDGE, ByChoice, Minutes, Row
from hearth_bowl.core.method.set_times import bowl_band, slab_band

ROOM_REST: Final = school_is("rest", "room")
FILL_C: Final = WORK["fill-shell"].worked_c
PORTION_C: Final = WORK["roll"].worked_c
COOLED_C: Final = (16.0, 20.0)  # a judgement
OFTEN_MIN: Final = 20.0
"""How soon a mix that flows is poured. A judgement."""


def fill_c(cook: Cook) -> tuple[float, float]:
    """Return the temperature of a filling when it goes in: as worked, and never above its shell's limit.

    Handbook, section D.
    """
    low, high = FILL_C
    if cook.shell_limit_c is None or cook.shell_limit_c >= high:
        return low, high
    return min(low, cook.shell_limit_c - FILL_BAND_K), cook.shell_limit_c


FILL_BAND_K: Final = 3.0
"""Below the limit of a cool shell by this much [K]: gianduja is filled at 20 to 23 °C. Handbook, section D."""


def by_hands(job: str, share: float = 1.0) -> Minutes:
    """Return the minutes of a job of the hands, by the count of pieces."""
    hands = HANDS[job]
    usual, each = share * hands.begin_min, share * hands.each_min
    return Minutes(least=0.7 * usual, usual=usual, most=1.5 * usual, each=each)


POUR: Final = Row(
    key="pour",
    kind="pour",
    title="Pour it into the tin",
    do="Line the tin so that the paper stands up on two sides. Pour, level it and tap out the air.",
    cue="level, no bubbles",
    why="Once it stiffens it will not level.",
    minutes=Minutes(least=3, usual=5, most=8),
    soon_min=OFTEN_MIN,
)
"""Handbook, section L; its minutes are a judgement."""
SET_COLD: Final = Row(
    key="set",
    kind="set",
    title="Leave it to set",
    do=ByChoice(
        choice="rest",
        words=MappingProxyType(
            {
                "cool-first": "Cover it loosely and let it cool to ⟦30 °C⟧, then put it in the fridge.",
                "fridge": "Cover it loosely and put it in the fridge.",
                "room": "Cover it loosely and leave it in a cool room overnight.",
                "tray": "Cover it loosely and put it in the fridge.",
            }
        ),
    ),
    ask=ByChoice(
        choice="rest",
        words=MappingProxyType(
            {
                "cool-first": "Is it below ⟦30 °C⟧ and loosely covered?",
                "fridge": "Is it loosely covered?",
                "room": "",
                "tray": "Is it loosely covered?",
            }
        ),
    ),
    why="A hot mix sweats in the fridge and warms what stands beside it.",
    target_c=COOLED_C,
    minutes=slab_band("cut"),
    hands=False,
    uses=FRIDGE,
    soon_min=5,
    cautions=("local-rules",),
)
"""Handbook, section L; its minutes are a judgement."""


def sets_at_room(words: str, least: float, usual: float, most: float, cue: str = "firm to the touch") -> Row:
    """Return a rest at room temperature until it can be cut."""
    return Row(
        key="set",
        kind="set",
        title="Leave it to set",
        do=words,
        cue=cue,
        why="The fridge wets its surface and spoils its grain.",
        target_c=(18.0, 22.0),
        minutes=Minutes(least=least, usual=usual, most=most),
        hands=False,
        soon_min=5,
        cautions=("local-rules",),
    )


CUT: Final = Row(
    key="cut",
    kind="cut",
    title="Mark and cut",
    do="Lift it out by its paper and let it stand a quarter of an hour. Mark both ways, then cut with a warm, dry "
    "blade, wiped after each cut.",
    cue="clean edges, nothing sticks to the blade",
    ask="Is it firm through to the middle?",
    why="Too cold it shatters, too warm it smears.",
    minutes=by_hands("cut"),
    cautions=("knife",),
)
COOL_TO_FILL: Final = Row(
    key="cool",
    kind="cool",
    title="Cool the filling",
    do="Press film onto its surface and let it cool to its filling temperature.",
    call="Fill the shells",
    why="Too warm, it melts the shell.",
    target_c=fill_c,
    minutes=Minutes(least=15, usual=20, most=40, per_kg=10),
    hands=False,
    uses=BOWL,
    soon_min=5,
)
"""Handbook, section L; its minutes are a judgement."""
FILL: Final = Row(
    key="fill",
    kind="fill",
    title="Fill the shells",
    do="Pipe or pour it in to the planned level below the rim. Tap out the air.",
    cue="level, a clean rim all round",
    ask="Is the shell set, and the filling cool enough?",
    why="Too warm, it melts the shell; too full, no cap holds.",
    target_c=fill_c,
    minutes=by_hands("fill"),
)
HALF_SETS: Final = Row(
    key="half-set",
    kind="set",
    title="Let the filling half set",
    do="Leave it in a cool place until its surface has a skin.",
    cue="a skin, and nothing runs when it is tilted",
    why="A wet filling comes up through the cap.",
    minutes=Minutes(least=20, usual=45, most=90),
    hands=False,
    uses=FRIDGE,
    soon_min=5,
)
"""Handbook, section L; its minutes are a judgement."""
REST_IN_BOWL: Final = Row(
    key="set",
    kind="rest",
    title="Let it firm up",
    do=ByChoice(
        choice="rest",
        words=MappingProxyType(
            {
                "cool-first": "Press film onto its surface. Let it cool to ⟦30 °C⟧, then rest it in the fridge.",
                "fridge": "Press film onto its surface and rest it in the fridge.",
                "room": "Press film onto its surface and rest it in a cool room overnight.",
                "tray": "Spread it ⟦10 to 16 mm⟧ thin in a tray under film, in the fridge. "
                "It is rollable the same day, softer than after a night.",
            }
        ),
    ),
    cue="it holds its shape in the hand",
    why="A firm mix portions cleanly and stays round.",
    target_c=COOLED_C,
    minutes=bowl_band(),
    hands=False,
    uses=IN_FRIDGE,
    soon_min=15,
    cautions=("local-rules",),
)
"""Handbook, section L; its minutes are a judgement."""
STAND: Final = Row(
    key="stand",
    kind="warm",
    title="Let it stand",
    do="Take it out of the fridge and let it stand until it can be worked.",
    cue="a finger sinks in a little without a crack",
    call="Portion it",
    why="Straight from the fridge it crumbles, and the coat cracks later.",
    target_c=PORTION_C,
    minutes=Minutes(least=20, usual=40, most=60),
    hands=False,
    uses=BOWL,
    where=unless(ROOM_REST),
)
"""Handbook, section L; its minutes are a judgement."""
PORTION: Final = Row(
    key="portion",
    kind="portion",
    title="Portion it",
    do="Portion it.",
    ask="Does it hold its shape and come off the hand?",
    why="Equal pieces set, dip and pack alike.",
    target_c=PORTION_C,
    minutes=by_hands("roll", 0.5),
)
"""Handbook, section L; its minutes are a judgement."""
ROLL: Final = Row(
    key="roll",
    kind="roll",
    title="Roll the balls round",
    do="Roll each with cold, dry hands, one turn or two. Then chill them until they are firm.",
    cue="round and firm to the touch",
    why="A warm hand melts the outside before the middle is round.",
    minutes=by_hands("roll", 0.5),
)
"""Handbook, section L; its minutes are a judgement."""
SPREAD: Final = Row(
    key="spread",
    kind="fill",
    title="Spread it on the cake",
    do="Fill first, then spread a thin coat to bind crumbs. Chill, then spread the second coat.",
    cue="even, no crumbs show",
    ask="Does it spread without tearing or running?",
    why="Too warm it runs, too cold it tears the cake.",
    target_c=WORK["coat-cake"].worked_c,
    minutes=by_hands("spread"),
)
