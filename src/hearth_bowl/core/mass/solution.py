"""What dissolves: how much sucrose and lactose the water of a mass can hold."""

from bisect import bisect_right
from dataclasses import dataclass
from math import exp, log
from typing import Final

from hearth_bowl.core.mass.mixture import Mixture

LACTOSE_SOLUBILITY: Final = (
    (0, 11.9), (10, 15.1), (15, 16.9), (20, 19.1), (25, 21.6), (30, 24.8),
    (40, 32.8), (50, 43.7), (60, 58.7), (80, 104.0), (100, 157.0),
)  # fmt: skip
"""(°C, g lactose per 100 g water): C. S. Hudson, 1908. Log-linear between."""
GLUCOSE_SOLUBILITY_PCT: Final = ((0, 35.0), (10, 41.0), (20, 47.6), (30, 54.6), (40, 62.0), (50, 70.9))
"""(°C, % w/w over dextrose hydrate): Jackson and Silsbee 1922, quoted from memory. Linear between."""
CAP_ITERATIONS: Final = 200  # numerical, by definition
CAP_TOLERANCE_G: Final = 1e-10  # numerical, by definition


@dataclass(frozen=True, slots=True, kw_only=True)
class Dissolved:
    """What is in solution and what stays as crystals, in g."""

    sucrose_g: float
    lactose_g: float
    sucrose_crystals_g: float
    lactose_crystals_g: float
    glucose_g: float

    @property
    def crystals_g(self) -> float:
        """Return all undissolved sugar."""
        return self.sucrose_crystals_g + self.lactose_crystals_g


def sucrose_solubility_pct(at_c: float) -> float:
    """Return the solubility of sucrose [% w/w] from 0 to 90 °C; colder or hotter is read at the end of the range.

    64.397 + 0.07251 t + 0.0020569 t² - 9.035e-6 t³; D. F. Charles, Int. Sugar J. 62 (1960) 126.
    """
    t = min(max(at_c, 0.0), 90.0)
    return 64.397 + 0.07251 * t + 0.0020569 * t * t - 9.035e-6 * t**3


def lactose_solubility_g_per_g(at_c: float) -> float:
    """Return g lactose that 1 g of water holds, 0 to 100 °C, clamped outside. C. S. Hudson, 1908. Fair."""
    t = min(max(at_c, 0.0), 100.0)
    i = min(bisect_right(LACTOSE_SOLUBILITY, (t, float("inf"))), len(LACTOSE_SOLUBILITY) - 1)
    (t0, low), (t1, high) = LACTOSE_SOLUBILITY[i - 1], LACTOSE_SOLUBILITY[i]
    return exp(log(low) + (log(high) - log(low)) * (t - t0) / (t1 - t0)) / 100


def glucose_solubility_g_per_g(at_c: float) -> float:
    """Return g glucose that 1 g of water holds over dextrose hydrate, 0 to 50 °C, clamped outside.

    Jackson and Silsbee 1922. Pure glucose solid; beside other sugars weak.
    """
    t = min(max(at_c, 0.0), 50.0)
    i = min(bisect_right(GLUCOSE_SOLUBILITY_PCT, (t, float("inf"))), len(GLUCOSE_SOLUBILITY_PCT) - 1)
    (t0, low), (t1, high) = GLUCOSE_SOLUBILITY_PCT[i - 1], GLUCOSE_SOLUBILITY_PCT[i]
    pct = low + (high - low) * (t - t0) / (t1 - t0)
    return pct / (100 - pct)


def dissolve(mixture: Mixture, at_c: float, water_g: float | None = None, *, glucose_grains: bool = False) -> Dissolved:
    """Return what dissolves at `at_c` in the mixture's water (or in `water_g` of it).

    Other dissolved sugars and polyols, R g per g water, push sucrose out: limit × max(0.5, 1 - 0.09 R) (after Grut);
    dissolved sucrose, S g per g water, pushes lactose out: limit × max(0.4, 1 - 0.30 S). Glucose stays dissolved as
    honey does for months; with `glucose_grains` it is capped too, × max(0.5, 1 - 0.09 R'). The caps are solved
    together by iteration with half steps. Sucrose solid, the rest fair, glucose beside other sugars weak.
    """
    grams = mixture.grams
    water = grams["water"] if water_g is None else water_g
    sucrose, lactose, glucose = grams["sucrose"], grams["lactose"], grams["glucose"]
    if water <= 0:
        return Dissolved(
            sucrose_g=0, lactose_g=0, sucrose_crystals_g=sucrose, lactose_crystals_g=lactose, glucose_g=0.0
        )
    pct = sucrose_solubility_pct(at_c)
    sucrose_limit = water * pct / (100 - pct)
    lactose_limit = water * lactose_solubility_g_per_g(at_c)
    glucose_limit = water * glucose_solubility_g_per_g(at_c) if glucose_grains else float("inf")
    others = grams["fructose"] + grams["maltose"] + grams["higher"] + grams["sorbitol"] + grams["glycerol"]
    held_sucrose, held_lactose, held_glucose = min(sucrose, sucrose_limit), 0.0, min(glucose, glucose_limit)
    pace = 0.5 if glucose_grains else 1.0
    for _ in range(CAP_ITERATIONS):
        before = held_sucrose, held_lactose, held_glucose
        held_lactose += pace * (min(lactose, lactose_limit * max(0.4, 1 - 0.30 * held_sucrose / water)) - held_lactose)
        if glucose_grains:
            beside = (others + held_sucrose + held_lactose) / water
            held_glucose += pace * (min(glucose, glucose_limit * max(0.5, 1 - 0.09 * beside)) - held_glucose)
        beside = (others + held_glucose + held_lactose) / water
        held_sucrose += pace * (min(sucrose, sucrose_limit * max(0.5, 1 - 0.09 * beside)) - held_sucrose)
        moved = max(abs(held_sucrose - before[0]), abs(held_lactose - before[1]), abs(held_glucose - before[2]))
        if moved <= CAP_TOLERANCE_G * water:
            break
    return Dissolved(
        sucrose_g=held_sucrose,
        lactose_g=held_lactose,
        sucrose_crystals_g=sucrose - held_sucrose,
        lactose_crystals_g=lactose - held_lactose,
        glucose_g=held_glucose,
    )
