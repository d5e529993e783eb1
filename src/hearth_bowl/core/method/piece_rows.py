"""Rows of the piece: shells, caps, halves, dips, toppings and rests, whatever mix is inside.

Common practice; minutes without a source are judgements.
"""

from dataclasses import replace
from typing import Final

from hearth_bowl.core.method.act import Act
from hearth_bowl.core.method.endings.common import by_hands
from hearth_bowl.core.method.rows import BOWL, COOL_PLACE, FRIDGE, FROM_THE_FRIDGE_C, Minutes, Row

DIP_C: Final = (16.0, 20.0)
"""Centres are dipped at this temperature, never colder than 12 °C. Handbook, section L."""
COAT_SETS_C: Final = (15.0, 18.0)
"""Coats set at this temperature, not in the fridge first. Handbook, section L."""
RIPENS_C: Final = (18.0, 22.0)
"""A centre with enzyme ripens at room temperature. Handbook, section L."""
LAST_REST_C: Final = (14.0, 18.0)  # a judgement

SHELL: Final = Row(
    key="shell",
    kind="shell",
    title="Make the shells",
    do="Flood the cavities, tap the air out, turn the mould over and drain it. Scrape it clean and rest it upside down "
    "a few minutes. Give a thin rim a second coat.",
    cue="no thin spot against the light",
    ask="Is there no thin spot against the light?",
    why="A thin rim cracks when it is capped; a pin hole lets the filling dry or weep.",
    minutes=by_hands("shell"),
    soon_min=10,
)
"""Common practice; its minutes are a judgement."""
BRUSHED: Final = Row(
    key="shell",
    kind="shell",
    title="Line the cups",
    do="Brush or shake the cups out with chocolate, walls first. Chill, and give the rims a second coat.",
    cue="no paper shows through",
    ask="Is there no thin spot against the light?",
    why="A thin wall breaks when the paper comes off.",
    minutes=by_hands("shell"),
    soon_min=10,
)
"""Common practice; its minutes are a judgement."""
SHELL_CHILLS: Final = Row(
    key="shell-sets",
    kind="set",
    title="Chill the shells",
    do="Chill them until they come away from the wall.",
    cue="they come away from the wall",
    why="Unset shells melt into a warm filling.",
    passes="Grey where it still holds to the mould: it clears as it comes away.",
    minutes=Minutes(least=8, usual=12, most=20),
    hands=False,
    uses=FRIDGE,
    soon_min=5,
)
"""Common practice; its minutes are a judgement."""
CAP: Final = Row(
    key="cap",
    kind="cap",
    title="Cap them",
    do="Spread a thin layer over all, scrape once, and tap.",
    cue="level, closed to every rim",
    ask="Has the filling half set: a skin, and it does not run?",
    why="A wet filling comes up through the cap; a warm one melts it.",
    minutes=by_hands("cap"),
    soon_min=10,
)
"""Common practice; its minutes are a judgement."""
CAP_SETS: Final = Row(
    key="cap-sets",
    kind="set",
    title="Let the caps set",
    do="Chill the mould until the caps are firm.",
    cue="the cap is matt, the mould looks frosted from below",
    minutes=Minutes(least=10, usual=15, most=25),
    hands=False,
    uses=FRIDGE,
    soon_min=5,
)
"""Common practice; its minutes are a judgement."""
UNMOULD: Final = Row(
    key="unmould",
    kind="unmould",
    title="Unmould them",
    do="Turn the mould over: pieces that are ready fall out by themselves.",
    cue="they fall out by themselves",
    why="Pieces that must be knocked out hold on still: chill them some minutes more.",
    minutes=by_hands("unmould"),
)
HALVES: Final = Row(
    key="halves",
    kind="join",
    title="Join the halves",
    do="Warm the rims for a second on a warm plate, or pipe a line of chocolate round. Press, hold, and look for gaps.",
    cue="no gap all round",
    ask="Does the filling stand below the rim?",
    why="A gap lets a running centre out and air in.",
    minutes=by_hands("halves"),
)
BALLS_CHILL: Final = Row(
    key="balls-set",
    kind="set",
    title="Chill the balls",
    do="Chill them until they are firm.",
    cue="firm to the touch",
    minutes=Minutes(least=20, usual=30, most=60),
    hands=False,
    uses=FRIDGE,
    soon_min=5,
)
"""Common practice; its minutes are a judgement."""
TEMPERATE: Final = Row(
    key="balls-stand",
    kind="warm",
    title="Let the centres stand",
    do="Take them out of the fridge before they are dipped.",
    cue="cool to the touch, and dry",
    call="Dip them",
    why="Colder, the coat cracks and sweats.",
    target_c=DIP_C,
    minutes=Minutes(least=30, usual=45, most=60),
    hands=False,
    uses=BOWL,
)
"""Common practice; its minutes are a judgement."""
STANDS_MIN: Final = 180.0
"""How long centres that were brought to their dipping temperature stay so. A judgement."""
DIP: Final = Row(
    key="dip",
    kind="dip",
    title="Dip them",
    do="Dip each piece, tap it off on the rim and set it on paper.",
    cue="glossy, no streaks after some minutes",
    ask="Are the centres cool and dry, not cold?",
    why="Cold centres crack the coat; warm ones slide off the fork.",
    target_c=DIP_C,
    minutes=by_hands("dip"),
    soon_min=10,
)
"""Common practice; its minutes are a judgement."""
DIP_COLD: Final = Row(
    key="dip",
    kind="dip",
    title="Dip them in small lots",
    do="Take a few centres at a time out of the fridge and dip them in thin compound.",
    cue="an even coat",
    ask="Do the other centres wait in the fridge?",
    why="Soft cheese stays cold, and a thin coat sets on it at once.",
    target_c=(8.0, 14.0),
    minutes=by_hands("dip"),
    out_of_cold=True,
    soon_min=10,
)
"""Common practice; its minutes are a judgement."""
COAT_MIX: Final = Row(
    key="coat",
    kind="coat",
    title="Coat them",
    do="Coat each piece, tap it off and set it on paper.",
    cue="an even coat",
    minutes=by_hands("dip"),
)
ROLL_IN_WET: Final = Row(
    key="roll-in",
    kind="roll",
    title="Roll them in the coating",
    do="Roll them before the coat sets.",
    cue="covered all round",
    why="Once the coat is dry nothing stays on.",
    minutes=by_hands("rolling"),
    soon_min=10,
)
"""Common practice; its minutes are a judgement."""
ROLL_IN: Final = Row(
    key="roll-in",
    kind="roll",
    title="Roll them in the coating",
    do="Roll them while the outside is still a little soft.",
    cue="covered all round",
    why="Dry and firm, nothing stays on.",
    minutes=by_hands("rolling"),
)
ON_TOP_WET: Final = Row(
    key="decorate",
    kind="decorate",
    title="Decorate the pieces",
    do="Put it on a few pieces at a time, before the surface sets.",
    cue="it holds when the paper is moved",
    ask="Does the surface still take it?",
    why="Once it sets nothing stays on.",
    minutes=by_hands("decorate"),
    soon_min=10,
)
"""Common practice; its minutes are a judgement."""
ON_TOP: Final = Row(
    key="decorate",
    kind="decorate",
    title="Decorate the pieces",
    do="Work on a few pieces at a time.",
    cue="it holds when the paper is moved",
    ask="Does it stay on?",
    why="A drizzle sets within a minute or two on a cold piece.",
    minutes=by_hands("decorate"),
)
FILL_LAYERS: Final = Row(
    key="fill",
    kind="fill",
    title="Fill the shells",
    do="",
    cue="level, a clean rim all round",
    ask="Is the shell set, and each filling cool enough?",
    why="Too warm, it melts the shell; too full, no cap holds.",
    minutes=by_hands("fill"),
)
"""Common practice; its minutes are a judgement."""
DRIZZLE: Final = Row(
    key="drizzle",
    kind="decorate",
    title="Run the drizzle over",
    do="Run it over a few pieces at a time, once their coat has set.",
    cue="thin lines that set within a minute or two",
    ask="Is the coat dry?",
    why="On a wet coat the lines sink in.",
    minutes=by_hands("decorate"),
)
"""Common practice; its minutes are a judgement."""
ON_SLAB: Final = Row(
    key="toppings",
    kind="decorate",
    title="Place the toppings",
    do="Mark the cuts lightly, set one on each piece and press it just in.",
    cue="each sits fast",
    ask="Does a finger leave a mark that stays, and does the surface still take one?",
    why="Sooner they sink, later they fall off when it is cut.",
    minutes=by_hands("decorate"),
)
COAT_SETS: Final = Row(
    key="coat-sets",
    kind="set",
    title="Let the coats set",
    do="Leave them in a cool room, not in the fridge.",
    cue="dry and glossy",
    why="Set too cold, a coat turns dull and damp.",
    target_c=COAT_SETS_C,
    minutes=Minutes(least=10, usual=20, most=30),
    hands=False,
    uses=COOL_PLACE,
    soon_min=5,
)
"""Common practice; its minutes are a judgement."""
COAT_SETS_COLD: Final = replace(
    COAT_SETS,
    do="Leave them in a cool room only until the coats are dry.",
    why="Set too cold, a coat turns dull. Left out, germs grow in egg and fresh cheese.",
)
"""Handbook, section L; its minutes are a judgement."""
LAYER_SETS: Final = Row(
    key="layer-sets",
    kind="set",
    title="Let the layer set",
    do="Leave it until it holds the next layer.",
    cue="a finger leaves no dent",
    minutes=Minutes(least=20, usual=45, most=90),
    hands=False,
    uses=FRIDGE,
    soon_min=5,
)
"""Common practice; its minutes are a judgement."""
DWELL: Final = Row(
    key="dwell",
    kind="dwell",
    title="Let the centres ripen",
    do="Leave them at room temperature, sealed. Never in the fridge.",
    cue="the centre runs when one is cut",
    why="The enzyme makes the centre run; in the cold it stands still.",
    target_c=RIPENS_C,
    hands=False,
)
LAST_REST: Final = Row(
    key="rest",
    kind="rest",
    title="Let them rest",
    do="Leave them in a cool, dry room overnight.",
    cue="glossy, with a clean snap",
    target_c=LAST_REST_C,
    minutes=Minutes(least=360, usual=480, most=720),
    hands=False,
    uses=COOL_PLACE,
    soon_min=30,
)
"""Common practice; its minutes are a judgement."""
LAST_REST_COLD: Final = replace(
    LAST_REST,
    do="Cover them and put them back into the fridge at once, overnight.",
    cue="cold all through",
    why="Germs grow in egg and fresh cheese when they are warm.",
    target_c=FROM_THE_FRIDGE_C,
    uses=FRIDGE,
    soon_min=10,
)
"""Handbook, section L; its minutes are a judgement."""
BACK_COLD: Final = replace(
    LAST_REST_COLD,
    key="back-cold",
    title="Put them back into the fridge",
    do="Cover them and put them back into the fridge at once.",
    minutes=Minutes(least=20, usual=30, most=60),
)
"""Handbook, section L; its minutes are a judgement."""
PRESS_CORE: Final = "Press the core in and close the mix over it."


def piece_act(
    row: Row, of: tuple[str, ...], count: float = 0.0, suffix: str = "", *, in_vessel: bool = False, turn: int = 0
) -> Act:
    """Return a row of the piece as an act, for a count of pieces."""
    assert isinstance(row.minutes, Minutes)
    assert isinstance(row.title, str)
    assert isinstance(row.do, str)
    assert isinstance(row.ask, str)
    assert not callable(row.target_c)
    return Act(
        id=row.key + suffix,
        kind=row.kind,
        of=of,
        title=row.title,
        do=row.do,
        cue=row.cue,
        ask=row.ask,
        why=row.why,
        passes=row.passes,
        call=row.call,
        target_c=row.target_c,
        minutes=row.minutes.at(0.0, count),
        hands=row.hands,
        uses=row.uses,
        out_of_cold=row.out_of_cold,
        cautions=row.cautions,
        soon_min=row.soon_min,
        in_vessel=in_vessel,
        turn=turn,
    )
