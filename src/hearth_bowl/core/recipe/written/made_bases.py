"""Made bases: a mix that is made already and goes in whole ("500 g cooked fudge base (butter, sugar, milk)").

Its weight counts. What is in it is not known, so it is assumed to the safe side and said so.
"""

import re
from typing import Final

from hearth_bowl.core.ingredients.ingredient import Ingredient, own_ingredient
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.written.names import name_ingredient, names_in

_MIX: Final = (
    r"fudge|ganache|caramel|toffee|praline|truffle|nougat|marshmallow|fondant|buttercream|curd"
    r"|marzipan|modelling chocolate"
    r"|karamell|trüffel|caramelo|caramello|trufas?"
)
MADE: Final = re.compile(
    rf"\b(?:(?:{_MIX})\s+(?:base|mix|mixture|mass|masse)\b"
    rf"|(?:cooked|ready[- ]made|home-?made|leftover|left-over|already made|previously made"
    rf"|fertige[rsn]?|restliche[rsn]?)\s+"
    rf"(?:[a-zà-ÿ]+\s+){{0,2}}(?:{_MIX}|base)\b)",
    re.IGNORECASE,
)
ASSUMED_WATER_PCT: Final = 20.0
"""Water assumed in what nobody knows, with nothing that binds it: it is kept as the least keeping mix. A judgement."""
DENSITY: Final = 1.2
"""Assumed density of a made mix [g/ml]. A judgement."""
ALREADY_MADE: Final = "made already: what is in it is not known, so it is kept as briefly as the least keeping mix"


def made_base(plain: str) -> Ingredient | None:
    """Return a mix that a line says is made already; None where it says none, or the library has it."""
    outside = re.sub(r"\([^)]*\)", " ", plain)
    said = MADE.search(outside)
    if said is None or _is_known(outside, said[0]):
        return None
    within = " ".join(re.findall(r"\(([^)]*)\)", plain))
    listed = names_in(within) if within else set()
    allergens = sorted({group for key in listed for group in LIBRARY[key].allergens})
    name = (
        re.sub(r"^[\W\d]*(?:(?:k?g|oz|lbs?|ml)\b)?\s*(?:of )?(?:the )?", "", outside).split(",")[0].strip(" .:")
        or said[0]
    )
    return own_ingredient(
        name=name[:1].upper() + name[1:80],
        composition_pct={"water": ASSUMED_WATER_PCT, "other": 100 - ASSUMED_WATER_PCT},
        density_g_per_ml=DENSITY,
        allergens=allergens if listed else None,
    )


def _is_known(outside: str, said: str) -> bool:
    """Return whether the library names the mix itself: marzipan, fondant, lemon curd."""
    key = name_ingredient(outside).key
    mix = re.search(_MIX, said, re.IGNORECASE)
    return (
        key is not None
        and mix is not None
        and mix[0].lower() in LIBRARY[key].name.lower()
        and "base" not in said.lower()
    )
