"""Errors of the core: they carry the field, what was wrong, and what is allowed."""

from collections.abc import Sequence
from math import isfinite

FieldPath = tuple[str | int, ...]


class BadInput(ValueError):  # noqa: N818 - it reads as what it is
    """A value that the core refuses.

    `field` is the path to the value (`("lines", 2, "amount")`), `allowed` says what would be taken.
    """

    def __init__(self, field: FieldPath, message: str, allowed: str, code: str = "not-allowed") -> None:
        super().__init__(field, message, allowed, code)
        self.field, self.message, self.allowed, self.code = field, message, allowed, code

    def __str__(self) -> str:
        return f"{dotted(self.field)}: {self.message} (allowed: {self.allowed})"

    def under(self, *prefix: str | int) -> "BadInput":
        """Return the same refusal with its field seen from further out."""
        return BadInput((*prefix, *self.field), self.message, self.allowed, self.code)


def dotted(field: Sequence[str | int]) -> str:
    """Write a field's path as people do.

    >>> dotted(("lines", 2, "amount"))
    'lines[2].amount'
    """
    text = ""
    for step in field:
        text += f"[{step}]" if isinstance(step, int) else f".{step}" if text else step
    return text


def check_number(
    field: FieldPath, value: object, low: float, high: float, unit: str = "", above: bool = False
) -> float:
    """Return `value` as a float when it is a finite number within low..high.

    :param above: low itself is not allowed.
    :raises BadInput: naming the field and the range.
    """
    limits = _quantity(f"{low:g} {'up ' if above else ''}to {high:.10g}", unit)
    allowed = f"a number {'above' if above else 'from'} {limits}"
    if isinstance(value, bool) or not isinstance(value, int | float):
        raise BadInput(field, "not a number", allowed, "not-a-number")
    try:
        number = float(value)
    except OverflowError:
        raise BadInput(field, "too large", allowed, "out-of-range") from None
    if not isfinite(number):
        raise BadInput(field, "not a finite number", allowed, "not-a-number")
    if number < low or number > high or (above and number == low):
        raise BadInput(field, _quantity(f"{number:g}", unit) + " is out of range", allowed, "out-of-range")
    return number


def _quantity(text: str, unit: str) -> str:
    """Write a figure with its unit; temperatures as `quantities.py` reads them."""
    return f"⟦{text} {unit}⟧" if unit == "°C" else f"{text} {unit}".rstrip()
