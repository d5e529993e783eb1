"""Settings: the person's units and kitchen."""

from dataclasses import asdict, dataclass, fields
from typing import Final

from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.sugar_stages import thermometer
from hearth_bowl.core.recipe.measures import MEASURES_ML
from hearth_bowl.store.models import SettingsRow

MASS_UNITS: Final = ("g", "oz")
LENGTH_UNITS: Final = ("mm", "in")
TEMPERATURE_UNITS: Final = ("C", "F")


@dataclass(frozen=True, slots=True, kw_only=True)
class Settings:
    """Units shown, spoons meant, the kitchen's temperature [°C] and altitude [m], its thermometer and its scale."""

    mass_unit: str = "g"
    length_unit: str = "mm"
    temperature_unit: str = "C"
    measure: str = "metric"
    kitchen_c: float = 20.0
    altitude_m: float = 0.0
    thermometer_in_boiling_water_c: float | None = None
    scale_step_g: float = 1.0
    scale_most_g: float = 5000.0

    @property
    def kitchen(self) -> Kitchen:
        """Return the kitchen as the core takes it."""
        return Kitchen(
            altitude_m=self.altitude_m,
            thermometer_in_boiling_water_c=self.thermometer_in_boiling_water_c,
            scale_step_g=self.scale_step_g,
            scale_most_g=self.scale_most_g,
        )


def get_settings(session: Session) -> Settings:
    """Return the settings; the usual ones before any were chosen."""
    row = session.get(SettingsRow, 1)
    if row is None:
        return Settings()
    return Settings(**{field.name: getattr(row, field.name) for field in fields(Settings)})


def save_settings(session: Session, settings: Settings) -> Settings:
    """Store the settings.

    :raises BadInput: naming the field.
    """
    for name, allowed in (
        ("mass_unit", MASS_UNITS),
        ("length_unit", LENGTH_UNITS),
        ("temperature_unit", TEMPERATURE_UNITS),
        ("measure", tuple(MEASURES_ML)),
    ):
        if getattr(settings, name) not in allowed:
            raise BadInput((name,), f"unknown {getattr(settings, name)!r}", "one of " + ", ".join(allowed), "unknown")
    check_number(("kitchen_c",), settings.kitchen_c, 0, 45, "°C")
    check_number(("altitude_m",), settings.altitude_m, -400, 5000, "m")
    check_number(("scale_step_g",), settings.scale_step_g, 0.001, 100, "g")
    check_number(("scale_most_g",), settings.scale_most_g, 10, 100_000, "g")
    if settings.thermometer_in_boiling_water_c is not None:
        thermometer(settings.thermometer_in_boiling_water_c, settings.kitchen.pressure_kpa)
    session.merge(SettingsRow(id=1, **asdict(settings)))
    return settings
