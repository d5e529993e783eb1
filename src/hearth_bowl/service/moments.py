"""Moments as they come in: with their zone, and of these years."""

from datetime import UTC, datetime
from typing import Final

from hearth_bowl.core.errors import BadInput, FieldPath

FIRST_YEAR: Final = 2000
LAST_YEAR: Final = 2199


def checked_moment(path: FieldPath, at: datetime) -> datetime:
    """Return a moment in UTC.

    :raises BadInput: without its zone, or of no year in which anyone cooks with this.
    """
    if at.tzinfo is None:
        raise BadInput(path, "a moment without its zone", "a moment with its zone", "not-allowed")
    if not FIRST_YEAR <= at.year <= LAST_YEAR:
        raise BadInput(path, f"the year {at.year}", f"a year from {FIRST_YEAR} to {LAST_YEAR}", "out-of-range")
    return at.astimezone(UTC)


def check_wall_time(path: FieldPath, at: datetime) -> datetime:
    """Return a moment on the kitchen's own clock, as it hangs on the wall.

    :raises BadInput: with a zone, or of no year in which anyone cooks with this.
    """
    if at.tzinfo is not None:
        raise BadInput(path, "a moment with a zone", "a moment on the kitchen's own clock", "not-allowed")
    if not FIRST_YEAR <= at.year <= LAST_YEAR:
        raise BadInput(path, f"the year {at.year}", f"a year from {FIRST_YEAR} to {LAST_YEAR}", "out-of-range")
    return at


def wall_of(at: datetime) -> datetime:
    """Return a moment as the kitchen's own clock shows it."""
    return at.astimezone().replace(tzinfo=None)
