"""The label of a confection: what it is, what is in it by falling mass, how to keep it and until when."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.confection.declared import names_of
from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.keep.allergens import is_not_known, not_known, traces, what_is_not_known
from hearth_bowl.core.recipe.recipe import Recipe

PLACES: Final = {
    "fridge": "Keep in the fridge, at 5 °C or colder",
    "cool": "Keep cool, at 12 to 16 °C, dry and dark",
    "room": "Keep dry and dark, below 20 °C",
}
DEFER: Final = (
    "A guide for home use, not a certificate: local food rules and licensed practice decide what is sold or given away."
)


@dataclass(frozen=True, slots=True, kw_only=True)
class LabelIngredient:
    """An ingredient as the label names it, its allergens in brackets, and whether it brings any."""

    text: str
    allergen: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Label:
    """A label; masses g. `days` count from the day it was made: best before, or use by where `use_by`."""

    name: str
    net_g: float
    may_contain: tuple[str, ...]
    ingredients: tuple[LabelIngredient, ...]
    alcohol_each_g: float | None
    keep: str
    days: int
    use_by: bool
    cautions: tuple[str, ...]
    defer: str = DEFER


def label_of(worked: Worked, pieces: int | None = None) -> Label:
    """Return the label of some pieces of a confection, or of all.

    :raises BadInput: at `pieces`; at a part where an allergen is not known, naming it.
    """
    if pieces is not None and not 1 <= pieces <= worked.pieces:
        raise BadInput(("pieces",), f"{pieces} of {worked.pieces}", f"1 to {worked.pieces}", "out-of-range")
    _refuse_unknown(worked)
    keeping = worked.keeping
    warned = {group for ingredient, _ in worked.ingredients for group in ingredient.may_contain}
    has_alcohol = any(caution.code == "alcohol" for caution in worked.cautions)
    return Label(
        name=worked.confection.name,
        net_g=worked.piece_g * (worked.pieces if pieces is None else pieces),
        may_contain=traces(warned, worked.allergens),
        ingredients=tuple(_named(ingredient) for ingredient, _ in worked.ingredients),
        alcohol_each_g=worked.per_piece.alcohol_g if has_alcohol else None,
        keep=f"{PLACES[keeping.where]}: {keeping.because}.",
        days=keeping.days_low,
        use_by=keeping.use_by,
        cautions=tuple(caution.message for caution in worked.cautions),
    )


def not_known_in(worked: Worked) -> tuple[tuple[int, str], ...]:
    """Return what nobody knows the allergens of: the part's position, and the ingredient or the words not read."""
    found: dict[tuple[int, str], None] = {}
    for position, part in enumerate(worked.confection.parts):
        weighed = next((row.weigh for row in worked.parts if row.part is part), ())
        names = [*(not_known(part.of) if isinstance(part.of, Recipe) else ())]
        names += [row.ingredient.name for row in weighed if is_not_known(row.ingredient)]
        found.update({(position, name): None for name in names})
    return tuple(found)


def _refuse_unknown(worked: Worked) -> None:
    for position, name in not_known_in(worked):
        what = next((what_is_not_known(one) for one, _ in worked.ingredients if one.name == name), "")
        message = f"Nobody knows {what or 'which allergens it holds'}: {name}."
        allowed = "Confirm its line, or enter its packet label."
        raise BadInput(("parts", position, "of"), message, allowed, "not-known")


def _named(ingredient: Ingredient) -> LabelIngredient:
    names = [name for name, _ in names_of(ingredient)]
    said = ingredient.name.lower()
    more = [name for name in names if name not in said]
    return LabelIngredient(text=ingredient.name + (f" ({', '.join(more)})" if more else ""), allergen=bool(names))
