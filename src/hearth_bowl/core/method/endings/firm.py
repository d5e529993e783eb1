"""Endings of what sets by sugar, water or its own grain, at room temperature. Section L of the handbook."""

from dataclasses import replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.mass.cooking import flows
from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.endings.common import (
    COOL_TO_FILL,
    CUT,
    FILL,
    HALF_SETS,
    PORTION,
    POUR,
    REST_IN_BOWL,
    ROLL,
    by_hands,
    sets_at_room,
)
from hearth_bowl.core.method.endings.ending import Ending
from hearth_bowl.core.method.families.selectors import has, raw_egg
from hearth_bowl.core.method.families.sugar import CAST_ABOVE_C
from hearth_bowl.core.method.rows import BOWL, COOL_PLACE, Minutes, Row
from hearth_bowl.core.method.set_times import bowl_band, slab_band

FONDANT_FILL_C: Final = (30.0, 35.0)
"""Fondant into shells, or at the shell's limit where that is lower. Handbook, section L."""
RIPE_C: Final = (18.0, 22.0)
"""A centre with enzyme ripens at room temperature. Handbook, section L."""
COOL_ROOM_C: Final = (14.0, 18.0)  # a judgement
KNEAD_C: Final = (18.0, 24.0)
"""Modelling chocolate and marzipan are worked at this temperature. Handbook, section D."""
CAST_C: Final = (CAST_ABOVE_C, 105.0)
"""A pectin jelly is cast hot. Handbook, section L."""
WRAP: Final = Row(
    key="wrap",
    kind="wrap",
    title="Wrap the pieces at once",
    do="Wrap each piece in cellophane or baking paper as soon as it is cut.",
    cue="no piece sticks to the next",
    why="Caramel draws water from the air and turns sticky.",
    minutes=by_hands("core"),
    soon_min=60,
)
"""Handbook, section L; its minutes are a judgement."""


def _at_room_bowl(words: str, cue: str = "firm enough to hold its shape") -> Row:
    return replace(
        REST_IN_BOWL,
        do=words,
        cue=cue,
        why="At room temperature its grain stays fine and its surface dry.",
        target_c=(18.0, 24.0),
        minutes=Minutes(least=60, usual=120, most=240),
        uses=BOWL,
    )


_SHELLS: Final = (COOL_TO_FILL, FILL)
_BEFORE_IT_SETS: Final = replace(
    CUT,
    do="Mark it as soon as it holds a mark. Lift it out by its paper, then cut with a warm, dry blade, wiped after "
    "each cut.",
)
POURED_FUDGE: Final = Ending(
    pan=(replace(POUR, title="Pour it while it flows", soon_min=10),),
    pan_sets=(
        replace(
            sets_at_room("Leave it at room temperature until it holds a mark, then in a cool place.", 0, 0, 0),
            minutes=slab_band("cut", 40.0, "counter"),
        ),
    ),
    cut=(_BEFORE_IT_SETS,),
    shell=_SHELLS,
    shell_sets=(HALF_SETS,),
    bowl=(
        replace(_at_room_bowl("Cover it and let it firm up at room temperature."), minutes=bowl_band(place="counter")),
    ),
    shape=(PORTION, ROLL),
    is_poured=True,
)
"""Handbook, section L; its minutes are a judgement."""
BEATEN_FUDGE: Final = Ending(
    is_used_at_once=True,
    pan=(
        replace(
            POUR,
            title="Into the tin at once",
            do="Scrape it into the lined tin and press it level. You have two to three minutes.",
            cue="level before it turns dull",
            why="Once it turns dull it is set.",
            soon_min=3,
        ),
    ),
    pan_sets=(
        sets_at_room("Leave it uncovered at room temperature until it is firm, never in the fridge.", 60, 120, 240),
    ),
    cut=(CUT,),
    shell=(replace(FILL, soon_min=3, target_c=None, ask="Is the shell set?"),),
    shell_sets=(HALF_SETS,),
    bowl=(_at_room_bowl("Turn it out on paper and let it firm up at room temperature."),),
    shape=(replace(PORTION, target_c=None), ROLL),
    is_poured=True,
)
"""Handbook, section L; its minutes are a judgement."""
_HOT_POUR: Final = replace(
    POUR,
    title="Pour it hot",
    do="Pour it into the lined, oiled tin in one go. Leave what sticks to the pan.",
    why="Scraped-out sugar seeds grain, and a hot tin stays hot: use dry gloves.",
    soon_min=5,
    cautions=("hot-sugar",),
)
"""Handbook, section L; its minutes are a judgement."""


def _is_firm(cook: Cook) -> bool:
    return not flows(cook.recipe)


CARAMEL: Final = Ending(
    pan=(_HOT_POUR,),
    pan_sets=(sets_at_room("Leave it at room temperature until it is cool and firm.", 240, 480, 720),),
    cut=(replace(CUT, do="Lift it out and cut it with a long, oiled blade.", why="An oiled blade does not drag."),),
    shell=(
        replace(COOL_TO_FILL, minutes=Minutes(least=40, usual=60, most=100, per_kg=30)),
        replace(FILL, do="Pipe it in to the planned level below the rim. Do not hold it open in the pan."),
    ),
    shell_sets=(HALF_SETS,),
    bowl=(
        replace(
            _at_room_bowl("Cover it and let it cool at room temperature.", "cool, and it holds a track"),
            minutes=Minutes(least=120, usual=240, most=480),
        ),
    ),
    shape=(replace(PORTION, do="Portion it with oiled hands.", target_c=None), ROLL),
    after=(replace(WRAP, where=_is_firm),),
    is_poured=True,
)
"""Handbook, section L; its minutes are a judgement."""
JELLY: Final = Ending(
    pan=(
        replace(
            _HOT_POUR,
            title="Cast it at once",
            do=f"Pour it into the lined tin within minutes, above ⟦{CAST_ABOVE_C:g} °C⟧.",
            why="Below that it sets in the pan.",
            target_c=CAST_C,
        ),
    ),
    pan_sets=(sets_at_room("Leave it at room temperature, uncovered, overnight.", 720, 900, 1440),),
    cut=(replace(CUT, do="Turn it out onto sugar and cut it with a long, oiled blade."),),
    shell=(replace(COOL_TO_FILL, do="Stir it gently now and then while it cools to its filling temperature."), FILL),
    shell_sets=(HALF_SETS,),
    bowl=(_at_room_bowl("Cover it and leave it at room temperature overnight.", "set through"),),
    shape=(replace(PORTION, target_c=None), ROLL),
    after=(
        Row(
            key="dry",
            kind="rest",
            title="Let the pieces dry",
            do="Leave the pieces apart on paper at room temperature.",
            cue="dry to the touch, the sugar stays dry",
            why="A damp surface melts the sugar on it.",
            target_c=(18.0, 24.0),
            minutes=Minutes(least=120, usual=180, most=360),
            hands=False,
            uses=COOL_PLACE,
        ),
    ),
    is_poured=True,
)
"""Handbook, section L; its minutes are a judgement."""
_DUST: Final = Row(
    key="dust",
    kind="roll",
    title="Dust the cut sides",
    do="Turn the pieces in starch and icing sugar until no side is sticky.",
    cue="no piece sticks to the next",
    why="Every fresh cut is sticky.",
    minutes=by_hands("rolling"),
    soon_min=60,
)
"""Handbook, section L; its minutes are a judgement."""
AERATED: Final = Ending(
    is_used_at_once=True,
    pan=(
        replace(
            POUR,
            title="Pour it while it flows",
            do="Pour it into the oiled, dusted tin, level it with a wet knife and dust the top.",
            soon_min=10,
        ),
    ),
    pan_sets=(sets_at_room("Leave it at room temperature, uncovered.", 240, 480, 720, "springy and dry on top"),),
    cut=(replace(CUT, do="Turn it out onto starch and icing sugar. Cut it with an oiled blade."),),
    shell=(
        replace(
            FILL,
            title="Pipe it in at once",
            do="Pipe it in to the planned level while it flows. Do not tap it.",
            ask="Is the shell set, and the whip cool enough?",
            soon_min=10,
        ),
    ),
    shell_sets=(HALF_SETS,),
    bowl=(_at_room_bowl("Cover it loosely and leave it at room temperature.", "springy and dry on top"),),
    shape=(replace(PORTION, target_c=None), ROLL),
    after=(_DUST,),
    is_poured=True,
)
"""Handbook, section L; its minutes are a judgement."""
HARD: Final = Ending(
    is_used_at_once=True,
    pan=(
        replace(_HOT_POUR, do="Pour it at once onto oiled paper or into the oiled tin. Leave what sticks to the pan."),
    ),
    pan_sets=(
        replace(
            sets_at_room("Leave it in a dry place until it is cold and hard.", 20, 40, 60, "hard, no longer warm"),
            why="Damp air makes it sticky within an hour.",
        ),
    ),
    cut=(
        replace(
            CUT,
            title="Mark or break it",
            do="Mark it with an oiled blade while it still gives, or break it when it is cold.",
            why="Cold, it splinters: keep splinters from eyes and small hands.",
        ),
    ),
    shell=(replace(FILL, title="Fill it hot", do="Pour it in a thin stream.", target_c=None, soon_min=5),),
    shell_sets=(HALF_SETS,),
    bowl=(_at_room_bowl("Leave it in a dry place until it is cold and hard.", "hard, no longer warm"),),
    shape=(replace(PORTION, title="Break it", do="Break it into pieces.", target_c=None),),
    after=(
        Row(
            key="wrap",
            kind="wrap",
            title="Into an airtight box",
            do="Pack it into an airtight box at once, with paper between the layers.",
            cue="dry and clear",
            why="It draws water from the air and turns sticky.",
            minutes=by_hands("rolling", 0.5),
            soon_min=30,
        ),
    ),
    is_poured=True,
)
"""Handbook, section L; its minutes are a judgement."""


def fondant_c(cook: Cook) -> tuple[float, float]:
    """Return where fondant goes into a shell: 30 to 35 °C, or at the shell's limit where that is lower."""
    low, high = FONDANT_FILL_C
    if cook.shell_limit_c is None or cook.shell_limit_c >= high:
        return low, high
    return min(low, cook.shell_limit_c - FONDANT_BAND_K), cook.shell_limit_c


FONDANT_BAND_K: Final = 2.0
"""Below the limit of a shell by this much [K]. A judgement."""
FONDANT: Final = Ending(
    pan=(replace(POUR, title="Press it into the tin", do="Line the tin and press it level."),),
    pan_sets=(sets_at_room("Cover it and leave it at room temperature until it is firm.", 60, 120, 240),),
    cut=(CUT,),
    shell=(
        replace(COOL_TO_FILL, title="Cool the fondant", do="Stir it now and then while it cools.", target_c=fondant_c),
        replace(FILL, target_c=fondant_c),
    ),
    shell_sets=(
        replace(
            HALF_SETS,
            title="Let the fondant skin over",
            do="Leave it in a cool room, not in the fridge, until its surface has a skin.",
            uses=COOL_PLACE,
        ),
    ),
    bowl=(
        replace(_at_room_bowl("Cover its surface with film and let it firm up at room temperature."), target_c=RIPE_C),
    ),
    shape=(replace(PORTION, target_c=None), ROLL),
)
"""Handbook, section L; its minutes are a judgement."""
_PRESSED: Final = Row(
    key="rest",
    kind="rest",
    title="Wrap it and let it rest",
    do="Press it flat, wrap it airtight and leave it in a cool room overnight.",
    cue="firm, and it no longer sticks",
    why="Flat, it cools evenly; wrapped, it does not dry.",
    target_c=COOL_ROOM_C,
    minutes=Minutes(least=360, usual=540, most=720),
    hands=False,
    uses=COOL_PLACE,
    soon_min=30,
    where=lambda cook: not raw_egg(cook),
)
"""Handbook, section L; its minutes are a judgement."""
_PRESSED_COLD: Final = replace(
    _PRESSED,
    do="Press it flat, wrap it airtight and leave it in the fridge overnight: raw egg is in it.",
    target_c=(3.0, 8.0),
    uses=MappingProxyType({"fridge_shelves": 1}),
    where=has(raw_egg),
)
"""Handbook, section L; its minutes are a judgement."""
KNEAD: Final = Row(
    key="work",
    kind="knead",
    title="Knead it supple",
    do="Knead it a handful at a time until it is supple. Add colours now.",
    cue="supple, with a dull sheen",
    why="Cold it crumbles, overworked it oils.",
    passes="It crumbles at first, then comes together.",
    target_c=KNEAD_C,
    minutes=Minutes(least=6, usual=10, most=15, per_kg=6),
    uses=BOWL,
)
"""Handbook, section L; its minutes are a judgement."""
DOUGH: Final = Ending(
    pan=(
        replace(
            POUR,
            kind="fill",
            title="Press it into the tin",
            do="Roll it out between two strips and press it level into the lined tin.",
            why="Dough does not flow: it is pressed.",
            soon_min=None,
        ),
    ),
    pan_sets=(
        replace(
            sets_at_room("Cover it and leave it in a cool room until it is firm.", 30, 60, 120),
            why="Firm, it cuts cleanly.",
        ),
    ),
    cut=(CUT,),
    shell=(
        replace(
            FILL,
            title="Press it into the shells",
            do="Press small balls of it in, below the rim.",
            target_c=None,
            ask="Is the shell set?",
        ),
    ),
    shell_sets=(replace(HALF_SETS, minutes=Minutes(least=5, usual=10, most=20)),),
    bowl=(_PRESSED, _PRESSED_COLD, KNEAD),
    shape=(replace(PORTION, target_c=KNEAD_C), ROLL),
    spread=(
        Row(
            key="spread",
            kind="fill",
            title="Roll it out over the cake",
            do="Roll it out between strips, lift it over the cake and smooth it from the top down.",
            cue="no folds, no cracks",
            target_c=KNEAD_C,
            minutes=Minutes(least=8, usual=15, most=25),
        ),
    ),
)
"""Handbook, section L; its minutes are a judgement."""
DRY: Final = Ending(
    pan=(replace(POUR, kind="fill", title="Fill the tin", do="Fill it into a clean, dry tin.", soon_min=None),),
    pan_sets=(),
    cut=(),
    shell=(
        replace(
            FILL,
            title="Weigh the mix into the halves",
            do="Weigh it into the lower halves and leave room above it.",
            cue="below the rim, no powder on it",
            ask="Are the shells dry inside and out?",
            why="Damp shells bloom, and damp mix cakes.",
            target_c=None,
        ),
    ),
    shell_sets=(),
    bowl=(
        Row(
            key="jar",
            kind="wrap",
            title="Into an airtight jar",
            do="Fill it into a dry, airtight jar and label it.",
            cue="dry and loose",
            why="Damp air cakes it.",
            minutes=Minutes(least=3, usual=5, most=8),
            soon_min=60,
        ),
    ),
    shape=(
        replace(
            PORTION,
            title="Weigh out the portions",
            do="Weigh out each portion.",
            ask="Is it free of lumps?",
            target_c=None,
        ),
    ),
)
"""Handbook, section L; its minutes are a judgement."""
