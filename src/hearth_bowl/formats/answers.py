"""Answers as the contract has them: plain JSON values of an assessment and a fit."""

from dataclasses import asdict
from typing import Any, Final

from hearth_bowl.core.assess.assess import Assessment, assess
from hearth_bowl.core.confection.keeping import PieceKeeping
from hearth_bowl.core.cooling.places import TIME_HIGH, TIME_LOW
from hearth_bowl.core.fit import Fit
from hearth_bowl.core.keep.cautions import Caution
from hearth_bowl.core.keep.keeping import Keeping
from hearth_bowl.core.mass.boiling import Boiling, Cooked
from hearth_bowl.core.mass.ripening import Ripening
from hearth_bowl.core.mass.sugar_stages import Thermometer, stage_at, stage_c
from hearth_bowl.core.mass.tempering import Tempering
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.balance import Balance
from hearth_bowl.core.stove.bursts import FirstBurst

MOVED_FROM_G: Final = 1e-6
"""A change under this is rounding."""


def lines_answer(recipe: Recipe, amounts_g: tuple[float, ...]) -> list[dict[str, Any]]:
    """Return each line's ingredient with its grams."""
    return [
        {"ingredient": line.ingredient.label, "amount_g": grams}
        for line, grams in zip(recipe.lines, amounts_g, strict=True)
    ]


def assess_answer(recipe: Recipe, assessment: Assessment) -> dict[str, Any]:
    """Return the answer of `assess`."""
    reading = assessment.set
    return {
        "mass_g": recipe.mass_g,
        "finished_g": assessment.mass_g,
        "composition_pct": assessment.composition_pct,
        "fat_pct": assessment.fat_pct,
        "density_g_per_ml": assessment.density_g_per_ml,
        "ratios": asdict(assessment.ratios),
        "water_activity": asdict(assessment.water_activity),
        "set": {
            "at_c": reading.at_c,
            "index": reading.index,
            "low": reading.low,
            "high": reading.high,
            "class": reading.class_,
            "rule": reading.rule,
        },
        **({"use": {**asdict(assessment.use), "worked_c": list(assessment.use.worked_c)}} if assessment.use else {}),
        "split": asdict(assessment.split),
        "sweetness_pct": assessment.sweetness_pct,
        "alcohol_pct": assessment.alcohol_pct,
        "energy_kcal_per_100g": assessment.energy_kcal_per_100g,
        "undissolved_sugar_g": assessment.undissolved_sugar_g,
        "keeping": keeping_answer(assessment.keeping),
        "use_by": assessment.keeping.use_by,
        "allergens": list(assessment.allergens),
        "allergens_named": list(assessment.allergens_named),
        "warnings": [caution_answer(warning) for warning in assessment.warnings],
        "lines": lines_answer(recipe, recipe.amounts_g),
    }


def keeping_answer(found: Keeping | PieceKeeping) -> dict[str, Any]:
    """Return how long something keeps, as the contract has it; the date's word stands beside it."""
    return {name: value for name, value in asdict(found).items() if name != "use_by"}


def caution_answer(found: Caution) -> dict[str, str]:
    """Return a caution by its code with the words for the cook."""
    return {"code": found.code, "message": found.message}


def fit_answer(recipe: Recipe, found: Fit) -> dict[str, Any]:
    """Return the answer of `fit`; keys that do not apply are None."""
    answer = asdict(found)
    return {"lines": lines_answer(recipe, answer.pop("amounts_g")), **answer}


def boil_answer(found: Boiling, cooked: Cooked | None, tested: Thermometer | None) -> dict[str, Any]:
    """Return the answer of `boil RECIPE`, with what is left at an end temperature when one was given."""
    answer = asdict(found)
    if cooked is not None:
        left = {key: value for key, value in asdict(cooked).items() if key != "solids_pct"}
        answer |= {**left, "finished_solids_pct": cooked.solids_pct}
    if tested is not None:
        shown_c = found.boiling_c if cooked is None else cooked.to_c
        answer |= {"dial_c": tested.on_dial(shown_c), "offset_c": tested.offset_c}
    return answer


def stage_answer(name: str, kpa: float, tested: Thermometer | None) -> dict[str, Any]:
    """Return the answer of `boil --stage`; dial and offset are None without a thermometer reading."""
    target_c = stage_at(name, kpa)
    return {
        "sea_level_c": list(stage_c(name)),
        "target_c": list(target_c),
        "dial_c": None if tested is None else [tested.on_dial(true_c) for true_c in target_c],
        "offset_c": None if tested is None else tested.offset_c,
        "pressure_kpa": kpa,
    }


def balance_answer(recipe: Recipe, found: Balance, at_c: float) -> dict[str, Any]:
    """Return the answer of `balance`: what moved and its assessment, or the nearest and what stands in the way."""
    balanced = recipe.with_amounts_g(found.amounts_g)
    lines = lines_answer(recipe, found.amounts_g)
    assessed = assess_answer(balanced, assess(balanced, at_c))
    if not found.feasible:
        return {
            "feasible": False,
            "nearest": {"lines": lines, "assess": assessed},
            "in_the_way": list(found.in_the_way),
            "missed_by": dict(found.missed_by),
            "release": found.release.what if found.release else None,
            "release_suffices": found.release.suffices if found.release else None,
            "release_missed_by": dict(found.release.missed_by) if found.release else None,
            "release_worsens": list(found.release.worsens) if found.release else None,
        }
    moved = [
        {"ingredient": line.ingredient.label, "from_g": before, "to_g": after}
        for line, before, after in zip(recipe.lines, recipe.amounts_g, found.amounts_g, strict=True)
        if abs(after - before) > MOVED_FROM_G
    ]
    return {"feasible": True, "lines": lines, "moved": moved, "assess": assessed}


def minutes_answer(seconds: float) -> dict[str, Any]:
    """Return the answer of `cool`: the estimate with its band."""
    minutes = seconds / 60
    return {"minutes": minutes, "low_minutes": TIME_LOW * minutes, "high_minutes": TIME_HIGH * minutes}


def ripen_answer(found: Ripening) -> dict[str, Any]:
    """Return the answer of `ripen`: [low, middle, high] days to each word, or null where it never gets there."""
    days = {word: None if days is None else list(days) for word, days in found.days.items()}
    return {"crystals_share": found.crystals_share, "dose_pct": found.dose_pct, "days": days}


def burst_answer(found: FirstBurst) -> dict[str, Any]:
    """Return the answer of `burst`."""
    return {"first_s": found.first_s, "expect_s": found.expect_s, "look_s": found.look_s}


def temper_answer(found: Tempering) -> dict[str, Any]:
    """Return the answer of `temper`; of compound only its melt and work range, and where it scorches."""
    window, seed = found.window, found.seed
    return {
        "kind": found.kind,
        "needs_tempering": found.needs_tempering,
        "melt_c": list(window.melt_c),
        "never_above_c": window.never_above_c if seed else None,
        "scorches_above_c": window.never_above_c,
        "cool_to_c": list(window.cool_to_c) if window.cool_to_c else None,
        "work_c": list(window.work_c),
        "seed_lost_above_c": window.seed_lost_above_c,
        "seed_share_pct": seed.share_pct if seed else None,
        "seed_g": seed.seed_g if seed else None,
        "come_down_c": seed.come_down_c if seed else None,
    }
