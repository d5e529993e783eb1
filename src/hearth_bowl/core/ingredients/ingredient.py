"""An ingredient: what it is made of, what it weighs, and what must be declared of it."""

from collections.abc import Mapping
from dataclasses import dataclass
from math import fsum
from typing import Final, Literal, get_args

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.components import COMPONENTS, FAT_KINDS

Kind = Literal["chocolate", "compound", "cream", "condensed-milk", "butter", "fruit", "cocoa-powder", "other"]
KINDS: Final[tuple[str, ...]] = get_args(Kind)
DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL: Final = 800.0
SUM_TOLERANCE_PCT: Final = 0.5
LEAST_PCT: Final = 1e-9
ALLERGENS: Final = (
    "celery",
    "crustaceans",
    "egg",
    "fish",
    "gluten",
    "lupin",
    "milk",
    "molluscs",
    "mustard",
    "nuts",
    "peanut",
    "sesame",
    "soya",
    "sulphites",
)
"""Groups of Regulation (EU) No 1169/2011, annex II."""
NUTS: Final = frozenset({"almond", "hazelnut", "walnut", "cashew", "pecan", "brazil", "pistachio", "macadamia"})
"""Regulation (EU) No 1169/2011, annex II, 8: nuts, each by its name."""
CEREALS: Final = frozenset({"wheat", "rye", "barley", "oats", "spelt", "kamut"})
"""The same, annex II, 1: cereals that hold gluten, each by its name."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Ingredient:
    """What one ingredient is: composition in g per 100 g, densities in g/ml, packs and pieces in g.

    `may_contain`: groups that its packet warns of; `allergens_known` is False where nobody knows what it holds.
    `own_body`: a piece that stays whole (nut, crumb, dried fruit, sweet); `liquid`: counted against chocolate as a
    liquid. `spread` says in words how far brands differ; `source` is a key of SOURCES.
    """

    key: str | None
    name: str
    composition_pct: Mapping[str, float]
    density_g_per_ml: float
    kind: str = "other"
    other_fat_kind: str = "oil"
    higher_molar_mass_g_per_mol: float = DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL
    density_is_bulk: bool = False
    spoon_g_per_ml: float
    energy_kcal_per_100g: float
    allergens: tuple[str, ...] = ()
    allergens_named: tuple[str, ...] = ()
    may_contain: tuple[str, ...] = ()
    allergens_known: bool = True
    pack_g: float | None = None
    piece_g: float | None = None
    own_body: bool = False
    liquid: bool = False
    source: str = "food-tables"
    spread: str = ""

    @property
    def label(self) -> str:
        """Return the key where the library has one, else the name: what files and answers call it."""
        return self.key or self.name


def energy_by_factors(composition_pct: Mapping[str, float]) -> float:
    """Return kcal per 100 g from the components' factors (Regulation (EU) 1169/2011, annex XIV, and averages)."""
    return fsum(pct * COMPONENTS[name].energy_kcal_per_g for name, pct in composition_pct.items())


def check_composition(composition_pct: Mapping[str, object]) -> dict[str, float]:
    """Return the composition with all seventeen components, when each is 0..100 and they sum to 100 ± 0.5.

    What is missing to 100, or too much, is label rounding: it is spread over all parts, so that masses close.

    :raises BadInput: with the field below `composition_pct`.
    """
    for name in composition_pct:
        if name not in COMPONENTS:
            raise BadInput(("composition_pct", name), "unknown component", "one of " + ", ".join(COMPONENTS), "unknown")
    checked = {
        name: check_number(("composition_pct", name), composition_pct.get(name, 0.0), 0, 100, "%")
        for name in COMPONENTS
    }
    total = fsum(checked.values())
    if abs(total - 100) > SUM_TOLERANCE_PCT + 1e-9:
        raise BadInput(("composition_pct",), f"the parts sum to {total:g} %", "a sum of 100 ± 0.5 %", "does-not-sum")
    return {name: pct * 100 / total if pct >= LEAST_PCT else 0.0 for name, pct in checked.items()}


def own_ingredient(
    *,
    name: str,
    composition_pct: Mapping[str, object],
    density_g_per_ml: object,
    kind: str = "other",
    other_fat_kind: str = "oil",
    higher_molar_mass_g_per_mol: object = DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL,
    spoon_g_per_ml: object = None,
    energy_kcal_per_100g: object = None,
    allergens: tuple[str, ...] | None = (),
    allergens_named: tuple[str, ...] = (),
    may_contain: tuple[str, ...] = (),
    pack_g: object = None,
    piece_g: object = None,
    own_body: bool = False,
    liquid: bool = False,
) -> Ingredient:
    """Return a person's own ingredient, checked.

    :param allergens: its groups; None where they are not known.

    :raises BadInput: naming the field, as seen from the ingredient.
    """
    composition = check_composition(composition_pct)
    if kind not in KINDS:
        raise BadInput(("kind",), f"unknown kind {kind!r}", "one of " + ", ".join(KINDS), "unknown")
    if other_fat_kind not in FAT_KINDS:
        raise BadInput(
            ("other_fat_kind",), f"unknown fat {other_fat_kind!r}", "one of " + ", ".join(FAT_KINDS), "unknown"
        )
    for field, groups in (("allergens", allergens or ()), ("may_contain", may_contain)):
        for position, group in enumerate(groups):
            if group not in ALLERGENS:
                raise BadInput(
                    (field, position), f"unknown group {group!r}", "one of " + ", ".join(ALLERGENS), "unknown"
                )
    density = check_number(("density_g_per_ml",), density_g_per_ml, 0.05, 3, "g/ml")
    return Ingredient(
        key=None,
        name=name,
        composition_pct=composition,
        density_g_per_ml=density,
        kind=kind,
        other_fat_kind=other_fat_kind,
        higher_molar_mass_g_per_mol=check_number(
            ("higher_molar_mass_g_per_mol",), higher_molar_mass_g_per_mol, 180.16, 100000, "g/mol"
        ),
        spoon_g_per_ml=density
        if spoon_g_per_ml is None
        else check_number(("spoon_g_per_ml",), spoon_g_per_ml, 0.05, 3, "g/ml"),
        energy_kcal_per_100g=energy_by_factors(composition)
        if energy_kcal_per_100g is None
        else check_number(("energy_kcal_per_100g",), energy_kcal_per_100g, 0, 900, "kcal"),
        allergens=allergens or (),
        allergens_named=allergens_named,
        may_contain=may_contain,
        allergens_known=allergens is not None,
        own_body=own_body,
        liquid=liquid,
        pack_g=_mass_or_none("pack_g", pack_g),
        piece_g=_mass_or_none("piece_g", piece_g),
        source="food-tables",
        spread="your own figures",
    )


def _mass_or_none(field: str, value: object) -> float | None:
    return None if value is None else check_number((field,), value, 0, 100000, "g", above=True)
