"""Answers as the contract has them: plain JSON values of an assessment and a fit."""

from dataclasses import asdict
from typing import Any

from hearth_bowl.core.assess import Assessment
from hearth_bowl.core.fit import Fit
from hearth_bowl.core.recipe import Recipe


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
        "mass_g": assessment.mass_g,
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
        "split": asdict(assessment.split),
        "sweetness_pct": assessment.sweetness_pct,
        "alcohol_pct": assessment.alcohol_pct,
        "energy_kcal_per_100g": assessment.energy_kcal_per_100g,
        "undissolved_sugar_g": assessment.undissolved_sugar_g,
        "keeping": asdict(assessment.keeping),
        "allergens": list(assessment.allergens),
        "allergens_named": list(assessment.allergens_named),
        "warnings": [asdict(warning) for warning in assessment.warnings],
        "lines": lines_answer(recipe, recipe.amounts_g),
    }


def fit_answer(recipe: Recipe, found: Fit) -> dict[str, Any]:
    """Return the answer of `fit`; keys that do not apply are None."""
    return {
        "scale": found.scale,
        "batch_g": found.batch_g,
        "lines": lines_answer(recipe, found.amounts_g),
        "filling_g": found.filling_g,
        "left_over_g": found.left_over_g,
        "fill_ml": found.fill_ml,
        "thickness_mm": found.thickness_mm,
        "pieces": found.pieces,
        "grid": list(found.grid) if found.grid else None,
        "piece_mm": list(found.piece_mm) if found.piece_mm else None,
        "piece_g": found.piece_g,
        "offcut_g": found.offcut_g,
        "loss_g": found.loss_g,
        "shell": asdict(found.shell) if found.shell else None,
        "cavity": asdict(found.cavity) if found.cavity else None,
        "halves": found.halves,
        "pours": found.pours,
        "notes": list(found.notes),
    }
