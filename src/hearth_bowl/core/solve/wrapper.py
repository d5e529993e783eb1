"""Labels: the composition behind a wrapper's figures per 100 g, with its uncertainty, by constrained least squares."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

import numpy as np

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.components import COMPONENTS
from hearth_bowl.core.mass.mixture import FloatArray

FIGURES: Final[Mapping[str, tuple[float, str]]] = MappingProxyType(
    {
        "energy_kcal": (900.0, "kcal"),
        "fat": (100.0, "g"),
        "saturated": (100.0, "g"),
        "carbohydrate": (100.0, "g"),
        "sugars": (100.0, "g"),
        "fibre": (100.0, "g"),
        "protein": (100.0, "g"),
        "salt": (100.0, "g"),
        "cocoa_pct": (100.0, "%"),
    }
)
"""The figures of a label, with the most that each can be and its unit. A judgement."""
ROUNDING: Final = MappingProxyType(
    {
        "energy_kcal": 8.0,
        "fat": 0.6,
        "saturated": 1.5,
        "carbohydrate": 0.8,
        "sugars": 0.8,
        "fibre": 1.0,
        "protein": 0.4,
        "salt": 0.05,
        "cocoa_pct": 0.8,
    }
)
"""How far a figure may be off by rounding, tolerances of labels and our factors, one standard deviation.
A judgement."""
_FAT: Final = {"cocoa_butter": 1.0, "milk_fat": 1.0, "other_fat": 1.0}  # a judgement
_SUGARS: Final = dict.fromkeys(("sucrose", "lactose", "glucose", "fructose", "maltose"), 1.0)  # a judgement
_ENERGY: Final = {name: part.energy_kcal_per_g for name, part in COMPONENTS.items()}
ROWS: Final[Mapping[str, Mapping[str, float]]] = MappingProxyType(
    {
        "energy_kcal": _ENERGY,
        "fat": _FAT,
        "saturated": {"cocoa_butter": 0.61, "milk_fat": 0.66, "other_fat": 0.15},
        "carbohydrate": {
            **_SUGARS,
            "higher": 1.0,
            "cocoa_nonfat": 0.30,
            "other": 0.35,
            "sorbitol": 1.0,
            "glycerol": 1.0,
        },
        "sugars": _SUGARS,
        "fibre": {"cocoa_nonfat": 0.36, "other": 0.35},
        "protein": {"msnf": 0.82, "cocoa_nonfat": 0.25, "other": 0.25},
        "salt": {"salt": 1.0, "msnf": 0.02},
        "cocoa_pct": {"cocoa_butter": 1.0, "cocoa_nonfat": 1.0, "water": 1.0},
    }
)
"""What each figure counts of each component: shares of typical composition, several textbooks."""
SATURATED_OF_OTHER: Final = MappingProxyType({"oil": 0.12, "lauric": 0.90, "coconut": 0.87, "palm": 0.50})
"""A judgement."""
PARTS: Final[Mapping[str, tuple[str, ...]]] = MappingProxyType(
    {
        "dark": ("water", "cocoa_butter", "cocoa_nonfat", "sucrose", "other"),
        "milk": ("water", "cocoa_butter", "milk_fat", "cocoa_nonfat", "sucrose", "lactose", "msnf", "other"),
        "white": ("water", "cocoa_butter", "milk_fat", "sucrose", "lactose", "msnf", "other"),
        "compound": ("water", "other_fat", "cocoa_nonfat", "sucrose", "lactose", "msnf", "other"),
        "cream": ("water", "milk_fat", "lactose", "msnf"),
        "condensed-milk": ("water", "milk_fat", "sucrose", "lactose", "msnf"),
        "nut-paste": ("water", "other_fat", "sucrose", "other"),
        "spread": (
            "water",
            "cocoa_butter",
            "milk_fat",
            "other_fat",
            "cocoa_nonfat",
            "sucrose",
            "lactose",
            "msnf",
            "other",
        ),
    }
)
"""What something of a kind can hold."""
TYPICAL: Final[Mapping[str, Mapping[str, tuple[float, float]]]] = MappingProxyType(
    {
        "dark": {"water": (0.8, 0.3), "other": (0.5, 0.3)},
        "milk": {
            "water": (1.0, 0.3),
            "other": (0.5, 0.3),
            "lactose": (8.5, 2.0),
            "msnf": (7.0, 2.0),
            "milk_fat": (6.0, 2.0),
        },
        "white": {
            "water": (0.7, 0.3),
            "other": (0.5, 0.3),
            "lactose": (8.6, 2.0),
            "msnf": (7.2, 2.0),
            "milk_fat": (6.0, 2.0),
        },
        "compound": {"water": (0.8, 0.3), "other": (0.5, 0.3), "lactose": (4.0, 4.0), "msnf": (4.0, 4.0)},
        "cream": {"lactose": (3.1, 0.5), "msnf": (2.8, 0.5)},
        "condensed-milk": {"water": (27.0, 1.5), "lactose": (11.6, 1.5)},
        "nut-paste": {"water": (1.5, 0.8)},
        "spread": {"water": (1.0, 0.5), "lactose": (3.0, 3.0), "msnf": (3.0, 3.0), "milk_fat": (1.0, 2.0)},
    }
)
"""What is usual of a kind, g per 100 g with one standard deviation: it decides what the label leaves open.
A judgement."""
SUM_ROUNDING: Final = 0.05  # a judgement
CONTRADICTS_FROM: Final = 2.5
"""A figure further from the answer than so many of its standard deviations contradicts the others. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class LabelKind:
    """What a wrapper can be of, with what its figures do not say: kind, density and usual allergens (check them)."""

    name: str
    kind: str
    density_g_per_ml: float
    allergens: tuple[str, ...]
    other_fat_kind: str | None = None


KINDS: Final[Mapping[str, LabelKind]] = MappingProxyType(
    {
        "dark": LabelKind(name="dark chocolate", kind="chocolate", density_g_per_ml=1.25, allergens=("soya",)),
        "milk": LabelKind(name="milk chocolate", kind="chocolate", density_g_per_ml=1.26, allergens=("milk", "soya")),
        "white": LabelKind(name="white chocolate", kind="chocolate", density_g_per_ml=1.25, allergens=("milk", "soya")),
        "compound": LabelKind(
            name="compound coating",
            kind="compound",
            density_g_per_ml=1.27,
            allergens=("milk", "soya"),
            other_fat_kind="lauric",
        ),
        "cream": LabelKind(name="cream", kind="cream", density_g_per_ml=1.0, allergens=("milk",)),
        "condensed-milk": LabelKind(
            name="condensed milk", kind="condensed-milk", density_g_per_ml=1.3, allergens=("milk",)
        ),
        "nut-paste": LabelKind(name="nut paste", kind="other", density_g_per_ml=1.08, allergens=("nuts",)),
        "spread": LabelKind(
            name="chocolate or nut spread", kind="other", density_g_per_ml=1.2, allergens=("milk", "nuts", "soya")
        ),
    }
)
"""Densities as the library's own rows of the kind; allergens usual, the packet wins. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class FromLabel:
    """A composition that sums to 100, each part's uncertainty in g per 100 g, and what contradicts what."""

    composition_pct: dict[str, float]
    spread_pct: dict[str, float]
    contradictions: tuple[str, ...]


def from_label(kind: str, figures: Mapping[str, object], fat_kind: str = "oil") -> FromLabel:
    """Return the composition that fits a label's figures best, every part at least 0, the sum 100.

    Weighted least squares under bounds (scipy's lsq_linear); what the label leaves open is filled by what is usual.
    The spread is of the linear model at the answer.

    :raises BadInput: at `kind`, `fat_kind` or the figure: unknown, out of range, too few.
    """
    if kind not in PARTS:
        raise BadInput(("kind",), f"unknown kind {kind[:40]!r}", "one of " + ", ".join(PARTS), "unknown")
    if fat_kind not in SATURATED_OF_OTHER:
        raise BadInput(
            ("fat_kind",), f"unknown fat {fat_kind[:40]!r}", "one of " + ", ".join(SATURATED_OF_OTHER), "unknown"
        )
    stated = _checked(figures)
    parts = PARTS[kind]
    rows, values, sigmas, names = _equations(kind, parts, stated, fat_kind)
    weighted = rows / sigmas[:, None]
    found = _solve(weighted, values / sigmas)
    spread = np.sqrt(np.diag(np.linalg.pinv(weighted.T @ weighted)))
    off = (rows @ found - values) / sigmas
    contradictions = [
        f"{WORDS[name]}: the label says {values[i]:g}, the rest of it {float(rows[i] @ found):.1f}"
        for i, name in enumerate(names)
        if name in WORDS and abs(off[i]) > CONTRADICTS_FROM
    ]
    total = float(found.sum())
    composition = dict.fromkeys(COMPONENTS, 0.0)
    composition.update({name: 100 * float(pct) / total for name, pct in zip(parts, found, strict=True)})
    return FromLabel(
        composition_pct=composition,
        spread_pct={name: float(sigma) for name, sigma in zip(parts, spread, strict=True)},
        contradictions=(*_plain_contradictions(stated), *contradictions),
    )


WORDS: Final = MappingProxyType(
    {
        "energy_kcal": "Energy",
        "fat": "Fat",
        "saturated": "Saturated fat",
        "carbohydrate": "Carbohydrate",
        "sugars": "Sugars",
        "fibre": "Fibre",
        "protein": "Protein",
        "salt": "Salt",
        "cocoa_pct": "Cocoa",
    }
)


def _checked(figures: Mapping[str, object]) -> dict[str, float]:
    for name in figures:
        if name not in FIGURES:
            raise BadInput((name,), "unknown figure", "one of " + ", ".join(FIGURES), "unknown")
    stated = {
        name: check_number((name,), value, 0, *FIGURES[name]) for name, value in figures.items() if value is not None
    }
    if "fat" not in stated or len(stated) < 3:
        raise BadInput(("fat",), "too few figures", "fat and at least two more", "missing")
    return stated


def _equations(
    kind: str, parts: tuple[str, ...], stated: Mapping[str, float], fat_kind: str
) -> tuple[FloatArray, FloatArray, FloatArray, list[str]]:
    rows, values, sigmas, names = [[1.0] * len(parts)], [100.0], [SUM_ROUNDING], ["sum"]
    for name, value in stated.items():
        if name == "cocoa_pct" and kind in ("cream", "condensed-milk", "nut-paste", "compound"):
            continue
        row = dict(ROWS[name])
        if name == "saturated":
            row["other_fat"] = SATURATED_OF_OTHER[fat_kind]
        if name == "cocoa_pct" and kind != "dark":
            row["water"] = 0.0
        rows.append([row.get(part, 0.0) for part in parts])
        values.append(value)
        sigmas.append(ROUNDING[name])
        names.append(name)
    for part, (usual, sigma) in TYPICAL[kind].items():
        rows.append([1.0 if other == part else 0.0 for other in parts])
        values.append(usual)
        sigmas.append(sigma)
        names.append(f"usual {part}")
    return np.array(rows), np.array(values), np.array(sigmas), names


def _solve(rows: FloatArray, values: FloatArray) -> FloatArray:
    from scipy.optimize import lsq_linear  # loaded when a label is first read: it is large

    found: FloatArray = lsq_linear(rows, values, bounds=(0, 100)).x
    return found


def _plain_contradictions(stated: Mapping[str, float]) -> list[str]:
    """Return what cannot be whatever the thing is."""
    found = []
    for part, whole in (("saturated", "fat"), ("sugars", "carbohydrate")):
        if part in stated and whole in stated and stated[part] > stated[whole] + 0.1:
            found.append(f"{WORDS[part]} is more than all {WORDS[whole].lower()}")
    main = sum(stated.get(name, 0.0) for name in ("fat", "carbohydrate", "protein", "fibre", "salt"))
    if main > 101:
        found.append(f"Fat, carbohydrate, fibre, protein and salt sum to {main:.0f} g in 100 g")
    return found
