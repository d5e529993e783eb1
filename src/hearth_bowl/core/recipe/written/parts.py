"""Parts: several recipes in one text, under headings that say what each is of the piece: shell, filling, coat.

Which words speak of which part is common practice, a judgement.
"""

import re
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.written.lines import LONGEST_LINE
from hearth_bowl.core.recipe.written.recipe import Card, WrittenRecipe, read_parts, split_card
from hearth_bowl.core.recipe.written.vocabulary.headings import ROLE_WORDS

PIECES_OF: Final = {"shell": "mould", "layer": "pan"}
"""The kind of vessel that a part speaks for; without one, pieces are shaped by hand."""


@dataclass(frozen=True, slots=True, kw_only=True)
class WrittenPart:
    """A part of what a text describes: its role, the heading that it stood under, and its recipe as read.

    `ingredient` is the key where the part is nothing but one ingredient.
    """

    role: str
    heading: str
    found: WrittenRecipe
    ingredient: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class WrittenParts:
    """A text of several parts: the kind of vessel that they speak for, and the parts in the order of making."""

    name: str
    vessel_kind: str
    parts: tuple[WrittenPart, ...]


def read_text_parts(text: str, measure: str) -> WrittenParts | None:
    """Return the parts that a text describes; None where it describes one mass, or no two parts that are known.

    :raises BadInput: as `read_text` does.
    """
    card = split_card(text, measure)
    sections = [(heading, lines) for heading, lines in card.sections if lines]
    roles = [_role_of(heading) for heading, _ in sections]
    if len(sections) < 2 or None in roles[1:]:
        return None
    known = [role or "filling" for role in roles]
    if all(role == "filling" for role in known):
        return None
    kind = next((PIECES_OF[role] for role in known if role in PIECES_OF), "pieces")
    parts = [
        _part(_in_form(role, kind), heading, lines, card, measure)
        for role, (heading, lines) in zip(known, sections, strict=True)
    ]
    parts.sort(key=lambda part: _MAKING.index(part.role))
    return WrittenParts(name=card.name or "Untitled", vessel_kind=kind, parts=tuple(parts))


_MAKING: Final = ("shell", "core", "layer", "centre", "filling", "coat", "rolling", "topping")


def _in_form(role: str, kind: str) -> str:
    """Return the role as the form has it: what fills a mould is a layer in a pan and a centre of a shaped piece."""
    return {"pan": "layer", "pieces": "centre"}.get(kind, role) if role == "filling" else role


def _part(role: str, heading: str, lines: list[tuple[int, str]], card: Card, measure: str) -> WrittenPart:
    name = ", ".join(part for part in (card.name or "Untitled", _said(heading)) if part)
    found = read_parts(name[:LONGEST_LINE], lines, card.steps, measure)
    only = found.recipe.lines[0].ingredient.key if len(found.recipe.lines) == 1 and not found.unread else None
    if role == "coat" and only is not None and LIBRARY[only].kind not in CHOCOLATE_KINDS:
        role = "rolling"
    return WrittenPart(role=role, heading=heading, found=found, ingredient=only)


def _said(heading: str) -> str:
    """Return what a heading says a part is: filling, of `For the filling:`."""
    return re.sub(r"^(?:for )?(?:the )?", "", heading.strip("*#_: ").lower())


def _role_of(heading: str) -> str | None:
    """Return what part of the piece a heading speaks of, or None."""
    words = heading.lower()
    return next((role for role, said in ROLE_WORDS if re.search(rf"\b(?:{said})\b", words)), None)
