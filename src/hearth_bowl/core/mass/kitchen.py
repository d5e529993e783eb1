"""The kitchen: what a person's own place and tools change."""

from dataclasses import dataclass

from hearth_bowl.core.mass.boiling import pressure_kpa


@dataclass(frozen=True, slots=True, kw_only=True)
class Kitchen:
    """Altitude [m], what the thermometer shows in boiling water there [°C], and the scale's step and most [g]."""

    altitude_m: float = 0.0
    thermometer_in_boiling_water_c: float | None = None
    scale_step_g: float = 1.0
    scale_most_g: float = 5000.0

    @property
    def pressure_kpa(self) -> float:
        """Return the usual pressure of the air there."""
        return pressure_kpa(self.altitude_m)
