"""What a request finds in the application: the database, and the moment."""

from collections.abc import Callable
from datetime import UTC, datetime
from typing import Final, ParamSpec, TypeVar, cast

from babel import Locale, UnknownLocaleError
from babel.numbers import get_decimal_symbol
from flask import current_app, request

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.quantities import in_units
from hearth_bowl.service.helper import Helper
from hearth_bowl.service.settings import get_settings
from hearth_bowl.store.db import Database

LARGEST_ID: Final = 2**63 - 1
"""The largest number that SQLite gives a row."""
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


def whole_number(name: str, usual: int | None, most: int) -> int | None:
    """Return a whole number of the address's query, from 1 to `most`; the usual one where it has none.

    :raises BadInput: at `name`.
    """
    given = request.args.get(name)
    if given is None:
        return usual
    if not (given.isascii() and given.isdigit() and len(given) <= 19 and 1 <= int(given) <= most):
        raise BadInput((name,), f"{given[:40]!r}", f"a whole number from 1 to {most}", "out-of-range")
    return int(given)
