"""What the club's kitchen has to pour, portion and pack with."""

from typing import Any, Final

VESSELS: Final[tuple[tuple[str, int, dict[str, Any]], ...]] = (
    (
        "Square tin, 20 cm",
        1,
        {"kind": "pan", "shape": "rectangle", "length_mm": 200, "width_mm": 200, "depth_mm": 25, "corner_mm": 8},
    ),
    (
        "Tray, 30 by 20 cm",
        1,
        {"kind": "pan", "shape": "rectangle", "length_mm": 300, "width_mm": 200, "depth_mm": 15, "corner_mm": 10},
    ),
    ("Round tin, 18 cm", 1, {"kind": "pan", "shape": "round", "diameter_mm": 180, "depth_mm": 30}),
    (
        "Loaf tin",
        1,
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
    ("Planet mould, 24 half balls", 2, {"kind": "mould", "shape": "hemisphere", "radius_mm": 15, "cavities": 24}),
    (
        "Signal cones, 20",
        1,
        {"kind": "mould", "shape": "cone", "rim_radius_mm": 15, "floor_radius_mm": 9, "height_mm": 22, "cavities": 20},
    ),
    (
        "Finder bars, 10",
        1,
        {"kind": "mould", "shape": "bar", "length_mm": 80, "width_mm": 24, "depth_mm": 14, "cavities": 10},
    ),
    ("Star mould, 15, weighed", 1, {"kind": "mould", "shape": "weighed", "water_g": 9.4, "cavities": 15}),
    ("Comet eggs, 10 halves", 1, {"kind": "mould", "shape": "weighed", "water_g": 14.97, "cavities": 10}),
    ("Moon mould, 6 half balls", 1, {"kind": "mould", "shape": "hemisphere", "radius_mm": 30, "cavities": 6}),
    ("Small scoop, 12 ml", 1, {"kind": "scoop", "shape": "level", "volume_ml": 12}),
    ("Paper cups, 24", 1, {"kind": "cup", "shape": "paper", "volume_ml": 15, "count": 24}),
    ("Rolled, 12 g each", 1, {"kind": "pieces", "shape": "ball", "piece_g": 12}),
    (
        "Dome cake, 18 cm",
        1,
        {
            "kind": "cake",
            "shape": "round",
            "diameter_mm": 180,
            "height_mm": 80,
            "fillings": 2,
            "filling_mm": 6,
            "coat_mm": 5,
        },
    ),
    ("Gift box for nine", 12, {"kind": "box", "shape": "box", "length_mm": 110, "width_mm": 110, "depth_mm": 30}),
    (
        "Egg mould, 10 halves",
        1,
        {"kind": "mould", "shape": "half-egg", "length_mm": 50, "width_mm": 36, "depth_mm": 18, "cavities": 10},
    ),
    ("Rolled, 22 g each", 1, {"kind": "pieces", "shape": "ball", "piece_g": 22}),
)
