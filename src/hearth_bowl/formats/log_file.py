"""A kitchen's log: `hearth-bowl/log`, and what it teaches."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any, Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.learn.corrections import Correction, Entry
from hearth_bowl.formats.strict_json import check_format, read_json

FORMAT: Final = "hearth-bowl/log"
MOST_ENTRIES: Final = 10_000
DAY_S: Final = 86_400.0


def read_log(data: bytes) -> tuple[Entry, ...]:
    """Return the entries of a log file; their age is by its `now`, or by its newest entry.

    :raises BadInput: naming the field as the file has it.
    """
    record = read_json(data, "log")
    check_format(record, FORMAT)
    rows = record.get("entries", [])
    if not isinstance(rows, list):
        raise BadInput(("entries",), "not a list", "a list", "wrong-type")
    if len(rows) > MOST_ENTRIES:
        raise BadInput(("entries",), f"{len(rows)} entries", f"up to {MOST_ENTRIES}", "too-large")
    moments = [_moment(row, position) for position, row in enumerate(rows)]
    given = record.get("now")
    now = _read_moment(("now",), given) if given is not None else max((at for at in moments if at), default=None)
    return tuple(_entry(row, position, at, now) for position, (row, at) in enumerate(zip(rows, moments, strict=True)))


def _moment(row: Any, position: int) -> datetime | None:
    if not isinstance(row, dict):
        raise BadInput(("entries", position), "not an entry", "an object", "wrong-type")
    return None if row.get("at") is None else _read_moment(("entries", position, "at"), row["at"])


def _read_moment(path: tuple[str | int, ...], value: Any) -> datetime:
    try:
        return datetime.fromisoformat(value).replace(tzinfo=None)
    except (TypeError, ValueError):
        raise BadInput(path, f"{str(value)[:40]!r} is no moment", "such as 2026-08-01T20:00", "wrong-type") from None


def _entry(row: Mapping[str, Any], position: int, at: datetime | None, now: datetime | None) -> Entry:
    path = ("entries", position)
    what, by = row.get("what"), row.get("by", "instrument")
    if not isinstance(what, str):
        raise BadInput((*path, "what"), "is missing", "such as cooling:fridge", "missing")
    if by not in ("instrument", "feel"):
        raise BadInput((*path, "by"), f"unknown {str(by)[:40]!r}", "instrument or feel", "unknown")
    for name in ("predicted", "observed"):
        value = row.get(name)
        if isinstance(value, bool) or not isinstance(value, int | float):
            raise BadInput((*path, name), "not a number", "a number", "not-a-number")
    age_days = 0.0 if at is None or now is None else max(0.0, (now - at).total_seconds() / DAY_S)
    return Entry(
        what=what, predicted=float(row["predicted"]), observed=float(row["observed"]), age_days=age_days, by=by
    )


def corrections_answer(found: tuple[Correction, ...]) -> dict[str, Any]:
    """Return the answer of `learn`."""
    return {
        "corrections": [
            {
                "what": one.what,
                one.kind: one.value,
                "low": one.low,
                "high": one.high,
                "entries": one.entries,
                "left_out": one.left_out,
            }
            for one in found
        ]
    }
