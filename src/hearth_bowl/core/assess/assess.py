"""Assess a recipe: everything that its composition says, with bands, in one value."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.assess.at_work import RESTED_C, AtWork, at_work
from hearth_bowl.core.errors import check_number
from hearth_bowl.core.keep.allergens import allergen_groups, allergens_named
from hearth_bowl.core.keep.cautions import Caution, cautions
from hearth_bowl.core.keep.keeping import Keeping, keeping
from hearth_bowl.core.mass.alcohol import alcohol_pct
from hearth_bowl.core.mass.cooking import as_made
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import HIGHEST_C, LOWEST_C, SetIndex, index_at, is_water_free, set_at
from hearth_bowl.core.mass.solution import dissolve
from hearth_bowl.core.mass.split import fat_to_water, is_emulsion, split_band
from hearth_bowl.core.mass.water_activity import ALL_DISSOLVED, CAP_C, WaterActivity, estimate_water_activity
from hearth_bowl.core.recipe.ratios import Ratios, ratios
from hearth_bowl.core.recipe.recipe import Recipe

ROOM_C: Final = 20.0  # a judgement
NO_SET: Final = frozenset({"set-not-modelled", "seized", "dough"})
"""Cautions under which no set is told."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Split:
    """Total fat to water of an emulsion (None without water) and its band; None, both, of what is none."""

    fat_to_water: float | None
    band: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Assessment:
    """All that is said of a recipe as it is eaten. `mass_g` is what is left of the batch; shares g per 100 g, °C."""

    mixture: Mixture
    mass_g: float
    composition_pct: dict[str, float]
    fat_pct: float
    density_g_per_ml: float
    ratios: Ratios
    water_activity: WaterActivity
    set: SetIndex
    use: AtWork | None
    split: Split
    sweetness_pct: float
    alcohol_pct: float
    energy_kcal_per_100g: float
    undissolved_sugar_g: float
    keeping: Keeping
    allergens: tuple[str, ...]
    allergens_named: tuple[str, ...]
    warnings: tuple[Caution, ...]


def assess(recipe: Recipe, at_c: float = ROOM_C, eaten: Mixture | None = None) -> Assessment:
    """Return the assessment of a recipe as it is eaten, after its boil; its set read at `at_c` (-18 to 45 °C).

    :param eaten: the mass as it is eaten, where it is known; else it is cooked to its usual end.
    :raises BadInput: at `at_c`.
    """
    at_c = check_number(("at_c",), at_c, LOWEST_C, HIGHEST_C, "°C")
    mixture = as_made(recipe) if eaten is None else eaten
    water = estimate_water_activity(mixture, recipe.family)
    warnings = cautions(recipe, mixture)
    codes = {warning.code for warning in warnings}
    modelled = not codes & NO_SET
    composition = mixture.composition_pct
    firmness = set_at(mixture, at_c, modelled, may_seize="may-seize" in codes)
    rested = firmness.index if at_c == RESTED_C or not modelled else index_at(mixture, RESTED_C)
    return Assessment(
        mixture=mixture,
        mass_g=mixture.mass_g,
        composition_pct=composition,
        fat_pct=100 * mixture.fat_g / mixture.mass_g,
        density_g_per_ml=mixture.density_g_per_ml,
        ratios=ratios(recipe),
        water_activity=water,
        set=firmness,
        use=at_work(recipe.use, at_c, rested),
        split=_split(recipe, mixture),
        sweetness_pct=mixture.sweetness_pct,
        alcohol_pct=alcohol_pct(mixture),
        energy_kcal_per_100g=mixture.energy_kcal_per_100g,
        undissolved_sugar_g=0.0 if recipe.family in ALL_DISSOLVED else dissolve(mixture.binder, CAP_C).crystals_g,
        keeping=keeping(recipe, water, mixture),
        allergens=allergen_groups(recipe),
        allergens_named=allergens_named(recipe),
        warnings=warnings,
    )


def _split(recipe: Recipe, mixture: Mixture) -> Split:
    if not is_emulsion(recipe, mixture):
        return Split(fat_to_water=None, band=None)
    ratio = fat_to_water(mixture)
    return Split(fat_to_water=ratio, band=split_band(ratio, is_water_free(mixture)))
