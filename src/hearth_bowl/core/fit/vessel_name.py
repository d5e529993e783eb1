"""Names of vessels: what one is called by its measures, where nobody named it."""

from collections.abc import Mapping
from typing import Any, Final

SHAPES: Final[Mapping[str, str]] = {
    "hemisphere": "half balls",
    "dome": "domes",
    "half-egg": "half eggs",
    "cone": "cones",
    "pyramid": "pyramids",
    "bar": "bars",
    "weighed": "cavities",
}
"""What cavities are called. By definition."""


def vessel_name(measures: Mapping[str, Any]) -> str:
    """Return what a vessel is called, of a vessel file's content.

    >>> vessel_name({"kind": "pan", "shape": "rectangle", "length_mm": 180, "width_mm": 180, "depth_mm": 40})
    'Square tin, 18 cm'
    >>> vessel_name({"kind": "mould", "shape": "hemisphere", "cavities": 24, "radius_mm": 14})
    'Mould of 24 half balls, 28 mm'
    """
    match measures.get("kind"):
        case "pan":
            return _pan(measures)
        case "mould":
            across = _across(measures)
            size = f", {across:g} mm" if across else ""
            return f"Mould of {measures.get('cavities', 1)} {SHAPES.get(str(measures.get('shape')), 'cavities')}{size}"
        case "scoop":
            return f"Scoop, {float(measures.get('volume_ml') or 0):.3g} ml"
        case "cup":
            return f"Cups, {float(measures.get('volume_ml') or 0):.3g} ml"
        case "cake":
            side = measures.get("diameter_mm") or measures.get("length_mm") or 0
            return f"Cake, {side / 10:g} cm"
    return f"By hand, {float(measures.get('piece_g') or 0):.3g} g"


def _pan(measures: Mapping[str, Any]) -> str:
    if measures.get("shape") == "round":
        return f"Round tin, {measures['diameter_mm'] / 10:.3g} cm"
    if measures.get("shape") == "tube":
        return f"Ring tin, {measures['diameter_mm'] / 10:.3g} cm"
    length, width = measures["length_mm"] / 10, measures["width_mm"] / 10
    if measures.get("shape") == "loaf":
        return f"Loaf tin, {length:.3g} x {width:.3g} cm"
    return f"Square tin, {length:.3g} cm" if length == width else f"Tin, {length:.3g} x {width:.3g} cm"


def _across(measures: Mapping[str, Any]) -> float:
    """Return how long or wide a cavity is [mm]; 0 where it is known by its water."""
    for name in ("length_mm", "rim_length_mm"):
        if measures.get(name):
            return float(measures[name])
    radius = next((measures[n] for n in ("radius_mm", "base_radius_mm", "rim_radius_mm") if measures.get(n)), 0)
    return 2 * float(radius)
