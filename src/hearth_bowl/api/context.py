"""What a request finds in the application: the database, and the moment."""

from datetime import UTC, datetime
from typing import cast

from flask import current_app

from hearth_bowl.store.db import Database


def database() -> Database:
    """Return the application's database."""
    return cast(Database, current_app.extensions["hearth_bowl.database"])


def now() -> datetime:
    """Return this moment; read once in the endpoint."""
    return datetime.now(UTC)
