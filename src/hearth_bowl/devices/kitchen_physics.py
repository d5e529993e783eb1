"""The physics of a stand-in kitchen: a pan on a ring, a water bath, a microwave, a room, a fridge.

Heat goes from the ring into the pan, from the pan into the mass, from the mass into the air. At its boiling point,
which rises as water leaves, what comes in beyond that drives water off. Fat melts and sets with its latent heat.
"""

from dataclasses import dataclass, field
from itertools import pairwise
from math import pi, tanh
from typing import Final

from hearth_bowl.core.mass.boiling import boil_curve
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.thermal import heat_capacity_j_per_kgk

EVAPORATION_J_PER_G: Final = 2257.0
STEPS_IN_A_SECOND: Final = 4
MELTS_C: Final = 31.0
MELTS_WIDTH_C: Final = 1.5


@dataclass(frozen=True, slots=True, kw_only=True)
class Hob:
    """A ring and a pan: power [W], what of it arrives, the pan's heat capacity [J/K], pan to mass [W/K], air [W/K]."""

    power_w: float = 1200.0
    arrives: float = 0.55
    pan_j_per_k: float = 450.0
    pan_to_mass_w_per_k: float = 45.0
    air_w_per_k: float = 0.9


@dataclass(slots=True)
class PanOfSomething:
    """A mass in a pan: advance it second by second; `heat_share` is the ring, 0 to 1."""

    mixture: Mixture
    kpa: float
    hob: Hob = field(default_factory=Hob)
    ambient_c: float = 20.0
    mass_c: float = 20.0
    pan_c: float = 20.0
    water_g: float = 0.0
    boils: bool = False
    latent_j_per_g: float = 0.0
    bath_c: float | None = None
    _curve: tuple[tuple[float, float], ...] = ()
    _dry_g: float = 0.0
    _dry_j_per_k: float = 0.0

    def __post_init__(self) -> None:
        """Work out how the boiling point rises with what has left."""
        self.water_g = self.mixture.grams["water"]
        self._dry_g = self.mixture.mass_g - self.water_g
        whole_j_per_k = self.mixture.mass_g / 1000 * heat_capacity_j_per_kgk(self.mixture, 60.0)
        self._dry_j_per_k = max(50.0, whole_j_per_k - 4.18 * self.water_g)
        self._curve = boil_curve(self.mixture, self.kpa)

    @property
    def mass_g(self) -> float:
        """Return what the pan holds now."""
        return self._dry_g + self.water_g

    @property
    def boiling_c(self) -> float:
        """Return where it boils now; far above where it has hardly any water."""
        if not self._curve:
            return 400.0
        for (c1, w1), (c0, w0) in pairwise(self._curve):
            if self.water_g >= w0:
                return c0 + (c1 - c0) * (self.water_g - w0) / (w1 - w0)
        return self._curve[-1][0]

    def advance(self, seconds: float, heat_share: float, microwave_w: float = 0.0) -> None:
        """Go on for some seconds."""
        step = 1 / STEPS_IN_A_SECOND
        left = seconds
        while left > 1e-9:
            self._advance(min(step, left), heat_share, microwave_w)
            left -= step

    def stir_in(self, grams: float, at_c: float) -> None:
        """Stir in cold pieces of the same: they take heat to warm and to melt."""
        capacity = self._dry_j_per_k + 4.18 * self.water_g
        per_g = capacity / self.mass_g
        taken = grams * (per_g * (self.mass_c - at_c) + self.latent_j_per_g)
        self.mass_c -= taken / (capacity + per_g * grams + self._melting_j_per_k())
        self._dry_g += grams
        self._dry_j_per_k += per_g * grams

    def add_to(self, before: "PanOfSomething", cold_c: float) -> None:
        """Become what `before` is when all that is more in this one is stirred in cold; its own fat melts."""
        capacity = self._dry_j_per_k + 4.18 * self.water_g
        hot = min(capacity, before._dry_j_per_k + 4.18 * before.water_g)
        melted_j = max(0.0, self.latent_j_per_g * self.mass_g - before.latent_j_per_g * before.mass_g)
        mixed_c = (hot * before.mass_c + (capacity - hot) * cold_c) / capacity
        self.mass_c = max(min(mixed_c, MELTS_C), mixed_c - melted_j / capacity)
        self.pan_c = before.pan_c
        self.water_g = max(1.0, self.water_g - max(0.0, before.mixture.grams["water"] - before.water_g))

    def _advance(self, dt: float, heat_share: float, microwave_w: float) -> None:
        hob = self.hob
        into_pan = heat_share * hob.power_w * hob.arrives
        across = hob.pan_to_mass_w_per_k * (self.pan_c - self.mass_c)
        self.pan_c += (
            dt * (into_pan - across - 0.25 * hob.air_w_per_k * (self.pan_c - self.ambient_c)) / hob.pan_j_per_k
        )
        if self.bath_c is not None:
            self.pan_c = min(self.pan_c, self.bath_c)
        lost = hob.air_w_per_k * (self.mass_c - self.ambient_c)
        steaming = _steam_w(self.mass_c, self.boiling_c) if self._curve else 0.0
        joules = dt * (across + microwave_w - lost - steaming)
        self.water_g = max(self.water_g * 0.2, self.water_g - dt * steaming / EVAPORATION_J_PER_G)
        self._warm(joules)

    def _warm(self, joules: float) -> None:
        capacity = self._dry_j_per_k + 4.18 * self.water_g + self._melting_j_per_k()
        warmer = self.mass_c + joules / capacity
        boils_at = self.boiling_c
        if warmer < boils_at:
            self.mass_c, self.boils = warmer, False
            return
        self.boils = True
        surplus = (warmer - boils_at) * capacity
        self.water_g = max(1.0, self.water_g - surplus / EVAPORATION_J_PER_G)
        self.mass_c = min(warmer, self.boiling_c)

    def _melting_j_per_k(self) -> float:
        """Return what melting adds to the heat capacity: the latent heat spread over some degrees."""
        if not self.latent_j_per_g:
            return 0.0
        slope = (1 - tanh((self.mass_c - MELTS_C) / MELTS_WIDTH_C) ** 2) / (2 * MELTS_WIDTH_C)
        return self.latent_j_per_g * self.mass_g * slope


def _steam_w(mass_c: float, boils_at: float) -> float:
    """Return what steam takes below the boil: little until near it."""
    share = max(0.0, 1 - (boils_at - mass_c) / 40)
    return 60.0 * share**2


@dataclass(slots=True)
class LaggingProbe:
    """A probe: it lags, is a little off, scatters, drops out, and its plug may be loose."""

    offset_c: float = 0.0
    lag_s: float = 4.0
    scatter_c: float = 0.12
    dropout_share: float = 0.0
    shows_c: float | None = None

    def read(self, true_c: float, seconds: float, chance: float, gauss: float) -> float | None:
        """Return what it shows after some seconds, or None when it says nothing.

        :param chance: a number in 0..1 and `gauss` of spread 1, given so that runs can be repeated.
        """
        before = true_c if self.shows_c is None else self.shows_c
        self.shows_c = before + (true_c - before) * min(1.0, seconds / (self.lag_s + seconds / 2))
        if chance < self.dropout_share:
            return None
        return self.shows_c + self.offset_c + self.scatter_c * gauss


def bowl_w_per_k(mass_g: float) -> float:
    """Return what a bowl of that mass loses to still air [W/K]: 9 W/m²K over a half ball's wall and top."""
    radius_m = (3 * mass_g / 1.2e6 / (2 * pi)) ** (1 / 3)
    return float(9.0 * 3 * pi * radius_m**2)
