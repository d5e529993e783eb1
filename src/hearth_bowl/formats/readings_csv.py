"""Readings of a logger as CSV: a moment and a temperature a row."""

from dataclasses import dataclass
from datetime import datetime

from hearth_bowl.core.errors import BadInput
from hearth_bowl.formats.csv_cells import csv_rows


@dataclass(frozen=True, slots=True, kw_only=True)
class Reading:
    """What a thermometer showed [°C], None when its sensor said nothing; without a moment, now counts."""

    c: float | None = None
    at: datetime | None = None


def read_readings(text: str) -> list[Reading]:
    """Return the readings of a CSV: a column `at` (ISO moment) and a column `c` or `f`.

    :raises BadInput: naming the row.
    """
    columns, rows = csv_rows(text)
    if "at" not in columns or not {"c", "f"} & set(columns):
        raise BadInput(("csv",), "there is no column 'at' with 'c' or 'f'", "a head row: at,c or at,f", "missing")
    return [_reading(position, row) for position, row in enumerate(rows)]


def _reading(position: int, row: dict[str, str]) -> Reading:
    path = ("rows", position)
    try:
        at = datetime.fromisoformat(row["at"])
    except ValueError:
        raise BadInput((*path, "at"), "not a moment", "such as 2026-08-21T19:30:05+00:00", "not-a-time") from None
    in_c = row.get("c", "")
    text = (in_c or row.get("f", "")).replace(",", ".")
    try:
        value = float(text) if text else None
    except ValueError:
        raise BadInput((*path, "c"), f"{text[:40]!r} is no number", "a number", "not-a-number") from None
    return Reading(at=at, c=value if value is None or in_c else (value - 32) / 1.8)
