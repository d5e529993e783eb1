"""What a request finds in the application: the database, and the moment."""

from collections.abc import Callable
from datetime import UTC, datetime
from typing import ParamSpec, TypeVar, cast

from babel import Locale, UnknownLocaleError
from babel.numbers import get_decimal_symbol
from flask import current_app, request

from hearth_bowl.core.quantities import in_units
from hearth_bowl.service.helper import Helper
from hearth_bowl.service.settings import get_settings
from hearth_bowl.store.db import Database

P = ParamSpec("P")
T = TypeVar("T")


def database() -> Database:
    """Return the application's database."""
    return cast(Database, current_app.extensions["hearth_bowl.database"])


def now() -> datetime:
    """Return this moment; read once in the endpoint."""
    return datetime.now(UTC)


def in_own_units(text: str) -> str:
    """Return a text with the quantities in its sentences in the person's own units."""
    if "⟦" not in text and "⟪" not in text:
        return text
    with database().reading() as session:
        settings = get_settings(session)
        units = (settings.temperature_unit, settings.mass_unit, settings.length_unit)
        return in_units(text, *units, decimal_sign=_decimal_sign())


def _decimal_sign() -> str:
    """Return the sign between units and tenths as the one who asks writes it."""
    try:
        return get_decimal_symbol(Locale.parse(request.accept_languages.best or "en", sep="-"))
    except (UnknownLocaleError, ValueError):
        return "."


def in_helper(act: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """Return what `act` returns, worked out beside what must not be held up.

    :raises Busy: too much waits already.
    """
    return cast(Helper, current_app.extensions["hearth_bowl.helper"]).run(act, *args, **kwargs)
