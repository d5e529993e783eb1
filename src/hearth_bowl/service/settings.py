"""Settings: the person's units and kitchen."""

from dataclasses import asdict, dataclass, fields
from typing import Final

from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.measures import MEASURES_ML
from hearth_bowl.store.models import SettingsRow

MASS_UNITS: Final = ("g", "oz")
TEMPERATURE_UNITS: Final = ("C", "F")


@dataclass(frozen=True, slots=True, kw_only=True)
class Settings:
    """Units shown, spoons meant, and the kitchen's temperature [°C] and altitude [m]."""

    mass_unit: str = "g"
    temperature_unit: str = "C"
    measure: str = "metric"
    kitchen_c: float = 20.0
    altitude_m: float = 0.0


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
        ("temperature_unit", TEMPERATURE_UNITS),
        ("measure", tuple(MEASURES_ML)),
    ):
        if getattr(settings, name) not in allowed:
            raise BadInput((name,), f"unknown {getattr(settings, name)!r}", "one of " + ", ".join(allowed), "unknown")
    check_number(("kitchen_c",), settings.kitchen_c, 0, 45, "°C")
    check_number(("altitude_m",), settings.altitude_m, -400, 5000, "m")
    session.merge(SettingsRow(id=1, **asdict(settings)))
    return settings
