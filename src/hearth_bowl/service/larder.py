"""Larder: own ingredients, packs with prices, and what is in the house."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Final

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from hearth_bowl.core.boxes.shopping import PackFor, Stock, prices_of
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.alike import like
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.ingredients.questions import answered
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.formats.recipe_file import OwnIngredientFile, ingredient_from, ingredient_record, whole_ingredient
from hearth_bowl.service.errors import NotFound
from hearth_bowl.store.models import LarderRow

MOST_PACK_G: Final = 100_000.0
MOST_PRICE: Final = 1e6
MOST_IN_HOUSE_G: Final = 1e6
MOST_COUNTRY: Final = 40
MOST_OTHER_PACKS: Final = 6


@dataclass(frozen=True, slots=True, kw_only=True)
class LarderItem:
    """One ingredient of the larder. `ingredient` is its record where it is the person's own, else None."""

    label: str
    name: str
    ingredient: OwnIngredientFile | None
    pack_g: float | None
    price: float | None
    country: str
    in_house_g: float | None
    other_packs: tuple[PackFor, ...] = ()


def list_larder(session: Session) -> list[LarderItem]:
    """Return all that was ever put into the larder, by label."""
    return [_item(row) for row in session.scalars(select(LarderRow).order_by(LarderRow.label))]


def save_item(
    session: Session,
    *,
    label: str,
    ingredient: Mapping[str, Any] | None = None,
    answers: Mapping[str, str] | None = None,
    pack_g: float | None = None,
    price: float | None = None,
    country: str = "",
    in_house_g: float | None = None,
    other_packs: Sequence[Mapping[str, Any]] | None = None,
) -> LarderItem:
    """Store one ingredient of the larder, new or again. A kept version of a recipe never changes by it.

    :param label: a key of the library; or the own ingredient's name, with its record.
    :param answers: what could hurt in an own ingredient, by the questions of the library.
    :param other_packs: packs of other sizes, each `pack_g` and perhaps `price`; None leaves those that there are.
    :raises BadInput: naming the field.
    """
    own = None
    if ingredient is None:
        if label not in LIBRARY:
            row = session.scalar(select(LarderRow).where(LarderRow.label == label))
            if row is None or row.own_ingredient is None:
                allowed = "a key of the ingredient table, or an ingredient of your own"
                raise BadInput(("label",), f"unknown ingredient {label[:60]!r}", allowed, "unknown")
            own = row.own_ingredient
    else:
        checked = ingredient_from({**ingredient, **answered(answers or {})} if answers else dict(ingredient))
        label = check_name(checked.name, "label")
        if label in LIBRARY:
            raise BadInput(("label",), f"{label!r} is a name of the library", "another name", "not-allowed")
        own = json.dumps(ingredient_record(checked), ensure_ascii=False, allow_nan=False)
    if len(other_packs or ()) > MOST_OTHER_PACKS:
        raise BadInput(("other_packs",), "too many sizes", f"up to {MOST_OTHER_PACKS}", "out-of-range")
    if len(country) > MOST_COUNTRY:
        raise BadInput(("country",), "too long", f"up to {MOST_COUNTRY} characters", "out-of-range")
    values = {
        "own_ingredient": own,
        "pack_g": _number("pack_g", pack_g, MOST_PACK_G, "g", above=True),
        "price": _number("price", price, MOST_PRICE, ""),
        "country": country.strip(),
        "in_house_g": _number("in_house_g", in_house_g, MOST_IN_HOUSE_G, "g"),
    }
    if other_packs is not None:
        values["other_packs"] = json.dumps([_pack(position, pack) for position, pack in enumerate(other_packs)])
    row = session.scalar(select(LarderRow).where(LarderRow.label == label))
    if row is None:
        row = LarderRow(label=label, **{"other_packs": "[]", **values})
        session.add(row)
    else:
        for name, value in values.items():
            setattr(row, name, value)
    session.flush()
    return _item(row)


def make_known(session: Session, name: str, like_key: str, allergens: Sequence[str] | None) -> LarderItem:
    """Store an ingredient that the library does not have, by what it is like; of the one a card misses, in a moment.

    :raises BadInput: at `name`, `like` or `allergens`.
    """
    label = check_name(name, "name")
    return save_item(session, label=label, ingredient=ingredient_record(like(label, like_key, allergens)))


def delete_item(session: Session, label: str) -> None:
    """Take an ingredient out of the larder; recipes that hold it keep it.

    :raises NotFound: it is not there.
    """
    row = session.scalar(select(LarderRow).where(LarderRow.label == label))
    if row is None:
        raise NotFound("larder item", 0)
    session.execute(delete(LarderRow).where(LarderRow.id == row.id))


def save_all(session: Session, items: Sequence[Mapping[str, Any]]) -> int:
    """Store many ingredients at once, all or none; return how many.

    :raises BadInput: naming the row and field.
    """
    for position, item in enumerate(items):
        try:
            save_item(session, **item)
        except BadInput as problem:
            raise problem.under("rows", position) from None
    return len(items)


def prices_per_g(session: Session) -> dict[str, float]:
    """Return what 1 g costs, by label, of all that has a pack and a price."""
    return prices_of(stock(session))


def in_house_g(session: Session) -> dict[str, float]:
    """Return the grams in the house, by label, of all that was counted."""
    rows = session.execute(select(LarderRow.label, LarderRow.in_house_g))
    return {label: grams for label, grams in rows if grams is not None}


def _number(field: str, value: float | None, most: float, unit: str, above: bool = False) -> float | None:
    return None if value is None else check_number((field,), value, 0, most, unit, above=above)


def stock(session: Session) -> dict[str, Stock]:
    """Return what there is and how it is sold, by label."""
    found = {}
    for item in list_larder(session):
        usual = (PackFor(pack_g=item.pack_g, price=item.price),) if item.pack_g else ()
        found[item.label] = Stock(in_house_g=item.in_house_g, packs=usual + item.other_packs)
    return found


def ingredients_named(session: Session, labels: Sequence[str]) -> list[str | OwnIngredientFile]:
    """Return ingredients as files have them: by their key, or as one's own where the larder holds it by that name."""
    own = {item.label: item.ingredient for item in list_larder(session)}
    return [own.get(label) or label for label in labels]


def _pack(position: int, pack: Mapping[str, Any]) -> dict[str, float | None]:
    path = ("other_packs", position)
    price = pack.get("price")
    return {
        "pack_g": check_number((*path, "pack_g"), pack.get("pack_g"), 0, MOST_PACK_G, "g", above=True),
        "price": None if price is None else check_number((*path, "price"), price, 0, MOST_PRICE),
    }


def _item(row: LarderRow) -> LarderItem:
    own = whole_ingredient(json.loads(row.own_ingredient)) if row.own_ingredient else None
    name = row.label if own is not None else _library_name(row.label)
    return LarderItem(
        label=row.label,
        name=name,
        ingredient=own,
        pack_g=row.pack_g,
        price=row.price,
        country=row.country,
        in_house_g=row.in_house_g,
        other_packs=tuple(PackFor(**pack) for pack in json.loads(row.other_packs)),
    )


def _library_name(label: str) -> str:
    known: Ingredient | None = LIBRARY.get(label)
    return known.name if known is not None else label
