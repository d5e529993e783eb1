"""JSON Schemas of the files, built from the core's own tables so that they cannot fall behind."""

from typing import Any, Final

from hearth_bowl.core.fit.vessel import COUNTS, MAX_MEASURE, MAY_BE_ZERO, MEASURES, NEEDS_A_SHAPE, PAN_EXTRAS
from hearth_bowl.core.ingredients.attributes import ATTRIBUTES, NONE, NUTS, RAW_EGGS, TO_ASK
from hearth_bowl.core.ingredients.components import COMPONENTS, FAT_KINDS
from hearth_bowl.core.ingredients.ingredient import ALLERGENS, KINDS
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.measures import MAX_AMOUNT, MEASURES_ML, UNITS
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, FAMILIES, MAX_LINES, MAX_NAME, MOST_END_SHIFT_K

DIALECT: Final = "https://json-schema.org/draft/2020-12/schema"

_POSITIVE: Final = {"type": "number", "exclusiveMinimum": 0}
_SIZE: Final = {"type": ["number", "null"], "exclusiveMinimum": 0, "maximum": 100000}


def recipe_schema() -> dict[str, Any]:
    """Return the JSON Schema of `hearth-bowl/recipe`, version 1."""
    return {
        "$schema": DIALECT,
        "title": "Hearth Bowl recipe",
        "type": "object",
        "required": ["lines"],
        "properties": {
            "format": {"const": "hearth-bowl/recipe"},
            "version": {"const": 1},
            "name": {"type": "string", "minLength": 1, "maxLength": MAX_NAME},
            "family": {"enum": list(FAMILIES)},
            "use": {"enum": [*AIMED_INDEX, None]},
            "lines": {"type": "array", "minItems": 1, "maxItems": MAX_LINES, "items": _line()},
            "steps": {"type": "array"},
            "method": {"enum": [*sorted({way.key for family in FAMILY.values() for way in family.methods}), None]},
            "end_shift_k": {"type": "number", "minimum": -MOST_END_SHIFT_K, "maximum": MOST_END_SHIFT_K},
        },
    }


def _line() -> dict[str, Any]:
    return {
        "type": "object",
        "required": ["ingredient", "amount"],
        "properties": {
            "ingredient": {"anyOf": [{"enum": list(LIBRARY)}, _own_ingredient()]},
            "amount": {"type": "number", "minimum": 0, "maximum": MAX_AMOUNT},
            "amount_high": {"type": ["number", "null"], "minimum": 0, "maximum": MAX_AMOUNT},
            "unit": {"enum": list(UNITS), "default": "g"},
            "measure": {"enum": list(MEASURES_ML), "default": "metric"},
            "stage": {"type": "string"},
            "pinned": {"type": "boolean", "default": False},
            "proposed": {"type": "boolean", "default": False},
            "pack_g": _SIZE,
            "piece_g": _SIZE,
            "text": {"type": "string"},
            "doubts": {"type": "array", "items": {"type": "string"}},
        },
    }


def _own_ingredient() -> dict[str, Any]:
    share = {"type": "number", "minimum": 0, "maximum": 100}
    return {
        "type": "object",
        "description": "The parts of composition_pct sum to 100 ± 0.5.",
        "anyOf": [{"required": ["name", "composition_pct", "density_g_per_ml"]}, {"required": ["name", "like"]}],
        "properties": {
            "name": {"type": "string", "minLength": 1, "maxLength": MAX_NAME},
            "composition_pct": {
                "type": "object",
                "properties": dict.fromkeys(COMPONENTS, share),
                "additionalProperties": False,
            },
            "density_g_per_ml": _POSITIVE,
            "kind": {"enum": list(KINDS), "default": "other"},
            "other_fat_kind": {"enum": [*FAT_KINDS, None], "default": "oil"},
            "higher_molar_mass_g_per_mol": _POSITIVE,
            "energy_kcal_per_100g": {"type": "number", "minimum": 0, "maximum": 900},
            "spoon_g_per_ml": _POSITIVE,
            "pack_g": _SIZE,
            "piece_g": _SIZE,
            "allergens": {"type": ["array", "null"], "items": {"enum": list(ALLERGENS)}},
            "may_contain": {"type": "array", "items": {"enum": list(ALLERGENS)}},
            "allergens_named": {"type": "array", "items": {"type": "string", "maxLength": 60}},
            "like": {"enum": list(LIBRARY)},
            "not_known": {"type": "array", "items": {"enum": list(TO_ASK)}},
            "density_is_bulk": {"type": ["boolean", "null"]},
            **{name: {"type": ["boolean", "null"]} for name in ATTRIBUTES},
            "raw_egg": {"enum": [*RAW_EGGS, NONE, None]},
            "nut": {"enum": [*sorted(NUTS), NONE, None]},
            "most_pct": {"type": ["number", "null"], "minimum": 0, "maximum": 100},
            "lump_g_per_ml": {"anyOf": [_POSITIVE, {"type": "null"}]},
        },
    }


def vessel_schema() -> dict[str, Any]:
    """Return the JSON Schema of `hearth-bowl/vessel`, version 1."""
    return {
        "$schema": DIALECT,
        "title": "Hearth Bowl vessel",
        "type": "object",
        "required": ["kind"],
        "properties": {"format": {"const": "hearth-bowl/vessel"}, "version": {"const": 1}},
        "anyOf": [_vessel(kind, shape, names) for kind, shapes in MEASURES.items() for shape, names in shapes.items()],
    }


def _vessel(kind: str, shape: str, names: tuple[str, ...]) -> dict[str, Any]:
    measures: dict[str, Any] = {
        name: {"type": "number", ("minimum" if name in MAY_BE_ZERO else "exclusiveMinimum"): 0, "maximum": MAX_MEASURE}
        for name in names
    }
    if kind == "pan":
        measures |= {name: {"type": ["number", "null"], "minimum": 0} for name in PAN_EXTRAS}
    if kind in COUNTS:
        name, most = COUNTS[kind]
        measures[name] = {"type": "integer", "minimum": 0 if kind == "cake" else 1, "maximum": most}
    needed = ["shape", *names] if kind in NEEDS_A_SHAPE else list(names)
    return {"properties": {"kind": {"const": kind}, "shape": {"const": shape}, **measures}, "required": needed}
