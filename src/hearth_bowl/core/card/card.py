"""A card, read whole: its mixes, what is made of them, and what each of its lines became."""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Final, Literal

from hearth_bowl.core.card.composed import compose
from hearth_bowl.core.card.makes import Makes, read_makes
from hearth_bowl.core.card.masses import Mass, is_split, masses_of, method_of
from hearth_bowl.core.card.relative import two_in_parts, worked_out
from hearth_bowl.core.card.roles import TIN, Placed, each_in_method, placed
from hearth_bowl.core.card.sections import Card, CardLine, split_card
from hearth_bowl.core.confection.confection import Confection
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.written.lines import LONGEST_LINE
from hearth_bowl.core.recipe.written.method_steps import steps_of
from hearth_bowl.core.recipe.written.recipe import Row, Unsure, read_mix, read_row

Became = Literal["title", "heading", "part", "form", "step", "unread", "left-out"]


@dataclass(frozen=True, slots=True, kw_only=True)
class LineOfCard:
    """What a line of a card became: `part` is the position of its part, where there is a confection.

    `because` says why a line is left out.
    """

    line: int
    text: str
    became: Became
    part: int | None = None
    because: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadCard:
    """A card as it was read.

    `recipe` is the first mix, with its doubts and the lines that could not be read; `makes` what the card says of the
    piece, None where it says nothing.
    """

    recipe: Recipe
    makes: Makes | None
    made: Confection | None
    """What is made, of one mix too; None where it could not be put together."""
    vessel: Mapping[str, Any]
    """The measures of its vessel, as a vessel file has them."""
    says_more: bool
    """Whether the card says more than one mix."""
    vessel_said: bool
    """Whether the card names the vessel, or how large a piece is; else it is suggested."""
    unsure: tuple[Unsure, ...]
    unread: tuple[str, ...]
    lines: tuple[LineOfCard, ...]
    form_doubts: tuple[Unsure, ...] = ()
    """What is unsure of the form of one mix of which the card says nothing else."""

    @property
    def confection(self) -> Confection | None:
        """Return what is made, where the card says more than one mix."""
        return self.made if self.says_more else None


MOST_SEARCHED: Final = 20_000  # a limit, by definition
LEAST_WORD: Final = 4  # a limit, by definition
NOTHING_OF_IT: Final = "No ingredient, step or form found here."
FOR_THE_TIN: Final = "It greases or lines the tin."


def read_card(text: str, measure: str, family: str | None = None) -> ReadCard:
    """Return what a card says.

    :raises BadInput: at `measure` or `family`; at `file` where no ingredient can be read, or too much.
    """
    card = split_card(text, measure)
    rows = _rows(card, measure)
    told = [(line, steps_of([line.text], [row.read.key for row in rows if row.read.key])) for line in card.of("step")]
    steps = [step for _, found in told for step in found]
    places = placed(rows, steps)
    masses = masses_of(card, places)
    extra = each_in_method([(line.number, line.text) for line in card.of("step")], rows, measure)
    places += placed([row for row in extra if not _is_of_a_mass(row, masses)], ())
    said = card.of("title", "note", "form", "heading", "step", "marker")
    makes = read_makes((line.number, _after_marker(line), line.what == "step") for line in said)
    masses = masses or [Mass([one.row for one in places], "shell")]
    mixed = {id(row) for mass in masses for row in mass.rows}
    outer = [one for one in places if one.role not in (None, TIN) and id(one.row) not in mixed]
    is_one = len(masses) == 1 and not outer and not makes.shapes_a_piece and not is_split(masses)
    name = card.name or "Untitled"
    parted = method_of(masses, told)
    mixes = [
        read_mix(_named(name, mass, len(masses)), mass.rows, parted.of_mass.get(at, ()), measure, family)
        for at, mass in enumerate(masses)
    ]
    composed = compose(name, masses, mixes, outer, makes, parted.of_piece, text[:MOST_SEARCHED])
    told_mixes = [read_mix(name, masses[0].rows, steps, measure, family)] if is_one else mixes
    outer_unread = [one.row.text[:LONGEST_LINE] for one in outer if one.row.read.ingredient is None]
    unread = tuple(dict.fromkeys([words for mix in mixes for words in mix.unread] + outer_unread))
    found = _unsure([doubt for mix in told_mixes for doubt in mix.unsure], places, makes)
    of_form = tuple(doubt for doubt in composed.unsure if doubt not in found)
    return ReadCard(
        recipe=told_mixes[0].recipe,
        makes=makes if makes.texts else None,
        made=composed.confection,
        vessel=composed.vessel,
        says_more=not is_one,
        vessel_said=makes.vessel is not None or makes.piece_g is not None,
        unsure=found if is_one else _in_order([*found, *of_form]),
        unread=unread,
        lines=_became(card, places, makes, composed.part_of_line, unread),
        form_doubts=of_form if is_one else (),
    )


def _is_of_a_mass(row: Row, masses: Sequence[Mass]) -> bool:
    """Return whether what goes with each piece is one of the mixes, which then takes its amount: 3 g yolk each."""
    for mass in masses:
        words = [word for word in mass.called.split() if len(word) >= LEAST_WORD]
        if any(word in row.text.lower() for word in words):
            if row.read.unit in ("ml", "tsp", "tbsp"):
                mass.each = (
                    "ml_each",
                    {"tsp": 5.0, "tbsp": 15.0}.get(row.read.unit, 1.0) * float(row.read.amount or 0),
                )
            elif row.grams is not None:
                mass.each = ("g_each", row.grams)
            return True
    return False


def _after_marker(line: CardLine) -> str:
    """Return a line's words, of a heading such as “Ingredients (for 30 pieces)” what follows its first word."""
    return re.sub(r"^\W*\w+\s*\(?", "", line.text).rstrip("): ") if line.what == "marker" else line.text


def _rows(card: Card, measure: str) -> list[Row]:
    """Return the card's ingredient lines, read; one that sets one thing against another in parts is two."""
    rows = [
        read_row(line.number, words, measure, line.heading)
        for line in card.of("ingredient")
        for word in [line.text]
        for words in two_in_parts(word)
    ]
    return worked_out(rows)


def _named(name: str, mass: Mass, count: int) -> str:
    return f"{name}, {mass.called}"[:LONGEST_LINE] if mass.called and (count > 1 or mass.role) else name


def _unsure(found: Sequence[Unsure], places: Sequence[Placed], makes: Makes) -> tuple[Unsure, ...]:
    """Return every doubt of the lines and of what the card says of the piece, in the order of its lines."""
    rows = [Unsure(line=one.row.number, text=one.row.text[:LONGEST_LINE], why=one.why) for one in places if one.why]
    texts = dict(zip(makes.lines, makes.texts, strict=True))
    rows += [Unsure(line=number, text=texts.get(number, "")[:LONGEST_LINE], why=why) for number, why in makes.doubts]
    return _in_order([*found, *rows])


def _in_order(found: Sequence[Unsure]) -> tuple[Unsure, ...]:
    return tuple(sorted(dict.fromkeys(found), key=lambda doubt: doubt.line))


def _became(
    card: Card, places: Sequence[Placed], makes: Makes, part_of: dict[tuple[int, str], int], unread: Sequence[str]
) -> tuple[LineOfCard, ...]:
    """Return what each line of the card became: none is lost without a word."""
    roles = {one.row.number: one.role for one in places}
    parts = {number: part for (number, _), part in part_of.items()}
    found = []
    for line in card.lines:
        became, because = _became_of(line, roles, makes, unread)
        part = parts.get(line.number) if became == "part" else None
        found.append(LineOfCard(line=line.number, text=line.text, became=became, part=part, because=because))
    return tuple(found)


def _became_of(line: CardLine, roles: dict[int, str | None], makes: Makes, unread: Sequence[str]) -> tuple[Became, str]:
    match line.what:
        case "title":
            return "title", ""
        case "heading" | "marker":
            return ("form" if line.number in makes.lines else "heading"), ""
        case "step":
            return "step", ""
        case "ingredient":
            if roles.get(line.number) == TIN:
                return "left-out", FOR_THE_TIN
            return ("unread" if line.text[:LONGEST_LINE] in unread else "part"), ""
        case _:
            return ("form", "") if line.number in makes.lines else ("left-out", NOTHING_OF_IT)
