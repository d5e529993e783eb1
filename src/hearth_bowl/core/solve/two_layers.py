"""Two layers from one tin: how a tin is split when each layer has its own ratio."""

from dataclasses import dataclass

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.recipe.ratios import kind_g
from hearth_bowl.core.recipe.recipe import Recipe


@dataclass(frozen=True, slots=True, kw_only=True)
class TwoLayers:
    """Both layers scaled to one tin, and what of the tin each takes [g]."""

    first: Recipe
    second: Recipe
    first_tin_g: float
    second_tin_g: float


def split_tin(first: Recipe, second: Recipe, tin_g: float, first_share: float = 0.5) -> TwoLayers:
    """Return two recipes scaled so that together they take the whole tin and the first is `first_share` of the mass.

    With c the share of condensed milk in each, the mass of both is tin / (s c1 + (1 - s) c2): the tin is split by each
    layer's own ratio, not in halves, and the parts close.

    :raises BadInput: at `first`, `second` without condensed milk; at `tin_g` or `first_share`.
    """
    check_number(("tin_g",), tin_g, 0, 1e5, "g", above=True)
    check_number(("first_share",), first_share, 0.05, 0.95)
    shares = []
    for field, recipe in (("first", first), ("second", second)):
        milk_g = kind_g(recipe, "condensed-milk")
        if milk_g <= 0:
            raise BadInput((field,), "there is no condensed milk in it", "a recipe with condensed milk", "not-for-this")
        shares.append(milk_g / recipe.mass_g)
    mass_g = tin_g / (first_share * shares[0] + (1 - first_share) * shares[1])
    masses = (mass_g * first_share, mass_g * (1 - first_share))
    scaled = [
        recipe.with_amounts_g([grams * layer_g / recipe.mass_g for grams in recipe.amounts_g])
        for recipe, layer_g in zip((first, second), masses, strict=True)
    ]
    return TwoLayers(
        first=scaled[0], second=scaled[1], first_tin_g=masses[0] * shares[0], second_tin_g=masses[1] * shares[1]
    )
