"""An ingredient: what it is made of, what it weighs, and what must be declared of it."""

from collections.abc import Mapping
from dataclasses import asdict, dataclass
from math import fsum
from typing import Any, Final, Literal, get_args

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.attributes import (
    ATTRIBUTES,
    NUTS,
    Attributes,
    checked_attributes,
    checked_not_known,
    taken_as,
)
from hearth_bowl.core.ingredients.components import COMPONENTS, FAT_KINDS

Kind = Literal["chocolate", "compound", "cream", "condensed-milk", "butter", "fruit", "cocoa-powder", "other"]
KINDS: Final[tuple[str, ...]] = get_args(Kind)
CHOCOLATE_KINDS: Final = frozenset({"chocolate", "compound"})
DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL: Final = 800.0  # a judgement
SUM_TOLERANCE_PCT: Final = 0.5  # a judgement
LEAST_PCT: Final = 1e-9  # a judgement
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
CEREALS: Final = frozenset({"wheat", "rye", "barley", "oats", "spelt", "kamut"})
"""The same, annex II, 1: cereals that hold gluten, each by its name."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Ingredient(Attributes):
    """One ingredient: composition in g per 100 g, densities in g/ml, packs and pieces in g, and its attributes.

    `may_contain`: groups that its packet warns of; `allergens_known` is False where nobody knows what it holds;
    `not_known`: attributes of which nobody knows whether it has them. `density_is_bulk`: a heap with its gaps.
    `spread` says in words how far brands differ; `source` is a key of SOURCES.
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
    not_known: tuple[str, ...] = ()
    pack_g: float | None = None
    piece_g: float | None = None
    source: str = "food-tables"
    spread: str = ""

    @property
    def label(self) -> str:
        """Return the key where the library has one, else the name: what files and answers call it."""
        return self.key or self.name

    @property
    def is_chocolate(self) -> bool:
        """Return whether it is chocolate or compound: what shells and coats are of."""
        return self.kind in CHOCOLATE_KINDS

    @property
    def may_be_coat(self) -> bool:
        """Return whether a piece may be coated in it: chocolate, compound, and what says so of itself (caramel)."""
        return self.is_chocolate or self.coats


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


OWN_FIGURES: Final = (
    "density_g_per_ml", "spoon_g_per_ml", "higher_molar_mass_g_per_mol", "energy_kcal_per_100g", "pack_g", "piece_g",
)  # fmt: skip
"""Figures that an ingredient of one's own may say, with their units in their names."""


def own_ingredient(*, similar: Ingredient | None = None, **said: Any) -> Ingredient:
    """Return a person's own ingredient, checked.

    :param similar: the ingredient that it is like: what is not said is as there, composition and attributes alike.
    :param said: fields of `Ingredient` by name; None is nothing said, but `allergens` None: they are not known. An
        attribute that is neither said nor taken from a similar one is assumed to the safe side (`taken_as`).
    :raises BadInput: naming the field, as seen from the ingredient.
    """
    told = {field: value for field, value in said.items() if value is not None}
    composition = _composition(told, similar)
    kind = _choice("kind", told, KINDS, similar.kind if similar else "other")
    fat_kind = _choice("other_fat_kind", told, FAT_KINDS, similar.other_fat_kind if similar else "oil")
    figures = _figures(told, composition, similar)
    known = said.get("allergens", ()) is not None
    groups, named, traces = _allergens(told, similar if "allergens" not in said else None)
    attributes = checked_attributes({field: value for field, value in told.items() if field in ATTRIBUTES})
    if similar is not None:
        own = {field: getattr(similar, field) for field in ATTRIBUTES}
    else:
        own = asdict(taken_as(told["name"], composition, kind, groups, attributes.get("own_body", False)))
    own |= attributes
    if own["pasteurised_egg"] and "raw_egg" not in attributes:
        own["raw_egg"] = None
    if "nut" not in attributes and "allergens" in said:
        own["nut"] = own["nut"] if own["nut"] in named else next((name for name in named if name in NUTS), None)
    if own["nut"]:
        groups, named = _with(groups, "nuts"), _with(named, own["nut"])
    if own["raw_egg"] or own["pasteurised_egg"]:
        groups = _with(groups, "egg")
    return Ingredient(
        key=None,
        name=told["name"],
        composition_pct=composition,
        kind=kind,
        other_fat_kind=fat_kind,
        density_is_bulk=told.get("density_is_bulk", similar.density_is_bulk if similar else False) is True,
        allergens=groups,
        allergens_named=named,
        may_contain=traces,
        allergens_known=known,
        not_known=checked_not_known(told.get("not_known")),
        source="food-tables",
        spread="your own figures",
        **figures,
        **own,
    )


def _composition(told: Mapping[str, Any], similar: Ingredient | None) -> Mapping[str, float]:
    said = told.get("composition_pct")
    if isinstance(said, Mapping):
        return check_composition(said)
    if similar is None:
        raise BadInput(("composition_pct",), "is missing", "an object of g per 100 g that sums to 100", "missing")
    return similar.composition_pct


def _choice(field: str, told: Mapping[str, Any], allowed: tuple[str, ...], usual: str) -> str:
    value = told.get(field, usual)
    if value not in allowed:
        raise BadInput((field,), f"unknown {field.split('_')[-1]} {str(value)[:60]!r}", ", ".join(allowed), "unknown")
    return str(value)


def _figures(told: Mapping[str, Any], composition: Mapping[str, float], similar: Ingredient | None) -> dict[str, Any]:
    """Return the figures said, else those of the similar one; energy of a composition of its own is by factors."""
    taken = {field: getattr(similar, field) for field in OWN_FIGURES} if similar is not None else {}
    if "composition_pct" in told:
        taken["energy_kcal_per_100g"] = energy_by_factors(composition)
    if "density_g_per_ml" in told:
        taken["spoon_g_per_ml"] = told["density_g_per_ml"]
    usual = {"higher_molar_mass_g_per_mol": DEFAULT_HIGHER_MOLAR_MASS_G_PER_MOL, "pack_g": None, "piece_g": None}
    values = {**usual, **taken, **{field: told[field] for field in OWN_FIGURES if field in told}}
    checked = {
        "density_g_per_ml": check_number(("density_g_per_ml",), values.get("density_g_per_ml"), 0.05, 3, "g/ml"),
        "spoon_g_per_ml": check_number(("spoon_g_per_ml",), values.get("spoon_g_per_ml"), 0.05, 3, "g/ml"),
        "higher_molar_mass_g_per_mol": check_number(
            ("higher_molar_mass_g_per_mol",), values["higher_molar_mass_g_per_mol"], 180.16, 100000, "g/mol"
        ),
        "energy_kcal_per_100g": check_number(("energy_kcal_per_100g",), values["energy_kcal_per_100g"], 0, 900, "kcal"),
    }
    return {**checked, **{field: _mass_or_none(field, values[field]) for field in ("pack_g", "piece_g")}}


def _allergens(
    told: Mapping[str, Any], similar: Ingredient | None
) -> tuple[tuple[str, ...], tuple[str, ...], tuple[str, ...]]:
    """Return the groups, the names and the traces that are said, or those of the similar one where none are."""
    groups, named = tuple(told.get("allergens", ())), tuple(told.get("allergens_named", ()))
    traces = tuple(told.get("may_contain", ()))
    for field, said in (("allergens", groups), ("may_contain", traces)):
        for position, group in enumerate(said):
            if group not in ALLERGENS:
                allowed = "one of " + ", ".join(ALLERGENS)
                raise BadInput((field, position), f"unknown group {group!r}", allowed, "unknown")
    if similar is not None:
        groups, named = similar.allergens, named or similar.allergens_named
        traces = traces or similar.may_contain
    return groups, named, traces


def _with(words: tuple[str, ...], word: str) -> tuple[str, ...]:
    return words if word in words else tuple(sorted((*words, word)))


def _mass_or_none(field: str, value: object) -> float | None:
    return None if value is None else check_number((field,), value, 0, 100000, "g", above=True)
