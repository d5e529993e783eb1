"""Where each piece lies in a box as it is packed: kind by kind, row after row, the largest first."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.vessel import Box
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD

GUARD_MM: Final = 0.01
"""What a sum of lengths may be out by rounding: a judgement, far below what a hand can place."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Packed:
    """One kind of piece: how many go into a box, and its oblong with its paper [mm]."""

    pieces: int
    long_mm: float
    wide_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Lies:
    """A piece in its place: which kind, in which layer (0 the lowest), and its oblong from the box's corner [mm]."""

    kind: int
    layer: int
    x_mm: float
    y_mm: float
    long_mm: float
    wide_mm: float


@dataclass(slots=True)
class _Row:
    layer: int
    y_mm: float
    high_mm: float
    used_mm: float = 0.0


def places_in(box: Box, kinds: Sequence[Packed]) -> tuple[Lies, ...]:
    """Return the places of all pieces of one box: the deepest first, each in the first row that has room for it.

    :raises BadInput: at `rows`, where a piece is larger than the box.
    """
    found: list[Lies] = []
    rows: list[_Row] = []
    turned = [_turned(box, kind) for kind in kinds]
    for number in sorted(range(len(kinds)), key=lambda one: (-turned[one][1], one)):
        long_mm, wide_mm = turned[number]
        if long_mm > box.length_mm + GUARD_MM or wide_mm > box.width_mm + GUARD_MM:
            allowed = f"pieces up to {box.length_mm:g} by {box.width_mm:g} mm"
            raise BadInput(("rows", number), f"a piece of {long_mm:.0f} by {wide_mm:.0f} mm", allowed, "out-of-range")
        for _ in range(kinds[number].pieces):
            row = next((one for one in rows if one.used_mm + long_mm <= box.length_mm + GUARD_MM), None)
            if row is None:
                row = _new_row(box, rows, wide_mm)
            found.append(
                Lies(kind=number, layer=row.layer, x_mm=row.used_mm, y_mm=row.y_mm, long_mm=long_mm, wide_mm=wide_mm)
            )
            row.used_mm += long_mm
    return tuple(found)


def _new_row(box: Box, rows: list[_Row], high_mm: float) -> _Row:
    """Open a row in the first layer that has room for it, else in a new layer."""
    ends: dict[int, float] = {}
    for row in rows:
        ends[row.layer] = max(ends.get(row.layer, 0.0), row.y_mm + row.high_mm)
    layer = next((one for one, end in ends.items() if end + high_mm <= box.width_mm + GUARD_MM), len(ends))
    rows.append(_Row(layer=layer, y_mm=ends.get(layer, 0.0), high_mm=high_mm))
    return rows[-1]


def _turned(box: Box, kind: Packed) -> tuple[float, float]:
    """Return the way round in which more of a kind lie in one layer."""
    ways = ((kind.long_mm, kind.wide_mm), (kind.wide_mm, kind.long_mm))
    return max(
        ways, key=lambda way: int(box.length_mm / way[0] + FLOOR_GUARD) * int(box.width_mm / way[1] + FLOOR_GUARD)
    )
