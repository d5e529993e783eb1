"""Thermal properties of a mixture by its composition: Choi & Okos, source choi-okos-1986."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from math import prod
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import check_number
from hearth_bowl.core.ingredients.components import COMPONENTS, FATS
from hearth_bowl.core.mass.mixture import Mixture

Polynomial = tuple[float, ...]
CRYSTALLINE_CP: Final = 1250.0
"""J/kgK of crystalline sugar, in anything under 5 % water. Source: choi-okos-1986."""
DRY_PCT: Final = 5.0  # source: choi-okos-1986

CP_J_PER_KGK: Final[Mapping[str, Polynomial]] = MappingProxyType(
    {
        "water": (4176.2, -0.0909, 0.00547),
        "protein": (2008.2, 1.209),
        "fat": (1984.2, 1.473),
        "carbohydrate": (1548.8, 1.963),
        "fibre": (1845.9, 1.831),
        "ash": (1092.6, 1.89),
    }
)
"""Source: choi-okos-1986."""
CONDUCTIVITY_W_PER_MK: Final[Mapping[str, Polynomial]] = MappingProxyType(
    {
        "water": (0.5711, 0.00176),
        "protein": (0.179, 0.0012),
        "fat": (0.181, -0.000276),
        "carbohydrate": (0.201, 0.00139),
        "fibre": (0.183, 0.00125),
        "ash": (0.330, 0.0014),
    }
)
"""Some reprints give +.00276 for fat: impossible. Source: choi-okos-1986."""
SPLIT: Final[Mapping[str, Mapping[str, float]]] = MappingProxyType(
    {
        "msnf": MappingProxyType({"protein": 0.82, "ash": 0.18}),
        "cocoa_nonfat": MappingProxyType({"protein": 0.25, "carbohydrate": 0.30, "fibre": 0.36, "ash": 0.09}),
        "other": MappingProxyType({"protein": 0.25, "carbohydrate": 0.35, "fibre": 0.35, "ash": 0.05}),
        "salt": MappingProxyType({"ash": 1.0}),
        "water": MappingProxyType({"water": 1.0}),
        "ethanol": MappingProxyType({"fat": 1.0}),
    }
)
"""What each component counts as. Ethanol's heat capacity (2440) and conductivity (.17) are near a fat's.
Handbook, section E."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Thermal:
    """Density [kg/m³], heat capacity [J/kgK], conductivity [W/mK] and latent heat [kJ/kg] of a mass."""

    density_kg_per_m3: float = 1180.0
    cp_j_per_kgk: float = 2250.0
    conductivity_w_per_mk: float = 0.26
    latent_kj_per_kg: float = 30.0

    def __post_init__(self) -> None:
        """Check that it is something to eat.

        :raises BadInput: at `rho`, `cp`, `k` or `latent_kj_per_kg`.
        """
        check_number(("rho",), self.density_kg_per_m3, 100, 3000, "kg/m³")
        check_number(("cp",), self.cp_j_per_kgk, 500, 5000, "J/kgK")
        check_number(("k",), self.conductivity_w_per_mk, 0.01, 10, "W/mK")
        check_number(("latent_kj_per_kg",), self.latent_kj_per_kg, 0, 300, "kJ/kg")


GANACHE: Final = Thermal()
"""What a ganache is taken for when nothing else is known."""


def _at(table: Polynomial, at_c: float) -> float:
    return sum(factor * at_c**power for power, factor in enumerate(table))


def _shares(mixture: Mixture, weight: Callable[[str], float]) -> dict[str, float]:
    shares = dict.fromkeys(CP_J_PER_KGK, 0.0)
    for name, grams in mixture.grams.items():
        if not grams:
            continue
        kinds = {"fat": 1.0} if name in FATS else SPLIT.get(name, {"carbohydrate": 1.0})
        for kind, part in kinds.items():
            shares[kind] += part * grams * weight(name)
    total = sum(shares.values())
    return {kind: share / total for kind, share in shares.items()}


def heat_capacity_j_per_kgk(mixture: Mixture, at_c: float = 25.0) -> float:
    """Return the heat capacity, by mass; crystalline sugars under 5 % water. Fair."""
    dry = mixture.composition_pct["water"] < DRY_PCT
    capacities = {kind: _at(table, at_c) for kind, table in CP_J_PER_KGK.items()}
    if dry:
        capacities["carbohydrate"] = CRYSTALLINE_CP
    return sum(share * capacities[kind] for kind, share in _shares(mixture, lambda _: 1.0).items())


def conductivity_w_per_mk(mixture: Mixture, at_c: float = 25.0) -> float:
    """Return the conductivity: the geometric mean by volume. Fair."""
    volumes = _shares(mixture, lambda name: 1 / COMPONENTS[name].density_g_per_ml)
    return float(prod(_at(CONDUCTIVITY_W_PER_MK[kind], at_c) ** share for kind, share in volumes.items()))
