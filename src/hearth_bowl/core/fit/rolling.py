"""Rolling coats: what a ball takes up when it is rolled in something dry."""

from dataclasses import dataclass
from math import pi
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.geometry.pieces import ball_diameter_mm

CORE_G_PER_ML: Final = 1.1
"""Between a nut and a spoon of firm jam; moves the ball's width by under 2 % for cores up to half of it.
A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class RollingCoat:
    """What stays on each cm² of a ball [g], and what stands in the tray beyond that, as a share of it."""

    name: str
    g_per_cm2: float
    tray_share: float


ROLLING: Final = MappingProxyType(
    {
        "cocoa": RollingCoat(name="Cocoa powder", g_per_cm2=0.015, tray_share=1.5),
        "icing-sugar": RollingCoat(name="Icing sugar", g_per_cm2=0.02, tray_share=1.5),
        "nuts": RollingCoat(name="Chopped nuts", g_per_cm2=0.11, tray_share=0.5),
        "coconut": RollingCoat(name="Desiccated coconut", g_per_cm2=0.05, tray_share=0.7),
        "sprinkles": RollingCoat(name="Sugar sprinkles", g_per_cm2=0.14, tray_share=0.5),
        "flakes": RollingCoat(name="Chocolate flakes", g_per_cm2=0.09, tray_share=0.5),
    }
)
"""Judged from one layer of grains on a sticky ball: ±40 %. Replace it by weighing ten balls before and after."""


def ball_mm(filling_g: float, density_g_per_ml: float, core_g: float) -> float:
    """Return the width of a ball of filling round a core."""
    volume_ml = filling_g / density_g_per_ml + core_g / CORE_G_PER_ML
    return ball_diameter_mm(volume_ml, 1.0)


def rolled_g(coat: str, diameter_mm: float) -> float:
    """Return what a ball of that width takes up."""
    return ROLLING[coat].g_per_cm2 * pi * (diameter_mm / 10) ** 2
