"""Settings: the person's units and kitchen."""

from flask import Blueprint
from spectree import Response

from hearth_bowl.api.context import database
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import Incoming, Outgoing, spec
from hearth_bowl.service import settings as service

settings = Blueprint("settings", __name__, url_prefix="/api/settings")


class SettingsIn(Incoming):
    """Units shown, spoons meant, and the kitchen."""

    mass_unit: str
    temperature_unit: str
    measure: str
    kitchen_c: float
    altitude_m: float
    thermometer_in_boiling_water_c: float | None = None
    scale_step_g: float = 1.0
    scale_most_g: float = 5000.0


class SettingsOut(Outgoing):
    """Units shown, spoons meant, and the kitchen."""

    mass_unit: str
    temperature_unit: str
    measure: str
    kitchen_c: float
    altitude_m: float
    thermometer_in_boiling_water_c: float | None = None
    scale_step_g: float = 1.0
    scale_most_g: float = 5000.0


@settings.get("")
@spec.validate(resp=Response(HTTP_200=SettingsOut), operation_id="getSettings")
def get_settings() -> SettingsOut:
    """Return the settings."""
    with database().reading() as session:
        return SettingsOut.model_validate(service.get_settings(session))


@settings.put("")
@spec.validate(resp=Response(HTTP_200=SettingsOut, HTTP_422=Problem), operation_id="saveSettings")
def save_settings(json: SettingsIn) -> SettingsOut:
    """Store the settings."""
    with database().writing() as session:
        return SettingsOut.model_validate(service.save_settings(session, service.Settings(**json.model_dump())))
