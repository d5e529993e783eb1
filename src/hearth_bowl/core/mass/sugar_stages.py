"""Sugar stages: the textures that cooks boil to, what they mean on a mountain, and on one's own thermometer."""

from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.boiling import SEA_LEVEL_KPA, boiling_c, check_pressure, water_at, water_boils_c
from hearth_bowl.core.mass.water_activity import SOLUTES, Solute

STAGES_C: Final = MappingProxyType(
    {
        "thread": (106.0, 112.0),
        "soft-ball": (112.0, 116.0),
        "firm-ball": (118.0, 120.0),
        "hard-ball": (121.0, 130.0),
        "soft-crack": (132.0, 143.0),
        "hard-crack": (146.0, 154.0),
        "light-caramel": (160.0, 170.0),
        "dark-caramel": (170.0, 180.0),
    }
)
"""Sea-level °C of each stage: most textbooks. A stage names a texture, that is a water content."""
COLOUR_FROM_C: Final = 155.0
"""From here on colour follows the temperature itself: nothing is shifted on a mountain. Handbook, section C."""
MOST_OFFSET_C: Final = 5.0
"""A thermometer further off in boiling water is broken, or the water did not boil. Handbook, section C."""
REFERENCE_G: Final = 100.0  # by definition


@dataclass(frozen=True, slots=True, kw_only=True)
class Thermometer:
    """What a thermometer adds to the truth [°C], and what water boils at here."""

    offset_c: float
    water_boils_c: float

    def on_dial(self, true_c: float) -> float:
        """Return what the dial shows at a true temperature."""
        return true_c + self.offset_c


def thermometer(reading_in_boiling_water_c: float, kpa: float) -> Thermometer:
    """Return a thermometer's offset by the boiling-water test: reading - the true boiling point here.

    :raises BadInput: at `thermometer_in_boiling_water_c`: over 5 °C off.
    """
    field = ("thermometer_in_boiling_water_c",)
    true_c = water_boils_c(check_pressure(kpa))
    reading = check_number(field, reading_in_boiling_water_c, 0, 200, "°C")
    offset_c = reading - true_c
    if abs(offset_c) > MOST_OFFSET_C:
        raise BadInput(
            field,
            f"⟦{reading:g} °C⟧ is ⟪{abs(offset_c):.1f} °C⟫ off: the thermometer is broken or the water did not boil",
            f"⟦{true_c - MOST_OFFSET_C:.1f} to {true_c + MOST_OFFSET_C:.1f} °C⟧",
            "out-of-range",
        )
    return Thermometer(offset_c=offset_c, water_boils_c=true_c)


def stage_c(name: str) -> tuple[float, float]:
    """Return the sea-level temperatures of a stage [°C].

    :raises BadInput: at `stage`.
    """
    if name not in STAGES_C:
        raise BadInput(("stage",), f"unknown stage {name[:60]!r}", "one of " + ", ".join(STAGES_C), "unknown")
    return STAGES_C[name]


def stage_at(name: str, kpa: float) -> tuple[float, float]:
    """Return the true temperatures of a stage under a pressure: the same solids, for pure sucrose.

    :raises BadInput: at `stage` or `pressure_kpa`.
    """
    low, high = stage_c(name)
    return same_solids_c(low, kpa), same_solids_c(high, kpa)


def same_solids_c(sea_level_c: float, kpa: float, solutes: list[Solute] | None = None) -> float:
    """Return where a syrup that boils at `sea_level_c` at sea level boils under `kpa`; from 155 °C on the same.

    :param solutes: what is dissolved; pure sucrose when not said.
    """
    check_pressure(kpa)
    if sea_level_c >= COLOUR_FROM_C:
        return sea_level_c
    dissolved = solutes or [Solute(REFERENCE_G / SOLUTES["sucrose"].molar_mass_g_per_mol, SOLUTES["sucrose"].norrish_k)]
    return boiling_c(water_at(dissolved, REFERENCE_G, sea_level_c, SEA_LEVEL_KPA), dissolved, kpa)
