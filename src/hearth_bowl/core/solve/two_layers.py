"""Two layers from one tin: how a tin is shared when each layer has its own ratio, so that both set alike."""

from collections.abc import Sequence
from dataclasses import dataclass

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.keep.cautions import why_set_not_told
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.set_index import index_at
from hearth_bowl.core.recipe.ratios import kind_g
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, Recipe
from hearth_bowl.core.solve.aims import ROOM_C
from hearth_bowl.core.solve.balance import balance


@dataclass(frozen=True, slots=True, kw_only=True)
class TinLayer:
    """A layer of a shared tin: its recipe as it is weighed, what of the tin it takes [g], and how firm it sets.

    `index` is the set index at 20 °C, `index_before` that of the amounts it came with; None where it is not modelled.
    """

    recipe: Recipe
    tin_g: float
    index: float | None
    index_before: float | None


def share_tin(first: Recipe, second: Recipe, tin_g: float, first_share: float = 0.5) -> tuple[TinLayer, TinLayer]:
    """Return two layers that together take the whole tin, the first `first_share` of the mass, and that set alike.

    Each is balanced to the set that the first one's use aims at, or to the first one's own; where a layer cannot get
    there its amounts stay as they are, and its index says so. With c the share of condensed milk in each, the mass of
    both is tin / (s c1 + (1 - s) c2): the tin is split by each layer's own ratio, not in halves, and the parts close.

    :raises BadInput: at `first`, `second` without condensed milk; at `tin_g` or `first_share`.
    """
    check_number(("tin_g",), tin_g, 0, 1e5, "g", above=True)
    check_number(("first_share",), first_share, 0.05, 0.95)
    own = (first, second)
    before = [_index(recipe) for recipe in own]
    for field, recipe in zip(("first", "second"), own, strict=True):
        if kind_g(recipe, "condensed-milk") <= 0:
            raise BadInput((field,), "there is no condensed milk in it", "a recipe with condensed milk", "not-for-this")
    wanted = AIMED_INDEX.get(first.use or "") or before[0]
    alike = [
        recipe if wanted is None or index is None else _set_to(recipe, wanted)
        for recipe, index in zip(own, before, strict=True)
    ]
    shares = [kind_g(recipe, "condensed-milk") / recipe.mass_g for recipe in alike]
    mass_g = tin_g / (first_share * shares[0] + (1 - first_share) * shares[1])
    masses = (mass_g * first_share, mass_g * (1 - first_share))
    one, other = (
        TinLayer(
            recipe=_of_mass(recipe, layer_g), tin_g=layer_g * share, index=_index(recipe), index_before=index_before
        )
        for recipe, layer_g, share, index_before in zip(alike, masses, shares, before, strict=True)
    )
    return one, other


def _index(recipe: Recipe) -> float | None:
    mixture = mix(recipe)
    return None if why_set_not_told(recipe, mixture) else index_at(mixture, ROOM_C)


def _set_to(recipe: Recipe, index: float) -> Recipe:
    found = balance(recipe, {"set_index": index}, explain=False)
    if not found.feasible or kind_g(recipe.with_amounts_g(found.amounts_g), "condensed-milk") <= 0:
        return recipe
    return recipe.with_amounts_g(found.amounts_g)


def _of_mass(recipe: Recipe, mass_g: float) -> Recipe:
    amounts_g: Sequence[float] = [grams * mass_g / recipe.mass_g for grams in recipe.amounts_g]
    return recipe.with_amounts_g(amounts_g)
