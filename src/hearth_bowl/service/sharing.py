"""Shared: a confection or a recipe as one file or as text to send, and what someone sent taken in.

Nothing that is there is ever overwritten: of one name and another content, the cook is asked.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any, Final, Literal

from sqlalchemy.orm import Session

from hearth_bowl.core.confection.confection import Blend, Of
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.quantities import plain
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.formats.recipe_file import ingredient_from, ingredient_record, recipe_from, sparse_record
from hearth_bowl.formats.shared_file import FORMAT, Shared, SharedRecipe, read_shared, words_of
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.confections import confection_record, get_confection, list_confections
from hearth_bowl.service.larder import list_larder, save_item
from hearth_bowl.service.moments import checked_moment
from hearth_bowl.service.recipe_card import recipe_card
from hearth_bowl.service.recipes import (
    create_recipe,
    get_recipe,
    keep_version,
    list_versions,
    recipe_names,
    save_recipe,
)
from hearth_bowl.service.taken_in import take_confection
from hearth_bowl.service.vessels import get_vessel, list_vessels

Standing = Literal["new", "same", "other"]
AS_SENT: Final = ", as sent"
CHOICES: Final = ("both", "mine")


@dataclass(frozen=True, slots=True, kw_only=True)
class Arriving:
    """Something that a file brings, and whether it is there already: new, the same, or another of that name."""

    name: str
    says: str
    standing: Standing


@dataclass(frozen=True, slots=True, kw_only=True)
class Arrival:
    """What a file brings: recipes, the confection with its vessel, and a person's own ingredients."""

    confection: Arriving | None
    vessel: Arriving | None
    recipes: tuple[Arriving, ...]
    ingredients: tuple[Arriving, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class TakenIn:
    """What was taken in: the ids of its recipes, and of its confection where it brought one."""

    confection_id: int | None
    recipe_ids: tuple[int, ...]


def shared_recipe(session: Session, recipe_id: int) -> dict[str, Any]:
    """Return a recipe as a file to send, with its versions.

    :raises NotFound: there is none.
    """
    return {"format": FORMAT, "version": 1, "recipes": [_recipe_record(session, recipe_id)]}


def shared_confection(session: Session, confection_id: int) -> dict[str, Any]:
    """Return a confection as a file to send: its vessel, and its recipes with their versions.

    :raises NotFound: it, a recipe or the vessel is not there.
    """
    return {
        "format": FORMAT,
        "version": 1,
        "confection": confection_record(session, confection_id),
        "recipes": [_recipe_record(session, recipe_id) for recipe_id in _recipe_ids(session, confection_id)],
    }


def _recipe_record(session: Session, recipe_id: int) -> dict[str, Any]:
    versions = [
        {
            "name": kept.name,
            "kept_at": kept.kept_at.astimezone(UTC).isoformat(),
            "recipe": sparse_record(recipe_from(kept.recipe)),
        }
        for kept in reversed(list_versions(session, recipe_id))
    ]
    return {"recipe": sparse_record(recipe_from(get_recipe(session, recipe_id).recipe)), "versions": versions}


def _recipe_ids(session: Session, confection_id: int) -> list[int]:
    parts = get_confection(session, confection_id).asked.parts
    return list(dict.fromkeys(part.of.recipe_id for part in parts if part.of.recipe_id is not None))


def recipe_text(session: Session, recipe_id: int, now: datetime) -> str:
    """Return a recipe as a text to send: what goes in, how it is made, how it keeps, its allergens.

    :raises NotFound: there is none.
    """
    card = recipe_card(session, recipe_id, now)
    method = card.as_written or tuple(step.do for step in card.steps)
    lines = [f"{card.name}, {card.mass_g:.0f} g", ""]
    lines += [f"{line.grams:.4g} g {line.name}" for line in card.lines]
    lines += ["", *(f"{number}. {words}" for number, words in enumerate(method, 1)), ""]
    lines.append(f"Keeps {card.keeping.days_low} to {card.keeping.days_high} days ({card.keeping.where}).")
    lines.append(f"Allergens: {', '.join(card.allergens_named) or 'none known'}.")
    if card.not_known:
        lines.append(f"Unknown for: {', '.join(card.not_known)}.")
    return plain("\n".join([*lines, *card.cautions]))


def confection_text(session: Session, confection_id: int, now: datetime) -> str:
    """Return a confection as a text to send: its parts, and each recipe.

    :raises NotFound: it, a recipe or the vessel is not there.
    """
    asked = get_confection(session, confection_id).asked
    head = [f"{asked.name}, in {get_vessel(session, asked.form.vessel).name}"]
    for part in asked.parts:
        head.append(f"- {part.role}: {', '.join(_names(session, part.of))}")
    return "\n\n".join(
        ["\n".join(head), *(recipe_text(session, row, now) for row in _recipe_ids(session, confection_id))]
    )


def _names(session: Session, of: Any) -> Iterator[str]:
    if of.recipe_id is not None:
        yield str(get_recipe(session, of.recipe_id).recipe["name"])
    elif of.ingredient is not None:
        yield ingredient_from(of.ingredient).name
    else:
        for row in of.blend or ():
            yield ingredient_from(row.ingredient).name


def look_at_shared(session: Session, data: bytes) -> Arrival:
    """Return what a file brings and what of it is there already. Nothing is stored.

    :raises BadInput: naming the field as the file has it.
    """
    shared = read_shared(data)
    mine = _mine(session)
    return Arrival(
        confection=_confection_arriving(session, shared),
        vessel=_vessel_arriving(session, shared),
        recipes=tuple(
            Arriving(name=row.recipe.name, says=_versions_words(row), standing=_standing(mine, row.recipe))
            for row in shared.recipes
        ),
        ingredients=tuple(_own_arriving(session, shared)),
    )


def take_shared(session: Session, data: bytes, choices: Mapping[str, str], now: datetime) -> TakenIn:
    """Take in what a file brings. All or nothing.

    :param choices: by the name of a recipe of which another is there: `both` stores it beside that one, under a name
        of its own; `mine` uses the one that is there.
    :raises BadInput: naming the field as the file has it; at `choices` where one is missing.
    """
    shared = read_shared(data)
    mine = _mine(session)
    taken: dict[str, int] = {}
    for row in shared.recipes:
        taken[words_of(row.recipe)] = _take_recipe(session, row, mine, choices, now)
    _keep_own(session, shared)
    confection_id = None
    if shared.confection is not None:
        record = dict(shared.confection)
        names = {stored.asked.name for stored in list_confections(session)}
        record["name"] = _free_name(str(record["name"]), names)
        confection_id = take_confection(session, record, now, dict(taken)).id
    return TakenIn(confection_id=confection_id, recipe_ids=tuple(dict.fromkeys(taken.values())))


def _mine(session: Session) -> dict[str, dict[str, int]]:
    """Return the recipes that are there: by name, their ids by their content."""
    found: dict[str, dict[str, int]] = {}
    for recipe_id in recipe_names(session):
        recipe = recipe_from(get_recipe(session, recipe_id).recipe)
        found.setdefault(recipe.name, {})[words_of(recipe)] = recipe_id
    return found


def _standing(mine: Mapping[str, Mapping[str, int]], recipe: Recipe) -> Standing:
    if recipe.name not in mine:
        return "new"
    return "same" if words_of(recipe) in mine[recipe.name] else "other"


def _take_recipe(
    session: Session,
    row: SharedRecipe,
    mine: Mapping[str, Mapping[str, int]],
    choices: Mapping[str, str],
    now: datetime,
) -> int:
    name, standing = row.recipe.name, _standing(mine, row.recipe)
    if standing == "same":
        return mine[name][words_of(row.recipe)]
    stored_as = name
    if standing == "other":
        choice = choices.get(name)
        if choice not in CHOICES:
            message = f"another recipe named {name} is there already"
            raise BadInput(("choices", name), message, "both, to keep both, or mine, to use yours", "missing")
        if choice == "mine":
            return next(iter(mine[name].values()))
        stored_as = _free_name(name, set(mine))
    stored = create_recipe(session, {**sparse_record(row.recipe), "name": stored_as}, now)
    for version in row.versions:
        record = {**sparse_record(version.recipe), "name": stored_as}
        stored = save_recipe(session, stored.id, record, stored.revision, now)
        keep_version(session, stored.id, version.name, checked_moment(("kept_at",), version.kept_at))
    save_recipe(session, stored.id, {**sparse_record(row.recipe), "name": stored_as}, stored.revision, now)
    return stored.id


def _free_name(name: str, there: set[str]) -> str:
    """Return a name that nothing has yet."""
    free, number = name, 1
    while free in there:
        ending = AS_SENT if number == 1 else f"{AS_SENT} {number}"
        free, number = name[: 200 - len(ending)] + ending, number + 1
    return free


def _versions_words(row: SharedRecipe) -> str:
    count = len(row.versions)
    return "" if not count else f"with {count} kept version{'s' if count > 1 else ''}"


def _confection_arriving(session: Session, shared: Shared) -> Arriving | None:
    if shared.made_of is None:
        return None
    there = any(stored.asked.name == shared.made_of.name for stored in list_confections(session))
    says = f"stored beside yours, named “{shared.made_of.name}{AS_SENT}”" if there else ""
    return Arriving(name=shared.made_of.name, says=says, standing="other" if there else "new")


def _vessel_arriving(session: Session, shared: Shared) -> Arriving | None:
    if shared.made_of is None:
        return None
    form = shared.made_of.form
    name = form.name or shared.made_of.name
    same = any(stored.name == name and vessel_from(stored.vessel) == form.vessel for stored in list_vessels(session))
    return Arriving(name=name, says="", standing="same" if same else "new")


def _own(shared: Shared) -> Iterator[Ingredient]:
    """Give every person's own ingredient of a file, once by name."""
    found: dict[str, Ingredient] = {}
    ofs: list[Of] = [row.recipe for row in shared.recipes]
    ofs += [part.of for part in shared.made_of.parts] if shared.made_of is not None else []
    for of in ofs:
        match of:
            case Recipe():
                within = [line.ingredient for line in of.lines]
            case Blend():
                within = [ingredient for ingredient, _ in of.parts]
            case _:
                within = [of]
        for ingredient in within:
            if ingredient.key is None:
                found.setdefault(ingredient.name, ingredient)
    yield from found.values()


def _own_arriving(session: Session, shared: Shared) -> Iterator[Arriving]:
    there = {item.ingredient["name"]: item.ingredient for item in list_larder(session) if item.ingredient is not None}
    for one in _own(shared):
        groups = ", ".join((*one.allergens_named, *one.allergens)) or "no allergens"
        says = groups if one.allergens_known else "its allergens are not known"
        standing: Standing = "new"
        if one.name in there:
            standing = "same" if ingredient_from(there[one.name]) == one else "other"
        yield Arriving(name=one.name, says=says, standing=standing)


def _keep_own(session: Session, shared: Shared) -> None:
    """Put own ingredients that the larder has none of that name of into it; what is there stays as it is."""
    there = {item.ingredient["name"] for item in list_larder(session) if item.ingredient is not None}
    for one in _own(shared):
        if one.name not in there and one.allergens_known:
            save_item(session, label="", ingredient=ingredient_record(one))
