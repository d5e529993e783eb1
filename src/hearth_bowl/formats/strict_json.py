"""JSON that is only JSON, and values of the kinds that a file may hold."""

import json
from collections.abc import Iterable, Mapping
from math import isfinite
from typing import Any, Final

from hearth_bowl.core.errors import BadInput, FieldPath

LARGEST_FILE_BYTES = 1_000_000
LARGEST_WHOLE = 2**53
"""Beyond it a JSON number is not the same everywhere: RFC 7493, 2.2."""


def read_json(data: bytes, field: str, most_bytes: int = LARGEST_FILE_BYTES) -> dict[str, Any]:
    """Return the object that a file's bytes hold.

    :raises BadInput: at `field`: too large, not UTF-8, not JSON, or not an object; at its own path: a number that is
        none (NaN, Infinity, 1e999).
    """
    if len(data) > most_bytes:
        raise BadInput((field,), f"{len(data)} bytes", f"up to {most_bytes} bytes", "too-large")
    try:
        value = json.loads(data.decode("utf-8-sig"))
        wrong = _first_wrong(value)
    except (ValueError, RecursionError) as problem:
        raise BadInput((field,), f"not readable as JSON: {str(problem)[:120]}", "one JSON object", "not-json") from None
    if not isinstance(value, dict):
        raise BadInput((field,), "not a JSON object", "one JSON object", "wrong-type")
    if wrong is not None:
        raise wrong
    return value


def _first_wrong(value: object) -> BadInput | None:
    """Return what is wrong with the first value that no JSON file may hold: NaN, endless numbers, half characters."""
    if isinstance(value, float):
        return None if isfinite(value) else BadInput((), "not a finite number", "a finite number", "not-a-number")
    if isinstance(value, int):
        allowed = f"a number up to {LARGEST_WHOLE}"
        return None if abs(value) <= LARGEST_WHOLE else BadInput((), "too large a number", allowed, "not-a-number")
    if isinstance(value, str):
        return None if _is_text(value) else BadInput((), "holds half a character", "whole characters", "not-text")
    inside: Iterable[tuple[str | int, object]] = ()
    if isinstance(value, dict):
        if not all(map(_is_text, value)):
            return BadInput((), "has a name with half a character", "whole characters", "not-text")
        inside = value.items()
    elif isinstance(value, list):
        inside = enumerate(value)
    for step, part in inside:
        wrong = _first_wrong(part)
        if wrong is not None:
            return wrong.under(step)
    return None


def _is_text(value: str) -> bool:
    return value.isascii() or not any("\ud800" <= sign <= "\udfff" for sign in value)


def text(record: Mapping[str, Any], name: str, default: str, field: FieldPath = ()) -> str:
    """Return a text of a record, or its default where it is absent."""
    value = record.get(name, default)
    if not isinstance(value, str):
        raise BadInput((*field, name), "not text", "text", "wrong-type")
    return value


def text_or_none(record: Mapping[str, Any], name: str) -> str | None:
    """Return a text of a record, or None where it is absent or null."""
    return None if record.get(name) is None else text(record, name, "")


def texts(record: Mapping[str, Any], name: str) -> tuple[str, ...]:
    """Return a list of texts of a record; absent is empty."""
    values = record.get(name, [])
    if not isinstance(values, list):
        raise BadInput((name,), "not a list", "a list of texts", "wrong-type")
    for position, value in enumerate(values):
        if not isinstance(value, str) or len(value) > 60:
            raise BadInput((name, position), "not a short text", "a text of up to 60 characters", "wrong-type")
    return tuple(values)


LONGEST_DOUBT: Final = 1000  # a limit, by definition
MOST_DOUBTS: Final = 40  # a limit, by definition


def doubts_of(record: Mapping[str, Any]) -> tuple[str, ...]:
    """Return what is unsure of a line or part; neither their length nor their number makes a file invalid."""
    values = record.get("doubts") or []
    if not isinstance(values, list) or not all(isinstance(value, str) for value in values):
        raise BadInput(("doubts",), "This is not a list of texts.", "a list of texts", "wrong-type")
    return tuple(value[:LONGEST_DOUBT] for value in values if value)[:MOST_DOUBTS]


def check_format(record: Mapping[str, Any], name: str) -> None:
    """Refuse a file of another format or version."""
    if record.get("format", name) != name:
        raise BadInput(("format",), f"{str(record['format'])[:60]!r}", name, "wrong-format")
    if record.get("version", 1) != 1:
        raise BadInput(("version",), f"{str(record['version'])[:20]!r} is not known here", "1", "wrong-format")
