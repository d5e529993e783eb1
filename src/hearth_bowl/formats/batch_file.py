"""A batch as files that other programs read: `hearth-bowl/batch` as JSON, its readings and events as CSV.

Both are given in parts, so that however many readings there are, few are held at once.
"""

import csv
import io
import json
from collections.abc import Callable, Iterable, Iterator, Mapping
from datetime import datetime
from heapq import merge
from itertools import islice
from typing import Any, Final

from hearth_bowl.formats.csv_cells import safe_cell

FORMAT: Final = "hearth-bowl/batch"
COLUMNS: Final = ("at", "shown_c", "event", "what")
ROWS_AT_ONCE: Final = 1000
Shown = tuple[datetime, float | None]
Told = tuple[datetime, str, Mapping[str, Any]]


def batch_json(head: Mapping[str, Any], events: Iterable[Told], readings: Iterable[Shown]) -> Iterator[str]:
    """Give a batch as one JSON object: what is known of it, all that happened, its readings."""
    told = [{"at": at.isoformat(), "kind": kind, "what": data} for at, kind, data in events]
    start = {"format": FORMAT, "version": 1, **head, "events": told}
    yield json.dumps(start, ensure_ascii=False, allow_nan=False)[:-1] + ', "readings": ['
    rows = iter(readings)
    joint = ""
    while some := list(islice(rows, ROWS_AT_ONCE)):
        yield joint + ", ".join(json.dumps({"at": at.isoformat(), "shown_c": c}) for at, c in some)
        joint = ", "
    yield "]}"


def batch_csv(events: Iterable[Told], readings: Iterable[Shown]) -> Iterator[str]:
    """Give readings and events in the order of time, a row each; both come in that order."""
    by_time: Callable[[tuple[datetime, tuple[str, ...]]], datetime] = lambda row: row[0]  # noqa: E731
    shown = ((at, (at.isoformat(), "" if c is None else f"{c:.10g}", "", "")) for at, c in readings)
    told = ((at, (at.isoformat(), "", safe_cell(kind), safe_cell(_in_words(data)))) for at, kind, data in events)
    rows = merge(shown, told, key=by_time)
    yield _lines([COLUMNS])
    while some := [cells for _, cells in islice(rows, ROWS_AT_ONCE)]:
        yield _lines(some)


def _lines(rows: Iterable[tuple[str, ...]]) -> str:
    out = io.StringIO()
    csv.writer(out, lineterminator="\r\n").writerows(rows)
    return out.getvalue()


def _in_words(data: Mapping[str, Any]) -> str:
    return "; ".join(f"{name} {value}" for name, value in data.items())
