"""What goes round or on a piece: coats that it is dipped in, what it is rolled in, what is put on it."""

from collections.abc import Mapping, Sequence
from math import pi
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.confection.confection import Form
from hearth_bowl.core.confection.laid import Ball, Block, Given, Laid, PartLaid
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import USUAL_COAT_MM
from hearth_bowl.core.fit.dipping import FOOT_SHARE, pool_g
from hearth_bowl.core.fit.rolling import ROLLING
from hearth_bowl.core.geometry.cakes import Cake
from hearth_bowl.core.geometry.pieces import piece_coat_g
from hearth_bowl.core.ingredients.attributes import NUT_GROUPS
from hearth_bowl.core.ingredients.ingredient import Ingredient

USUAL_DIP_BOWL_MM: Final = 110.0  # a judgement
SUGAR_PCT: Final = 80.0
"""Sucrose from which a powder is rolled in as icing sugar, and grains as sprinkles: food tables."""
ROLLED_OF: Final[Mapping[str, str]] = MappingProxyType(
    {
        "cocoa": "cocoa_powder_21",
        "icing-sugar": "sugar_icing",
        "nuts": "hazelnut_whole",
        "coconut": "coconut_desiccated",
        "flakes": "dark60",
    }
)
"""What a rolling coat is of, where nobody said: its commonest kind, a judgement."""


def lay_outside(form: Form, given: Sequence[Given], laid: Laid) -> None:
    """Lay coats, rollings and toppings round and on the pieces, each on what is there already.

    :raises BadInput: below `parts`.
    """
    outside = laid.outside
    for one in given:
        if one.part.role == "coat":
            if isinstance(form.vessel, Cake):
                _coat_cake(form.vessel, one, laid)
            else:
                outside = _coat(one, laid, outside)
        elif one.part.role == "rolling":
            outside = _roll(one, laid, outside)
        elif one.part.role == "topping":
            _top(one, laid)
    laid.outside = outside


def _coat_cake(cake: Cake, one: Given, laid: Laid) -> None:
    coat_mm = cake.coat_mm if one.part.mm is None else one.part.mm
    density = one.stuff.made.density_g_per_ml
    each_g = cake.coat_ml(coat_mm) * density if one.part.g_each is None else one.part.g_each
    laid.parts[one.position] = PartLaid(each_g=each_g, each_ml=each_g / density, pieces=laid.pieces, mm=coat_mm)


def _coat(one: Given, laid: Laid, outside: Ball | Block | None) -> Ball | Block:
    part = one.part
    if outside is None:
        raise BadInput(("parts", one.position, "role"), "a slab that is not cut is not dipped", "pieces", "missing")
    pieces = laid.pieces if part.coated is None else part.coated
    if pieces > laid.pieces:
        field = ("parts", one.position, "coated")
        raise BadInput(field, f"{pieces} of {laid.pieces} pieces", f"0 to {laid.pieces}", "out-of-range")
    density = one.stuff.made.density_g_per_ml
    coat_mm = USUAL_COAT_MM if part.mm is None else part.mm
    each_g = _coat_g(outside, coat_mm, density) * (1 + FOOT_SHARE) if part.g_each is None else part.g_each
    if part.g_each is not None:
        coat_mm = part.g_each / (1 + FOOT_SHARE) / density / outside.area_cm2 * 10
    bowl_mm = USUAL_DIP_BOWL_MM if part.dip_bowl_mm is None else part.dip_bowl_mm
    laid.parts[one.position] = PartLaid(
        each_g=each_g,
        each_ml=each_g / density,
        pieces=pieces,
        mm=coat_mm,
        pool_g=pool_g(outside.height_mm, bowl_mm) if pieces else 0.0,
    )
    if pieces < laid.pieces:
        later = laid.pieces - pieces
        laid.notes.append(
            f"{later} are coated later, ⟦{later * each_g:.0f} g⟧ more: freeze them in a closed box, thaw them in it so "
            "that they do not sweat, and dip them cold but not frozen hard."
        )
    return outside.grown(coat_mm)


def _coat_g(outside: Ball | Block, coat_mm: float, density: float) -> float:
    if isinstance(outside, Ball):
        return pi / 6 * (outside.grown(coat_mm).diameter_mm ** 3 - outside.diameter_mm**3) * density / 1000
    return piece_coat_g(*outside.sides_mm, coat_mm, density)


def _roll(one: Given, laid: Laid, outside: Ball | Block | None) -> Ball | Block:
    if outside is None:
        field = ("parts", one.position, "role")
        raise BadInput(field, "A slab that is not cut is not rolled in anything.", "a number of pieces", "missing")
    density = one.stuff.made.density_g_per_ml
    each_g = one.part.g_each
    if each_g is None:
        kind = ROLLING[_rolled_in(one)]
        each_g = kind.g_per_cm2 * outside.area_cm2
        tray_g = laid.pieces * each_g * (1 + kind.tray_share)
        laid.notes.append(
            f"{one.stuff.name}: stand ⟦{tray_g:.0f} g⟧ in the tray; about ⟦{laid.pieces * each_g:.0f} g⟧ stay on "
            "(±40 %)."
        )
    laid.parts[one.position] = PartLaid(each_g=each_g, each_ml=each_g / density, pieces=laid.pieces)
    return outside.grown(each_g / density / outside.area_cm2 * 10)


def _rolled_in(one: Given) -> str:
    """Return the kind of a rolling coat by its ingredient.

    :raises BadInput: at the part's `g_each` where it is none that is known.
    """
    ingredients = [line.ingredient for line in one.stuff.recipe.lines]
    found = rolling_of(ingredients[0]) if len(ingredients) == 1 else None
    if found is not None:
        return found
    field = ("parts", one.position, "g_each")
    raise BadInput(field, f"how much {one.stuff.name} stays on is not known", "g_each", "missing")


def rolling_of(ingredient: Ingredient) -> str | None:
    """Return which rolling coat an ingredient is: a powder, sprinkles, nuts or flakes; None for others."""
    parts = ingredient.composition_pct
    if ingredient.kind == "cocoa-powder":
        return "cocoa"
    if ingredient.is_chocolate:
        return "flakes"
    if ingredient.own_body and not NUT_GROUPS.isdisjoint(ingredient.allergens):
        return "nuts"
    if ingredient.own_body and ingredient.other_fat_kind == "coconut" and parts["other_fat"] > 0:
        return "coconut"
    if parts["sucrose"] >= SUGAR_PCT and ingredient.density_is_bulk:
        return "sprinkles" if ingredient.own_body else "icing-sugar"
    return None


def _top(one: Given, laid: Laid) -> None:
    part, density = one.part, one.stuff.made.density_g_per_ml
    if part.g_each is not None:
        each_g = part.g_each
    elif part.ml_each is not None:
        each_g = part.ml_each * density
    elif part.mass_g is not None:
        each_g = one.stuff.kept_g(part.mass_g) / laid.pieces
    else:
        single = one.stuff.recipe.lines[0].ingredient.piece_g if len(one.stuff.recipe.lines) == 1 else None
        if single is None:
            raise BadInput(("parts", one.position, "g_each"), "how much goes on is not given", "g_each", "missing")
        each_g = single
    laid.parts[one.position] = PartLaid(each_g=each_g, each_ml=each_g / density, pieces=laid.pieces)
