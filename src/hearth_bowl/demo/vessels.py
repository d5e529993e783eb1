"""The pans and moulds in the club's kitchen."""

from typing import Any, Final

VESSELS: Final[tuple[tuple[str, dict[str, Any]], ...]] = (
    (
        "Square tin, 20 cm",
        {"kind": "pan", "shape": "rectangle", "length_mm": 200, "width_mm": 200, "depth_mm": 25, "corner_mm": 8},
    ),
    (
        "Tray, 30 by 20 cm",
        {"kind": "pan", "shape": "rectangle", "length_mm": 300, "width_mm": 200, "depth_mm": 15, "corner_mm": 10},
    ),
    ("Round tin, 18 cm", {"kind": "pan", "shape": "round", "diameter_mm": 180, "depth_mm": 30}),
    (
        "Loaf tin",
        {
            "kind": "pan",
            "shape": "loaf",
            "length_mm": 210,
            "width_mm": 95,
            "rim_length_mm": 240,
            "rim_width_mm": 120,
            "depth_mm": 65,
        },
    ),
    ("Planet mould, 24 half balls", {"kind": "mould", "shape": "hemisphere", "radius_mm": 15, "cavities": 24}),
    (
        "Signal cones, 20",
        {"kind": "mould", "shape": "cone", "rim_radius_mm": 15, "floor_radius_mm": 9, "height_mm": 22, "cavities": 20},
    ),
    (
        "Finder bars, 10",
        {"kind": "mould", "shape": "bar", "length_mm": 80, "width_mm": 24, "depth_mm": 14, "cavities": 10},
    ),
    ("Star mould, 15, weighed", {"kind": "mould", "shape": "weighed", "water_g": 9.4, "cavities": 15}),
)
