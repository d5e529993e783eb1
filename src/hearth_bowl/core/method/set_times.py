"""Set times: how long a mix rests until it can be filled over, rolled or cut, by the set clock or as usual [min]."""

from collections.abc import Callable
from dataclasses import replace
from typing import Final

from hearth_bowl.core.cooling.set_ask import SetAsk
from hearth_bowl.core.cooling.set_clock import set_clock
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.keep.cautions import why_set_not_told
from hearth_bowl.core.method.cook import Cook

Band = tuple[float, float, float]
JOINED_C: Final = 40.0
"""The usual temperature of a mix when it is joined. A judgement."""
PUT_TO_SET_C: Final = 30.0  # a judgement
LEAST_BOWL_KG: Final = 0.05  # a limit, by definition
USUAL_SLAB_MM: Final = 16.0
"""The usual thickness of a slab. A judgement."""
NEVER_SETS_MIN: Final[Band] = (120.0, 240.0, 480.0)
"""The rest of a mix whose set is not modelled. Common practice."""
TRAY_MM: Final = 13.0
"""A truffle mix spread thin for the same day, 10 to 16 mm. Handbook, section L."""
PLACE_OF_REST: Final = {"cool-first": "fridge", "fridge": "fridge", "room": "larder", "tray": "fridge"}


def set_band(cook: Cook, ask: SetAsk) -> Band:
    """Return the least, usual and most minutes until a mix is set as asked; the usual rest where that is not modelled.

    The least is when its last point is cool enough.
    """
    mixture = cook.eaten
    try:
        found = set_clock(mixture, ask, with_curve=False, learned=cook.cools.get(ask.place))
    except BadInput:
        return NEVER_SETS_MIN
    middle, slow = found.set_min
    return min(found.cool_min[0], middle), middle, max(middle, slow)


def slab_band(state: str, from_c: float = PUT_TO_SET_C, place: str | None = None) -> Callable[[Cook], Band]:
    """Return the rest of a slab until a state, in a place or where the chosen rest is."""

    def band(cook: Cook) -> Band:
        where = place or PLACE_OF_REST[cook.choices["rest"]]
        thick_mm = cook.thickness_mm or USUAL_SLAB_MM
        return set_band(cook, SetAsk(state=state, from_c=from_c, place=where, cover="film", thickness_mm=thick_mm))

    return band


def bowl_band(from_c: float = JOINED_C, place: str | None = None) -> Callable[[Cook], Band]:
    """Return the rest of a mix in its bowl until it can be rolled; spread thin where that is chosen."""

    def band(cook: Cook) -> Band:
        rest = cook.choices["rest"]
        ask = SetAsk(state="roll", from_c=from_c, place=place or PLACE_OF_REST[rest], cover="film")
        if rest == "tray" and place is None:
            return set_band(cook, replace(ask, thickness_mm=TRAY_MM))
        return set_band(cook, replace(ask, bowl_kg=max(LEAST_BOWL_KG, cook.recipe.mass_g / 1000)))

    return band


def holds_a_mark_band(cook: Cook) -> Band | None:
    """Return when the surface of a slab holds a mark; None where its set is not modelled."""
    mixture = cook.eaten
    if why_set_not_told(cook.recipe, mixture) is not None:
        return None
    ask = SetAsk(
        state="pipe",
        from_c=MARKED_FROM_C,
        place="counter",
        cover="film",
        thickness_mm=cook.thickness_mm or USUAL_SLAB_MM,
    )
    try:
        return set_clock(mixture, ask, with_curve=False).cool_min
    except BadInput:
        return None


MARKED_FROM_C: Final = 36.0
"""The usual temperature of a slab just poured. Common practice."""
