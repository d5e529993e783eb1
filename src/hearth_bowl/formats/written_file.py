"""Written recipes: a card as plain text, or a page's JSON-LD `Recipe` (schema.org), read whole with its doubts."""

import json
import re
from collections.abc import Iterator, Mapping
from dataclasses import asdict, dataclass
from typing import Any, Final

from typing_extensions import TypedDict

from hearth_bowl.core.card.card import LineOfCard, ReadCard, read_card
from hearth_bowl.core.card.composed import compose_recipe
from hearth_bowl.core.card.makes import Makes
from hearth_bowl.core.confection.confection import Blend, Confection, Of
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.written.others import settled
from hearth_bowl.core.recipe.written.recipe import Unsure, WrittenRecipe, check_measure, with_unread
from hearth_bowl.formats.confection_file import FORMAT as CONFECTION
from hearth_bowl.formats.confection_file import confection_from, said_of
from hearth_bowl.formats.recipe_file import (
    FORMAT,
    RecipeFile,
    ingredient_record,
    recipe_from,
    recipe_record,
    sparse_record,
)
from hearth_bowl.formats.step_file import step_records
from hearth_bowl.formats.strict_json import LARGEST_FILE_BYTES

MOST_DEPTH: Final = 6  # a limit, by definition


def read_written(data: bytes, measure: str, family: str | None = None) -> ReadCard:
    """Return what a text file or JSON-LD says.

    :raises BadInput: at `file`: too large, not UTF-8, no ingredient in it; at `measure` or `family`.
    """
    if len(data) > LARGEST_FILE_BYTES:
        allowed = f"up to {LARGEST_FILE_BYTES} bytes"
        raise BadInput(("file",), f"The file has {len(data)} bytes.", allowed, "too-large")
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise BadInput(("file",), "The file is not UTF-8 text.", "text in UTF-8", "not-text") from None
    return read_written_text(text, measure, family)


def read_written_text(text: str, measure: str, family: str | None = None) -> ReadCard:
    """Return what a card, JSON-LD or a recipe file of our own says; see `read_written`."""
    value = _decoded(text)
    if isinstance(value, dict) and value.get("format") == FORMAT:
        return card_of(recipe_from(value))
    found = None if value is None else next((one for one in _objects(value, MOST_DEPTH) if _is_recipe(one)), None)
    return read_card(text if found is None else _as_card(found), measure, family)


def card_of(recipe: Recipe, vessel: Mapping[str, Any] | None = None) -> ReadCard:
    """Return what a recipe is made into, as a card would: in a vessel file's vessel, or in a usual form."""
    composed = compose_recipe(recipe, None if vessel is None else dict(vessel))
    return ReadCard(
        recipe=recipe,
        makes=None,
        made=composed.confection,
        vessel=composed.vessel,
        says_more=False,
        vessel_said=vessel is not None,
        unsure=(),
        unread=(),
        lines=(),
        form_doubts=tuple(composed.unsure),
    )


def _as_card(page: Mapping[str, Any]) -> str:
    """Return a page's recipe as the card that it is: title, yield, ingredients, method."""
    told = [_line(item) for item in _listed(page.get("recipeIngredient"))]
    steps = [step for item in _listed(page.get("recipeInstructions")) for step in _step_texts(item)]
    made = next((_line(item) for item in _listed(page.get("recipeYield")) if re.search(r"\d", str(item))), "")
    made = f"Makes {made}" if re.match(r"^\d", made) else made
    title = _line(page.get("name") or "Untitled")
    return "\n".join([title, made, "Ingredients", *told, "Method", *steps])


def _line(item: object) -> str:
    return " ".join(str(item).split())


class MakesAnswer(TypedDict):
    """What a card says of the piece; `vessel` is a vessel file's content."""

    pieces: int | None
    piece_g: float | None
    vessel: dict[str, Any] | None
    piece_mm: list[float] | None
    text: str


def makes_answer(makes: Makes | None) -> MakesAnswer | None:
    """Return what a card says of the piece; None where it says nothing."""
    if makes is None:
        return None
    return {
        "pieces": makes.pieces,
        "piece_g": makes.piece_g,
        "vessel": makes.vessel,
        "piece_mm": list(makes.piece_mm) if makes.piece_mm else None,
        "text": "\n".join(makes.texts),
    }


def read_confection_record(card: ReadCard) -> dict[str, Any] | None:
    """Return the confection of a card as a confection file; None where it says one mix and nothing else."""
    return None if card.confection is None else composed_record(card.confection, card.vessel)


def composed_record(confection: Confection, vessel: Mapping[str, Any]) -> dict[str, Any]:
    """Return a confection as a file, with the measures of its vessel."""
    form = {name: value for name, value in said_of(confection.form).items() if name != "name"}
    return {
        "format": CONFECTION,
        "version": 1,
        "name": confection.name,
        "form": {"vessel": dict(vessel), **form},
        "parts": [{"text": part.text, **said_of(part), "of": of_record(part.of)} for part in confection.parts],
        "extras": [asdict(extra) for extra in confection.extras],
        "steps": step_records(confection.steps),
    }


def whole_confection(text: str, measure: str) -> dict[str, Any]:
    """Return what a card, or a recipe file of our own, is made into as a confection file: of one mix too.

    :raises BadInput: as `read_written` does; at `file` where it could not be put together.
    """
    card = read_written_text(text, measure)
    if card.made is None:
        allowed = "a form that takes what the card says"
        raise BadInput(("file",), "The card could not be put together.", allowed, "not-for-this")
    return composed_record(card.made, card.vessel)


def of_record(of: Of) -> dict[str, Any]:
    """Return what a part is of, as a confection file has it."""
    match of:
        case Recipe():
            return {"recipe": sparse_record(of)}
        case Ingredient():
            return {"ingredient": of.key or ingredient_record(of)}
        case Blend():
            return {"blend": [{"ingredient": one.key or ingredient_record(one), "parts": n} for one, n in of.parts]}


@dataclass(frozen=True, slots=True, kw_only=True)
class PartRecord:
    """A part of a confection that a text describes: its role and its name."""

    role: str
    name: str


@dataclass(frozen=True, slots=True, kw_only=True)
class WrittenRecord:
    """What was read: the recipe file's content, lines that could not be read among it, and what is unsure in it.

    Where the text describes a confection, `parts` are its parts in the order of making and `confection` is its file;
    `recipe` is None where it is a confection file, for a part of it is no recipe of its own. `lines` are the lines of
    the card, each with what it became.
    """

    recipe: RecipeFile | None
    unsure: tuple[Unsure, ...]
    unread: tuple[str, ...]
    parts: tuple[PartRecord, ...]
    makes: MakesAnswer | None
    confection: dict[str, Any] | None
    lines: tuple[LineOfCard, ...]
    whole: dict[str, Any] | None
    """What is made as a confection file, of one mix too; None where it could not be put together."""
    whole_unsure: tuple[Unsure, ...]
    """What is unsure of its form alone."""
    vessel_said: bool
    """Whether the card names the vessel or the size of a piece."""


def read_written_record(text: str, measure: str) -> WrittenRecord:
    """Return what a card, JSON-LD or one of our own files says; see `read_written`."""
    own = own_confection(text)
    if own is not None:
        parts = tuple(PartRecord(role=part.role, name=_name_of(part.of)) for part in confection_from(own).parts)
        return WrittenRecord(
            recipe=None,
            unsure=(),
            unread=(),
            parts=parts,
            makes=None,
            confection=dict(own),
            lines=(),
            whole=dict(own),
            whole_unsure=(),
            vessel_said=True,
        )
    return _record(read_written_text(text, measure))


def of_recipe(recipe: Recipe, vessel: Mapping[str, Any] | None = None) -> WrittenRecord:
    """Return what a recipe is made into, as if a card had said no more than it, and perhaps the vessel."""
    return _record(card_of(recipe, vessel))


def _record(card: ReadCard) -> WrittenRecord:
    made = () if card.confection is None else card.confection.parts
    found = WrittenRecipe(recipe=card.recipe, unsure=card.unsure, unread=card.unread)
    return WrittenRecord(
        recipe=recipe_record(with_unread(found) if card.confection is None else card.recipe),
        unsure=card.unsure,
        unread=card.unread,
        parts=tuple(PartRecord(role=part.role, name=_name_of(part.of)) for part in made),
        makes=makes_answer(card.makes),
        confection=read_confection_record(card),
        lines=card.lines,
        whole=None if card.made is None else composed_record(card.made, card.vessel),
        whole_unsure=card.form_doubts,
        vessel_said=card.vessel_said,
    )


def _name_of(of: Of) -> str:
    return " and ".join(one.name for one, _ in of.parts) if isinstance(of, Blend) else of.name


def own_confection(text: str) -> Mapping[str, Any] | None:
    """Return the content of our own confection file; None where the text is none."""
    value = _decoded(text)
    return value if isinstance(value, dict) and value.get("format") == CONFECTION else None


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherReadingRecord:
    """Another reading of a line, as words and as a recipe file's line would have it; no `amount`: none is stated."""

    says: str
    ingredient: str
    amount: float | None
    amount_high: float | None
    unit: str
    pack_g: float | None
    piece_g: float | None


def other_reading_records(text: str, measure: str) -> list[OtherReadingRecord]:
    """Return what else the words of a line may mean.

    :raises BadInput: at `measure`.
    """
    check_measure(measure)
    _, others = settled(text, measure)
    return [
        OtherReadingRecord(
            says=other.says,
            ingredient=other.line.key,
            amount=other.line.amount,
            amount_high=other.line.amount_high,
            unit=other.line.unit,
            pack_g=other.line.pack_g,
            piece_g=other.line.piece_g,
        )
        for other in others
        if other.line.key is not None
    ]


def _decoded(text: str) -> Any:
    """Return the JSON that a text is; None where it is none."""
    if not text.lstrip().startswith(("{", "[")):
        return None
    try:
        return json.loads(text)
    except (ValueError, RecursionError):
        return None


def _objects(value: Any, depth: int) -> Iterator[dict[str, Any]]:
    if depth == 0:
        return
    if isinstance(value, dict):
        yield value
        value = list(value.values())
    if isinstance(value, list):
        for inner in value:
            yield from _objects(inner, depth - 1)


def _is_recipe(value: dict[str, Any]) -> bool:
    return "Recipe" in _listed(value.get("@type")) and bool(_listed(value.get("recipeIngredient")))


def _listed(value: Any) -> list[Any]:
    if value is None:
        return []
    return value if isinstance(value, list) else [value]


def _step_texts(item: Any) -> Iterator[str]:
    if isinstance(item, dict):
        if "itemListElement" in item:
            for inner in _listed(item["itemListElement"]):
                yield from _step_texts(inner)
        else:
            yield from _step_texts(item.get("text") or item.get("name") or "")
    elif isinstance(item, str) and item.strip():
        yield from (part.strip() for part in re.split(r"[\r\n]+", item) if part.strip())


def written_answer(card: ReadCard) -> dict[str, Any]:
    """Return the answer of `read`: each line of the recipe with its own words, what is suggested marked `proposed`."""
    record = sparse_record(card.recipe)
    return {
        "recipe": {
            **record,
            "lines": [{"text": "", **line} for line in record["lines"]],
            "steps": step_records(card.recipe.steps),
        },
        "unsure": [{"line": unsure.line, "text": unsure.text, "why": unsure.why} for unsure in card.unsure],
        "unread": list(card.unread),
        "makes": makes_answer(card.makes),
        "confection": read_confection_record(card),
        "lines": [asdict(line) for line in card.lines],
    }
