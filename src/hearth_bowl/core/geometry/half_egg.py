"""The inside of a half egg with a wall of even thickness: the exact parallel body of half an ellipsoid."""

from functools import lru_cache
from typing import Final

import numpy as np

from hearth_bowl.core.geometry.numbers import MM3_PER_ML

HEIGHTS: Final = 48  # numerical, by definition
AZIMUTHS: Final = 64  # numerical, by definition
BISECTIONS: Final = 50  # numerical, by definition
DIRECTIONS: Final = 1500
"""Directions and normals of the slower way for thick walls: within 1 %. Numerical, by definition."""
GOLDEN: Final = (1 + 5**0.5) / 2  # by definition


@lru_cache(maxsize=4096)
def half_egg_void_ml(
    semi_length_mm: float, semi_width_mm: float, depth_mm: float, wall_mm: float, below_rim_mm: float
) -> float:
    """Return what lies inside a wall and deeper than `below_rim_mm`.

    V(y) = 1/3 of the integral over outward normals n (n3 downwards) of those that reach z >= y of
    (h - t - y n3)(rr - t rs + t²); h the distance of the tangent plane, rr and rs product and sum of the radii of
    curvature. Equals Steiner's formula at y = 0. Beyond the least radius of curvature, smallest²/largest semi-axis,
    by the radial function instead. Solid.
    """
    axes = np.array([semi_length_mm, semi_width_mm, depth_mm], dtype=float)
    if below_rim_mm >= depth_mm - wall_mm or wall_mm >= axes.min():
        return 0.0
    if wall_mm <= axes.min() ** 2 / axes.max():
        return _by_normals(axes**2, wall_mm, below_rim_mm) / MM3_PER_ML
    return _by_directions(axes**2, wall_mm, below_rim_mm) / MM3_PER_ML


def _by_normals(squares: np.ndarray[tuple[int], np.dtype[np.float64]], wall: float, y: float) -> float:
    a2, b2, c2 = squares
    azimuth = 2 * np.pi * (np.arange(AZIMUTHS) + 0.5) / AZIMUTHS
    flat = a2 * np.cos(azimuth) ** 2 + b2 * np.sin(azimuth) ** 2
    flat2 = a2**2 * np.cos(azimuth) ** 2 + b2**2 * np.sin(azimuth) ** 2

    low, high = np.zeros(AZIMUTHS), np.ones(AZIMUTHS)
    for _ in range(BISECTIONS if y > 0 else 0):
        middle = (low + high) / 2
        reached = middle * (c2 / np.sqrt(flat * (1 - middle**2) + c2 * middle**2) - wall) >= y
        low, high = np.where(reached, low, middle), np.where(reached, middle, high)
    nodes, weights = np.polynomial.legendre.leggauss(HEIGHTS)
    down = low[:, None] + (1 - low[:, None]) * (nodes + 1) / 2
    weight = (1 - low[:, None]) / 2 * weights * (2 * np.pi / AZIMUTHS)
    across = 1 - down**2
    h = np.sqrt(flat[:, None] * across + c2 * down**2)
    radii_product = a2 * b2 * c2 / h**4
    radii_sum = (a2 + b2 + c2) / h - (flat2[:, None] * across + c2**2 * down**2) / h**3
    return float(np.sum(weight * (h - wall - y * down) * (radii_product - wall * radii_sum + wall**2)) / 3)


def _by_directions(squares: np.ndarray[tuple[int], np.dtype[np.float64]], wall: float, y: float) -> float:
    steps = np.arange(DIRECTIONS) + 0.5
    down, azimuth = steps / DIRECTIONS, 2 * np.pi * steps / GOLDEN
    across = np.sqrt(1 - down**2)
    sphere = np.stack([across * np.cos(azimuth), across * np.sin(azimuth), down], axis=1)
    room = np.sqrt(sphere**2 @ squares) - wall - y * down
    facing = np.maximum(sphere @ sphere.T, 1e-9)
    reach = np.maximum(0.0, np.min(room[None, :] / facing, axis=1))
    return float(2 * np.pi / 3 * np.mean(reach**3))
