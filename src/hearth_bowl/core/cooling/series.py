"""The exact cooling of a slab without latent heat: source incropera-dewitt."""

from math import cos, pi, sin, tan

from hearth_bowl.core.geometry.numbers import bisect_rising


def roots(biot: float, count: int) -> list[float]:
    """Return the first roots of zeta tan(zeta) = Bi: one in each (j pi, (j + 1/2) pi)."""
    found = []
    for j in range(count):
        low, high = j * pi, (j + 0.5) * pi
        found.append(bisect_rising(lambda zeta: zeta * tan(zeta) - biot, 0.0, low + 1e-12, high - 1e-12))
    return found


def unaccomplished(biot: float, fourier: float, at: float = 0.0, terms: int = 40) -> float:
    """Return theta(x/L): the share of the first temperature difference that is left at a place of the slab.

    theta = sum C exp(-zeta² Fo) cos(zeta x/L), C = 4 sin zeta/(2 zeta + sin 2 zeta); x from the middle, or from the
    insulated base.
    """
    return sum(
        4 * sin(zeta) / (2 * zeta + sin(2 * zeta)) * _decay(zeta, fourier) * cos(zeta * at)
        for zeta in roots(biot, terms)
    )


def _decay(zeta: float, fourier: float) -> float:
    exponent = zeta**2 * fourier
    return 0.0 if exponent > 700 else 2.718281828459045**-exponent
