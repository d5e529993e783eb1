"""How a careful cook would read each of the cards in `cards.txt`: the same job in seven kitchens."""

from dataclasses import dataclass
from typing import Any


@dataclass(frozen=True, kw_only=True)
class Expected:
    """What a card says: its form, the parts in the order of making, its temperatures [°C] and minutes in the order.

    A mix is its family and its grams by key; keys of several kitchens are parted by a stroke.
    """

    vessel: dict[str, Any]
    parts: list[tuple[str, str | dict[str, float]]]
    families: list[str]
    to_c: list[float]
    minutes: list[float]
    pieces: int | None = None
    piece_mm: float | None = None
    halves: bool = False
    said: dict[str, Any] | None = None


_CREAM = "cream30|cream35|cream38|cream48|cream18|cream24"
_SUGAR = "sugar_caster|sugar_granulated"
SQUARE_180 = {"kind": "pan", "shape": "rectangle", "length_mm": 180, "width_mm": 180, "depth_mm": 40}
EXPECTED: dict[str, Expected] = {
    "bonbons": Expected(
        vessel={"kind": "mould", "shape": "hemisphere", "cavities": 24, "radius_mm": 14},
        pieces=36,
        parts=[("shell", "dark60"), ("filling", {"milk38": 200, "cream35": 110, "butter82": 20})],
        families=["cream-ganache"],
        to_c=[80, 35, 28],
        minutes=[480],
    ),
    "tin-fudge": Expected(
        vessel=SQUARE_180,
        pieces=36,
        parts=[("layer", {"condensed_sweet": 397, "milk33": 400, "butter82": 25})],
        families=["condensed-milk-fudge"],
        to_c=[],
        minutes=[180],
    ),
    "boiled-fudge": Expected(
        vessel={"kind": "pan", "shape": "rectangle", "length_mm": 200, "width_mm": 150},
        piece_mm=25,
        parts=[("layer", {"sugar_granulated": 450, "milk_whole": 300, "butter82": 60, "vanilla_extract": 5})],
        families=["boiled-fudge"],
        to_c=[114, 45],
        minutes=[120],
    ),
    "dipped-balls": Expected(
        vessel={"kind": "pieces", "piece_g": 11},
        pieces=30,
        parts=[("centre", {"dark64": 250, _CREAM: 115}), ("core", "hazelnut_whole"), ("coat", "milk38")],
        families=["cream-ganache"],
        to_c=[],
        minutes=[120],
        said={"core": {"g_each": 1.1}},
    ),
    "two-layers": Expected(
        vessel=SQUARE_180,
        piece_mm=30,
        parts=[
            ("layer", {"condensed_sweet": 198.5, "dark60": 240}),
            ("layer", {"condensed_sweet": 198.5, "white28": 220}),
        ],
        families=["condensed-milk-fudge", "condensed-milk-fudge"],
        to_c=[],
        minutes=[240],
        said={"layer": {"mass_g": 438.5}},
    ),
    "truffles": Expected(
        vessel={"kind": "pieces", "piece_g": 12},
        pieces=42,
        parts=[("centre", {"dark70": 300, "cream35": 200, "honey": 30}), ("rolling", "cocoa_powder_21")],
        families=["cream-ganache"],
        to_c=[85],
        minutes=[2, 480],
    ),
    "caramels": Expected(
        vessel={"kind": "pan", "shape": "rectangle", "length_mm": 150, "width_mm": 150},
        piece_mm=20,
        parts=[("layer", {_SUGAR: 300, _CREAM: 200, "glucose_syrup40": 120, "butter82": 60, "salt": 2})],
        families=["caramel"],
        to_c=[118],
        minutes=[360],
    ),
    "jellies": Expected(
        vessel={"kind": "pan", "shape": "rectangle", "length_mm": 160, "width_mm": 160},
        piece_mm=25,
        parts=[
            (
                "layer",
                {
                    "raspberry_puree|raspberry_puree_10s": 500,
                    _SUGAR: 450,
                    "glucose_syrup40": 100,
                    "pectin": 12,
                    "citric_acid": 6,
                },
            ),
            ("rolling", _SUGAR),
        ],
        families=["fruit-jelly"],
        to_c=[107],
        minutes=[720],
    ),
    "eggs": Expected(
        vessel={"kind": "mould", "shape": "half-egg", "cavities": 10, "length_mm": 50, "width_mm": 36, "depth_mm": 18},
        pieces=12,
        halves=True,
        parts=[
            ("shell", "milk38"),
            ("filling", {"white28": 200, _CREAM: 80}),
            ("filling", {"mango_puree": 100, "white28": 50}),
        ],
        families=["cream-ganache", "filling"],
        to_c=[80],
        minutes=[20],
        said={"filling": {"mass_g": 280}},
    ),
    "cake": Expected(
        vessel={"kind": "cake", "shape": "round", "diameter_mm": 200, "height_mm": 80, "fillings": 2},
        parts=[("centre", {"dark60": 400, "butter82": 100, "golden_syrup|honey": 10})],
        families=["butter-ganache"],
        to_c=[45],
        minutes=[30],
    ),
    "spheres": Expected(
        vessel={"kind": "mould", "shape": "hemisphere", "cavities": 6, "radius_mm": 30},
        pieces=6,
        halves=True,
        parts=[("shell", "milk38"), ("filling", "drinking_chocolate"), ("filling", "marshmallows")],
        families=[],
        to_c=[],
        minutes=[10],
        said={"filling": {"g_each": 20}},
    ),
    "nut-squares": Expected(
        vessel={"kind": "pan", "shape": "rectangle", "length_mm": 160, "width_mm": 160},
        piece_mm=25,
        parts=[("layer", {"hazelnut_paste": 300, "milk38": 300}), ("coat", "dark60"), ("topping", "salt_flakes|salt")],
        families=["nut-paste"],
        to_c=[45, 26],
        minutes=[720],
        said={"topping": {"mass_g": 2}},
    ),
    "marzipan": Expected(
        vessel={"kind": "pieces", "piece_g": 22},
        pieces=24,
        parts=[
            ("centre", {"almond_ground": 300, "sugar_icing": 200, "glucose_syrup40": 60, "rum40": 10}),
            ("coat", "dark60"),
        ],
        families=["marzipan"],
        to_c=[],
        minutes=[720],
    ),
}
