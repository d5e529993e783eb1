"""Settings: the person's units and kitchen."""

from flask import Blueprint
from spectree import Response

from hearth_bowl.api.context import database
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.spec import spec
from hearth_bowl.service import settings as service

settings = Blueprint("settings", __name__, url_prefix="/api/settings")


@settings.get("")
@spec.validate(resp=Response(HTTP_200=service.Settings), operation_id="getSettings")
def get_settings() -> service.Settings:
    """Return the settings."""
    with database().reading() as session:
        return service.get_settings(session)


@settings.put("")
@spec.validate(resp=Response(HTTP_200=service.Settings, HTTP_422=Problem), operation_id="saveSettings")
def save_settings(json: service.Settings) -> service.Settings:
    """Store the settings."""
    with database().writing() as session:
        return service.save_settings(session, json)
