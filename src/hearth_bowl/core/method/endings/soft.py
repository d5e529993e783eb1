"""Endings of what sets by its fat, cold or cool: ganaches, nut pastes, fillings, whips, curds, soft cheese."""

from dataclasses import replace
from typing import Final

from hearth_bowl.core.assess.at_work import WORK
from hearth_bowl.core.method.endings.common import (
    COOL_TO_FILL,
    CUT,
    FILL,
    HALF_SETS,
    PORTION,
    POUR,
    REST_IN_BOWL,
    ROLL,
    SET_COLD,
    SPREAD,
    STAND,
    fill_c,
)
from hearth_bowl.core.method.endings.ending import Ending
from hearth_bowl.core.method.rows import FRIDGE, FROM_THE_FRIDGE_C, IN_FRIDGE, Minutes, Row
from hearth_bowl.core.method.set_times import bowl_band, slab_band

AT_ONCE_MIN: Final = 10.0
"""How soon what is whipped or beaten is used. A judgement."""
CHEESE_C: Final = (8.0, 14.0)
"""Soft-cheese centres stay cold while they are worked. Handbook, section L."""

GANACHE: Final = Ending(
    pan=(replace(POUR, target_c=WORK["pour"].worked_c, call="Pour it"),),
    pan_sets=(SET_COLD,),
    cut=(CUT,),
    shell=(COOL_TO_FILL, FILL),
    shell_sets=(HALF_SETS,),
    bowl=(REST_IN_BOWL,),
    shape=(STAND, PORTION, ROLL),
    spread=(
        replace(
            COOL_TO_FILL,
            title="Cool it to spread",
            do="Press film onto its surface and let it cool until it spreads.",
            call="Spread it",
            why="Too warm it runs off the cake.",
            target_c=WORK["coat-cake"].worked_c,
        ),
        SPREAD,
    ),
)
FILLING: Final = replace(GANACHE, pan=(POUR,))
_PIPE: Final = replace(
    FILL,
    title="Pipe the filling",
    do="Pipe it to the planned level within minutes of whipping. Do not tap it.",
    cue="peaks that stand, no air pockets",
    ask="Does the whip still stand?",
    why="Tapped or left, a whip loses its air.",
    target_c=None,
    soon_min=AT_ONCE_MIN,
)
_COLD_SET: Final = replace(
    SET_COLD,
    do="Cover it loosely and put it in the fridge.",
    ask="",
    why="Cold fat keeps the air in.",
    target_c=FROM_THE_FRIDGE_C,
    minutes=Minutes(least=60, usual=120, most=240),
)
"""Handbook, section L; its minutes are a judgement."""
WHIPPED: Final = Ending(
    is_used_at_once=True,
    pan=(
        replace(
            POUR,
            title="Spread it in the tin",
            do="Line the tin, spread the whip level and do not tap it.",
            why="A whip loses its air when it is tapped.",
            soon_min=AT_ONCE_MIN,
        ),
    ),
    pan_sets=(_COLD_SET,),
    cut=(CUT,),
    shell=(_PIPE,),
    shell_sets=(replace(HALF_SETS, minutes=Minutes(least=20, usual=40, most=60)),),
    bowl=(
        replace(
            REST_IN_BOWL,
            title="Keep it cold",
            do="Cover it and keep it in the fridge. Pipe it the same day.",
            why="Warm, it loses its air.",
            target_c=FROM_THE_FRIDGE_C,
            minutes=Minutes(least=30, usual=60, most=120),
            soon_min=AT_ONCE_MIN,
        ),
    ),
    shape=(replace(PORTION, target_c=FROM_THE_FRIDGE_C), ROLL),
    spread=(replace(SPREAD, target_c=None, soon_min=AT_ONCE_MIN),),
)
"""Handbook, section L; its minutes are a judgement."""
NUT_PASTE: Final = replace(
    GANACHE, pan=(replace(POUR, do="Line the tin with paper. Pour, level it and tap out the air."),), shell=(FILL,)
)
_INTO_FRIDGE: Final = Row(
    key="set",
    kind="rest",
    title="Keep the curd cold",
    do="Cover its surface with film and keep it in the fridge. Use it cold.",
    cue="thick enough to hold a track",
    why="It thickens as it cools, and germs grow in it when it is warm.",
    target_c=FROM_THE_FRIDGE_C,
    minutes=Minutes(least=60, usual=120, most=240),
    hands=False,
    uses=IN_FRIDGE,
    soon_min=30,
)
"""Handbook, section L; its minutes are a judgement."""
CURD: Final = Ending(
    stays_cold=True,
    pan=(replace(POUR, title="Spread the curd", do="Spread it level over what holds it.", soon_min=None),),
    pan_sets=(replace(_COLD_SET, why="It thickens as it cools, and germs grow in it when it is warm."),),
    cut=(CUT,),
    shell=(replace(FILL, do="Pipe it in cold, to the planned level below the rim.", target_c=fill_c),),
    shell_sets=(replace(HALF_SETS, minutes=Minutes(least=30, usual=60, most=90)),),
    bowl=(_INTO_FRIDGE,),
    shape=(replace(PORTION, target_c=FROM_THE_FRIDGE_C), ROLL),
    spread=(replace(SPREAD, do="Spread it cold.", target_c=FROM_THE_FRIDGE_C),),
)
"""Handbook, section L; its minutes are a judgement."""
_CHEESE_REST: Final = replace(
    REST_IN_BOWL,
    do="Cover it and put it back into the fridge at once.",
    why="Fresh cheese is out of the fridge for two hours in all.",
    target_c=FROM_THE_FRIDGE_C,
    minutes=bowl_band(20.0, "fridge"),
    soon_min=10,
)
"""Handbook, section L; its minutes are a judgement."""
SOFT_CHEESE: Final = Ending(
    stays_cold=True,
    pan=(replace(POUR, title="Spread it in the tin", do="Line the tin and spread it level.", out_of_cold=True),),
    pan_sets=(
        replace(
            SET_COLD,
            do="Cover it and put it in the fridge at once.",
            ask="",
            why="Fresh cheese is out of the fridge for two hours in all.",
            target_c=FROM_THE_FRIDGE_C,
            minutes=slab_band("cut", 20.0, "fridge"),
        ),
    ),
    cut=(
        replace(
            CUT,
            do=CUT.do.replace(" and let it stand a quarter of an hour", "") if isinstance(CUT.do, str) else "",
            out_of_cold=True,
        ),
    ),
    shell=(replace(FILL, target_c=None, ask="Is the shell set?", out_of_cold=True),),
    shell_sets=(HALF_SETS,),
    bowl=(_CHEESE_REST,),
    shape=(
        replace(
            PORTION,
            title="Portion it in small lots",
            do="Portion it in small lots; the rest stays in the fridge.",
            target_c=CHEESE_C,
            out_of_cold=True,
            cautions=("cold-cheese",),
        ),
        replace(ROLL, do="Roll each with cold hands, then back into the fridge at once.", out_of_cold=True),
        Row(
            key="back",
            kind="rest",
            title="Chill the balls",
            do="Put them back into the fridge until they are firm.",
            cue="firm to the touch",
            target_c=FROM_THE_FRIDGE_C,
            minutes=Minutes(least=20, usual=30, most=60),
            hands=False,
            uses=FRIDGE,
            soon_min=5,
        ),
    ),
    spread=(replace(SPREAD, target_c=FROM_THE_FRIDGE_C, out_of_cold=True),),
)
"""Handbook, section L; its minutes are a judgement."""
