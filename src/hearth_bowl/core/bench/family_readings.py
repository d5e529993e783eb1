"""Readings that only some families have: the boil, the true ratio of a whipped ganache, ripening, modelling syrup."""

from collections.abc import Callable, Mapping, Sequence
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.bench.reading import LOOK, QUIET, Reading
from hearth_bowl.core.bench.why import Figure, Why
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.attributes import is_syrup
from hearth_bowl.core.ingredients.components import SUGARS
from hearth_bowl.core.mass.boiling import SEA_LEVEL_KPA
from hearth_bowl.core.mass.cooking import card_end_c, cook_plan, finished_or_none, is_cooked_down
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.ripening import WORDS, after_days, dose_pct, ripen
from hearth_bowl.core.mass.sugar_stages import thermometer
from hearth_bowl.core.mass.tempering import tempering_kind
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.starters import MODELLING_SYRUP
from hearth_bowl.core.sources import SOURCES

MILK_BAND_PCT: Final = 1.5  # a judgement
STORED_C: Final = 20.0  # a judgement
COURSE_DAYS: Final = (3, 7, 14, 28)  # a judgement
USUAL_DOSES_PCT: Final = (0.03, 0.5)
"""Outside these a dose is most likely a slip. A judgement."""


def family_readings(recipe: Recipe, kitchen: Kitchen, at_c: float = STORED_C) -> Sequence[Reading]:
    """Return what is particular to a recipe's family, kept at `at_c`; nothing for most."""
    maker = MAKERS.get(recipe.family)
    boiled = _boil(recipe, kitchen) if is_cooked_down(recipe) else ()
    return (*_yolk(recipe), *boiled, *(maker(recipe, kitchen, at_c) if maker is not None else ()))


def _by_card(recipe: Recipe) -> str:
    """Return where the recipe's own steps end its boil; nothing where they do not."""
    end_c = card_end_c(recipe)
    return "" if end_c is None else f" Your recipe ends it at ⟦{end_c:g} °C⟧ at sea level."


def _boil(recipe: Recipe, kitchen: Kitchen) -> Sequence[Reading]:
    try:
        plan = cook_plan(recipe, kitchen)
    except BadInput as problem:
        words = f"{problem.message[0].upper()}{problem.message[1:]}."
        return (Reading(code="boil", title="The boil", shown="–", unit="", words=words, state=LOOK),)
    now, cooked, target_c, sea_level_c = plan.now, plan.cooked, plan.cooked.to_c, plan.sea_level_c
    dial = _on_dial(target_c, kitchen)
    near = " Its start and its end are close: one degree is 1 to 2 % of water there." if plan.is_soon_there else ""
    words = (
        f"It boils at ⟦{now.boiling_c:.1f} °C⟧ now. At ⟦{target_c:.1f} °C⟧ {cooked.water_left_pct:.1f} % water is left "
        f"(±{MILK_BAND_PCT:g}): stop when the pan has lost ⟦{cooked.evaporated_g:.0f} g⟧. "
        f"⟦{cooked.finished_g:.0f} g⟧ come out.{near}{_by_card(recipe)} {dial}"
    )
    if plan.is_dry_already:
        words = (
            f"No boiling down: with {cooked.water_left_pct:.1f} % water it is as dry as it should be. "
            f"Heat it only until it is smooth, to ⟦{target_c:.1f} °C⟧. {dial}"
        )
    return (
        Reading(
            code="boil",
            title="Cook to",
            shown=f"⟦{target_c:.1f} °C⟧",
            unit="here" if abs(target_c - sea_level_c) > 0.05 else "",
            words=words.strip(),
            state=QUIET,
            why=Why(
                formula="W = solids × p/(100 − p); it boils where aw(T) × psat(T) = pressure of the air",
                inputs=(
                    Figure("Water when done", f"{plan.water_pct:.3g} %"),
                    Figure("At sea level", f"⟦{sea_level_c:.1f} °C⟧"),
                    Figure("Air", f"{kitchen.pressure_kpa:.1f} kPa, at sea level {SEA_LEVEL_KPA:g}"),
                    Figure("Water now", f"⟦{now.water_g:.0f} g⟧"),
                    Figure("Solids when done", f"{cooked.solids_pct:.1f} %"),
                ),
                source=SOURCES["starzak-peacock-1997"],
                band="±0.7 % solids for syrups, ±1.5 % water for milk mixtures; weather moves it ⟪±0.8 °C⟫",
                narrower="The boiling-water test of your thermometer, and weighing the pan.",
            ),
        ),
    )


def _on_dial(true_c: float, kitchen: Kitchen) -> str:
    reading = kitchen.thermometer_in_boiling_water_c
    if reading is None:
        return ""
    try:
        tested = thermometer(reading, kitchen.pressure_kpa)
    except BadInput as problem:
        return f"Your thermometer: {problem.message}."
    return f"On your dial: ⟦{tested.on_dial(true_c):.1f} °C⟧."


def _true_ratio(recipe: Recipe, _kitchen: Kitchen, _at_c: float) -> Sequence[Reading]:
    chocolate = creams = late = 0.0
    for line, grams in recipe.weighed:
        if line.ingredient.kind in CHOCOLATE_KINDS:
            chocolate += grams
        elif line.ingredient.kind == "cream":
            creams += grams
            late += grams if line.stage == "late" else 0.0
    if not chocolate or not creams:
        return ()
    before = f"Before the late cream it is {chocolate / (creams - late):.2f} to 1. " if creams > late > 0 else ""
    return (
        Reading(
            code="true-ratio",
            title="True ratio",
            shown=f"{chocolate / creams:.2f} to 1",
            unit="chocolate to all its cream",
            words=before + "The late cream counts: whip only when it has rested cold, and pipe within minutes.",
            state=QUIET,
        ),
    )


def _ripening(recipe: Recipe, kitchen: Kitchen, at_c: float) -> Sequence[Reading]:
    mixture = finished_or_none(recipe, kitchen) or mix(recipe)
    dose = dose_pct(recipe, mixture.mass_g)
    if dose is None:
        return ()
    found = ripen(mixture, dose, at_c)
    soft = {word: days for word, days in found.days.items() if days is not None}
    said = ", ".join(f"{word} {low:.0f} to {high:.0f}" for word, (low, _, high) in soft.items())
    own_g = mixture.grams["sucrose"]
    turned = {day: 1 - after_days(mixture, day, dose, at_c).grams["sucrose"] / own_g for day in COURSE_DAYS if own_g}
    weeks = ", ".join(f"after {day} days {100 * share:.0f} %" for day, share in turned.items())
    creamy = soft.get("creamy")
    return (
        Reading(
            code="ripening",
            title="Creamy centre",
            shown="never" if creamy is None else f"about {creamy[1]:.0f} days",
            unit=f"at ⟦{at_c:g} °C⟧, dose {dose:.2f} %",
            words=(f"Days to each: {said}, for preparations differ: the maker's label wins. " if said else "")
            + (f"Of its sugar is turned: {weeks}. " if weeks else "")
            + "Add it below ⟦60 °C⟧; a fridge slows it threefold, a freezer stops it.",
            state=QUIET if USUAL_DOSES_PCT[0] <= dose <= USUAL_DOSES_PCT[1] else LOOK,
            why=Why(
                formula="all sucrose goes as exp(−k t), k = 0.045 a day × dose/0.1 % × exp(−5413 (1/T − 1/293)) × "
                "(1 − e/40); the word by the crystals left",
                inputs=(
                    Figure("Crystals now", f"{100 * found.crystals_share:.0f} g in 100 g"),
                    Figure("Loose, creamy, liquid", " / ".join(f"{limit:g}" for limit in WORDS.values())),
                    Figure("Invertase on the fondant", f"{dose:.2f} %"),
                ),
                source=SOURCES["invertase-practice"],
                band="half to double the days",
                narrower="Cut one open every other day, and note it.",
            ),
        ),
    )


def _modelling(recipe: Recipe, _kitchen: Kitchen, _at_c: float) -> Sequence[Reading]:
    chocolate = [(line, grams) for line, grams in recipe.weighed if line.ingredient.kind in CHOCOLATE_KINDS]
    syrup_g = sum(grams for line, grams in recipe.weighed if is_syrup(line.ingredient.composition_pct))
    total_g = sum(grams for _, grams in chocolate)
    if not total_g or not syrup_g:
        return ()
    wanted = sum(grams * MODELLING_SYRUP[tempering_kind(line.ingredient)] for line, grams in chocolate) / total_g
    share = syrup_g / total_g
    apart = share - wanted
    words = (
        "About right for its chocolate."
        if abs(apart) < 0.06
        else (
            "Much syrup for its chocolate: soft and sticky."
            if apart > 0
            else "Little syrup for its chocolate: it may crack."
        )
    )
    return (
        Reading(
            code="modelling-syrup",
            title="Syrup to chocolate",
            shown=f"{share:.2f} to 1",
            unit=f"usual {wanted:.2f}",
            words=words + " Dark takes more than milk, milk more than white.",
            state=QUIET if abs(apart) < 0.06 else LOOK,
        ),
    )


def _nut_to_sugar(recipe: Recipe, _kitchen: Kitchen, _at_c: float) -> Sequence[Reading]:
    sugar_g = mix(recipe).sugars_g
    nuts_g = sum(
        grams * (1 - _sugar_share(line.ingredient.composition_pct))
        for line, grams in recipe.weighed
        if "nuts" in line.ingredient.allergens or "peanut" in line.ingredient.allergens
    )
    if not nuts_g or not sugar_g:
        return ()
    return (
        Reading(
            code="nut-to-sugar",
            title="Nut to sugar",
            shown=f"{nuts_g / sugar_g:.2f} to 1",
            unit="all sugars counted",
            words="About 1 to 1 is usual for a praliné, 2 to 1 tastes of the nut.",
            state=QUIET,
        ),
    )


def _binder_to_dry(recipe: Recipe, _kitchen: Kitchen, _at_c: float) -> Sequence[Reading]:
    binder_g = dry_g = 0.0
    for line, grams in recipe.weighed:
        if line.ingredient.density_is_bulk:
            dry_g += grams
        elif line.ingredient.kind not in CHOCOLATE_KINDS:
            binder_g += grams
    if not binder_g or not dry_g:
        return ()
    return (
        Reading(
            code="binder-to-dry",
            title="Binder to dry",
            shown=f"{binder_g / dry_g:.2f} to 1",
            unit="what binds, to crumbs or flakes",
            words="About 0.4 to 1 holds crumbs with soft cheese, 1 to 1 coconut with condensed milk.",
            state=QUIET,
        ),
    )


def _yolk(recipe: Recipe) -> Sequence[Reading]:
    yolk_g = sum(grams for line, grams in recipe.weighed if line.ingredient.raw_egg == "yolk")
    if not yolk_g:
        return ()
    return (
        Reading(
            code="yolk",
            title="Egg yolk",
            shown=f"{100 * yolk_g / recipe.mass_g:.0f} %",
            unit="of the bowl",
            words="It thickens from ⟦78 °C⟧ and curdles above ⟦84 °C⟧; under that it is raw.",
            state=LOOK,
        ),
    )


def _sugar_share(composition_pct: Mapping[str, float]) -> float:
    return sum(composition_pct[name] for name in SUGARS) / 100


MAKERS: Final[Mapping[str, Callable[[Recipe, Kitchen, float], Sequence[Reading]]]] = MappingProxyType(
    {
        "fondant": _ripening,
        "whipped-ganache": _true_ratio,
        "modelling": _modelling,
        "filling": _binder_to_dry,
        "soft-cheese": _binder_to_dry,
        "nut-paste": _nut_to_sugar,
        "marzipan": _nut_to_sugar,
    }
)
