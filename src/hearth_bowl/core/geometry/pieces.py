"""Pieces: balls, coats, and how many squares a slab gives."""

from dataclasses import dataclass
from math import cbrt, ceil, floor, hypot, log, pi, sqrt
from typing import Final

from hearth_bowl.core.geometry.numbers import FLOOR_GUARD, MM3_PER_ML, bisect_rising
from hearth_bowl.core.geometry.pans import Pan

MOST_PIECES: Final = 10_000  # a limit, by definition


def ball_diameter_mm(mass_g: float, density_g_per_ml: float) -> float:
    """Return the diameter of a ball: (6 m/(pi rho))^(1/3)."""
    return cbrt(6 * mass_g * MM3_PER_ML / (pi * density_g_per_ml))


def ball_coat_g(diameter_mm: float, coat_mm: float, density_g_per_ml: float) -> float:
    """Return the coat on a ball: pi/6 ((d + 2t)³ - d³) rho. A foot and drips add 10 to 15 %."""
    return pi / 6 * ((diameter_mm + 2 * coat_mm) ** 3 - diameter_mm**3) * density_g_per_ml / MM3_PER_ML


def piece_coat_g(length_mm: float, width_mm: float, height_mm: float, coat_mm: float, density_g_per_ml: float) -> float:
    """Return the coat on a cut piece, edges rounded (exact): 2(ab+bc+ca)t + pi(a+b+c)t² + 4/3 pi t³."""
    a, b, c, t = length_mm, width_mm, height_mm, coat_mm
    volume = 2 * (a * b + b * c + c * a) * t + pi * (a + b + c) * t**2 + 4 / 3 * pi * t**3
    return volume * density_g_per_ml / MM3_PER_ML


@dataclass(frozen=True, slots=True, kw_only=True)
class Cut:
    """How a slab is cut: pieces along and across (None on a round slab), their sides, and how many whole ones.

    `places_mm` are the left upper corners of a round slab's pieces, from the square round it.
    """

    grid: tuple[int, int] | None
    piece_mm: tuple[float, float]
    pieces: int
    places_mm: tuple[tuple[float, float], ...] | None = None


def count_along(side_mm: float, piece_mm: float, trim_mm: float, kerf_mm: float) -> int:
    """Return floor((L - 2 trim + kerf)/(p + kerf)), never below 0."""
    return max(0, floor((side_mm - 2 * trim_mm + kerf_mm) / (piece_mm + kerf_mm) + FLOOR_GUARD))


def cut_by_size(pan: Pan, piece_mm: tuple[float, float], trim_mm: float, kerf_mm: float) -> Cut:
    """Return the cut that gives most whole pieces of a size, trying both orientations.

    A loaf is cut by its base. On a round slab the whole pieces on the grid count, trying four offsets.
    """
    cuts = []
    for along, across in (piece_mm, piece_mm[::-1]):
        if pan.is_round:
            cuts.append(_round_cut(pan, along, across, trim_mm, kerf_mm))
        else:
            grid = (
                count_along(pan.length_mm, along, trim_mm, kerf_mm),
                count_along(pan.width_mm, across, trim_mm, kerf_mm),
            )
            cuts.append(Cut(grid=grid, piece_mm=(along, across), pieces=grid[0] * grid[1]))
    return max(cuts, key=lambda cut: cut.pieces)


def _round_cut(pan: Pan, along: float, across: float, trim_mm: float, kerf_mm: float) -> Cut:
    outer, inner = pan.diameter_mm / 2 - trim_mm, pan.inner_diameter_mm / 2
    inner += trim_mm if inner else 0.0
    places: list[tuple[float, float]] = []
    if outer > 0:
        found = (_places_on_grid(outer, inner, along, across, kerf_mm, (x, y)) for x in (0.0, 0.5) for y in (0.0, 0.5))
        places = max(found, key=len)
    half = pan.diameter_mm / 2
    moved = tuple((half + left, half + low) for left, low in places)
    return Cut(grid=None, piece_mm=(along, across), pieces=len(places), places_mm=moved)


def _places_on_grid(
    outer: float, inner: float, along: float, across: float, kerf: float, offset: tuple[float, float]
) -> list[tuple[float, float]]:
    pitch_x, pitch_y = along + kerf, across + kerf
    reach_x, reach_y = ceil(outer / pitch_x) + 1, ceil(outer / pitch_y) + 1
    if reach_x * reach_y > MOST_PIECES:
        return []
    places = []
    for j in range(-reach_y, reach_y):
        low = (j + offset[1]) * pitch_y + kerf / 2
        high = low + across
        for i in range(-reach_x, reach_x):
            left = (i + offset[0]) * pitch_x + kerf / 2
            right = left + along
            farthest = hypot(max(abs(left), abs(right)), max(abs(low), abs(high)))
            nearest = hypot(
                0.0 if left < 0 < right else min(abs(left), abs(right)),
                0.0 if low < 0 < high else min(abs(low), abs(high)),
            )
            if farthest <= outer + FLOOR_GUARD and (not inner or nearest >= inner - FLOOR_GUARD):
                places.append((left, low))
    return places


def cut_by_count(pan: Pan, wanted: int, trim_mm: float, kerf_mm: float) -> Cut | None:
    """Return the grid of at least `wanted` pieces that are most nearly square, or None where none can be cut.

    On a round slab: the largest squares that give so many.
    """
    if pan.is_round:
        return _squares_from_round(pan, wanted, trim_mm, kerf_mm)
    best: tuple[float, Cut] | None = None
    for nx in range(wanted, 0, -1):
        ny = ceil(wanted / nx)
        p = (pan.length_mm - 2 * trim_mm - (nx - 1) * kerf_mm) / nx
        q = (pan.width_mm - 2 * trim_mm - (ny - 1) * kerf_mm) / ny
        if p <= 0 or q <= 0:
            continue
        skew = round(abs(log(p / q)), 9)
        if best is None or skew < best[0] or (skew == best[0] and nx * ny < best[1].pieces):
            best = (skew, Cut(grid=(nx, ny), piece_mm=(p, q), pieces=nx * ny))
    return best[1] if best else None


def _squares_from_round(pan: Pan, wanted: int, trim_mm: float, kerf_mm: float) -> Cut | None:
    area = pan.area_mm2()
    widest = sqrt(area)
    smallest = widest / sqrt(wanted) / 4

    def too_many(shrink: float) -> float:
        side = widest - shrink
        return _round_cut(pan, side, side, trim_mm, kerf_mm).pieces

    shrink = bisect_rising(too_many, wanted, 0.0, widest - smallest)
    side = floor((widest - shrink) * 10) / 10
    cut = _round_cut(pan, side, side, trim_mm, kerf_mm) if side > 0 else None
    return cut if cut is not None and cut.pieces >= wanted else None
