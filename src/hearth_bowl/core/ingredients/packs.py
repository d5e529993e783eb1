"""Packs: what a tin, a bar, a stick or an egg white weighs, by the country whose measures are meant."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final


@dataclass(frozen=True, slots=True, kw_only=True)
class Pack:
    """A pack as it is sold: its net weight [g] and what it says of itself."""

    unit: str
    net_g: float
    says: str


PACKS: Final[Mapping[str, Mapping[str, Pack]]] = MappingProxyType(
    {
        "condensed_sweet": MappingProxyType(
            {
                "metric": Pack(unit="tin", net_g=397, says="397 g"),
                "imperial": Pack(unit="tin", net_g=397, says="397 g"),
                "us": Pack(unit="tin", net_g=397, says="14 oz"),
                "au": Pack(unit="tin", net_g=395, says="395 g"),
                "ca": Pack(unit="tin", net_g=390, says="300 ml"),
            }
        ),
        "evaporated": MappingProxyType(
            {
                "metric": Pack(unit="tin", net_g=410, says="410 g"),
                "imperial": Pack(unit="tin", net_g=410, says="410 g"),
                "us": Pack(unit="tin", net_g=378, says="12 fl oz"),
                "au": Pack(unit="tin", net_g=375, says="375 ml"),
                "ca": Pack(unit="tin", net_g=379, says="354 ml"),
            }
        ),
        "coconut_milk17": MappingProxyType({"metric": Pack(unit="tin", net_g=400, says="400 ml")}),
    }
)
"""Net weights as usually printed: source pack-labels. A 300 ml and a 397 g tin of condensed milk are the same tin."""
BARS_G: Final = MappingProxyType({"metric": 100.0, "imperial": 100.0, "us": 113.4, "au": 180.0})
"""A bar of chocolate for cooking; the wrapper wins. A judgement."""
PIECES_G: Final = MappingProxyType(
    {
        "egg_white": 35.0,
        "egg_yolk": 18.0,
        "egg_whole": 50.0,
        "citrus_zest": 6.0,
        "marshmallows": 7.0,
        "dates": 8.0,
        "gelatine_leaf": 2.0,
        "vanilla_pod": 3.0,
        "figs_dried": 15.0,
        "prunes": 9.0,
        "candied_cherries": 5.0,
        "pecan_whole": 1.5,
        "almond_whole": 1.2,
        "hazelnut_whole": 1.1,
        "walnut_whole": 3.5,
        "macadamia_whole": 2.5,
        "chestnut_cooked": 9.0,
        "shortbread": 12.0,
        "wholemeal_biscuit": 15.0,
        "cocoa_sandwich_biscuit": 11.0,
        "spiced_biscuit": 8.0,
        "banana_puree": 110.0,
    }
)
"""One of what is counted: usual sizes, ±15 %; a gelatine leaf ±30 % by its make. Common practice, a judgement."""
SAME_TIN: Final = 0.03
"""Tins whose net weights differ by less are the same tin: nothing is rescaled. A judgement."""


def usual_pack_g(key: str | None, kind: str, unit: str, measure: str) -> float | None:
    """Return what a tin, bar or piece of an ingredient usually weighs where `measure` is used, or None."""
    if unit == "bar":
        return BARS_G.get(measure, BARS_G["metric"]) if kind in ("chocolate", "compound") else None
    if unit == "piece":
        return PIECES_G.get(key or "")
    packs = PACKS.get(key or "", {})
    pack = packs.get(measure) or packs.get("metric")
    return pack.net_g if pack is not None and unit == "tin" else None


def is_same_tin(first_g: float, second_g: float) -> bool:
    """Return whether two tins differ so little that a recipe need not be rescaled."""
    return abs(first_g - second_g) <= SAME_TIN * max(first_g, second_g)
