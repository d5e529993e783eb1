"""Sections: a card's lines sorted into title, headings, what goes in, what is done, what is said of the piece."""

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final, Literal

from hearth_bowl.core.card.makes import is_form_line
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.recipe.written.lines import LONGEST_LINE, checked_line
from hearth_bowl.core.recipe.written.method_steps import act_of
from hearth_bowl.core.recipe.written.method_words import tells_what_to_do
from hearth_bowl.core.recipe.written.names import NOT_UNDERSTOOD
from hearth_bowl.core.recipe.written.recipe import check_measure
from hearth_bowl.core.recipe.written.run_on import LONGEST_RUN_ON, several_in
from hearth_bowl.core.recipe.written.vocabulary.headings import FOR, ORDINALS, PART_NOUNS, ROLE_WORDS

MOST_TEXT_LINES: Final = 1000  # a limit, by definition
METHOD: Final = re.compile(
    r"^\W*(method|directions?|instructions?|preparation|steps?|how to make(?: it| them)?|to make|zubereitung|anleitung"
    r"|préparation|réalisation|étapes|preparazione|procedimento|esecuzione|preparación|elaboración|procedimiento"
    r"|instrucciones|modo de (?:preparo|preparação|preparación|fazer)|preparo|preparação)\b.{0,20}$",
    re.IGNORECASE,
)
INGREDIENTS: Final = re.compile(
    r"^\W*(ingredients?|what you need|you will need|you'll need|zutaten|ingrédients|ingredienti|ingredientes)\b"
    r".{0,40}$",
    re.IGNORECASE,
)
NOTE: Final = re.compile(
    r"^\W*(?:makes|serves|servings?|yields?|prep(?:aration)?|cook(?:ing)?|chill(?:ing)?|total|ready in|difficulty|pour"
    r"|für|ergibt|per|dosi|para|rinde|rende|rendimento|porciones|temps|zeit|tiempo|tempo"
    r"|portionen)\b[^:]{0,20}:?.{0,80}$",
    re.IGNORECASE,
)
"""What is no ingredient, heading or step: how many it makes, how long it takes."""
YIELD: Final = re.compile(
    r"^\W*(?:makes|serves|servings?|yields?|ergibt|reicht für|donne|rende|rinde|salen)\b", re.IGNORECASE
)
"""A line that says how many it makes: never an ingredient, whatever it counts."""
HEADING: Final = re.compile(
    rf"^(?:[^\d]{{0,60}}(?:\([^)]{{0,40}}\))?\s*:\s*|\W*(?:{FOR}\s+)?(?:[a-zà-ÿ]+ ){{0,2}}(?:{PART_NOUNS})"
    rf"(?: layers?| mix(?:ture)?)?(?:\s*\([^)]{{0,40}}\))?\s*|\W*(?:{ORDINALS})\W*(?:\([^)]{{0,40}}\)"
    rf"|[,–-]?\s*[a-zà-ÿ ]{{0,30}})?:?\s*)$",
    re.IGNORECASE,
)
"""A heading among the ingredients: words with a colon, or words that name a part of the piece and nothing else."""
OF_SOMETHING: Final = re.compile(r"^\W*[a-zà-ÿ][^:]*\s(?:for|to|zum|zur|für|pour|per|para)\s", re.IGNORECASE)
"""Something that is for something: cocoa for rolling. It is no heading."""
INLINE: Final = re.compile(r"^\W*(?P<head>[a-zà-ÿ' ]{3,40}?)\s*:\s*(?P<rest>\S.*)$", re.IGNORECASE)
"""A heading with what stands under it in the same line."""
NUMBERED: Final = re.compile(r"^\d+[.)]\s+[A-ZÀ-Þ]")
LONGEST_FORM_LINE: Final = 60
"""What is longer tells something to do too. A judgement."""
STRANGE: Final = 4
"""So many words of a line without an amount that say nothing, and it tells what to do: a judgement."""
SENTENCE: Final = re.compile(r"^(?:\d+[.)]\s+)?[A-Z][a-z]+\b.*\b(?:the|and|until|then|into|with)\b.*[.!]?$")
_MADE: Final = re.compile(r"\s*\((?:makes|yields?|ergibt|für|pour|per|para|rende|rinde)\b[^)]*\)", re.IGNORECASE)

What = Literal["title", "heading", "ingredient", "step", "note", "form", "marker"]


@dataclass(frozen=True, slots=True, kw_only=True)
class CardLine:
    """A line of a card: its number from 1, its words, what it is, and the heading that it stands under."""

    number: int
    text: str
    what: What
    heading: str = ""
    group: int = 0
    """Lines of one section without an empty line between them are one group."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """A text taken apart."""

    name: str
    lines: tuple[CardLine, ...]

    def of(self, *what: What) -> list[CardLine]:
        """Return the lines of some kinds, in order."""
        return [line for line in self.lines if line.what in what]


def split_card(text: str, measure: str) -> Card:
    """Return a text taken apart: every line that is not empty is in it.

    :raises BadInput: at `file` where it is too long; at `measure`.
    """
    check_measure(measure)
    lines = [line.strip() for line in text.splitlines()]
    if len(lines) > MOST_TEXT_LINES:
        allowed = f"one recipe of up to {MOST_TEXT_LINES} lines"
        raise BadInput(("file",), f"The card has {len(lines)} lines.", allowed, "too-large")
    return _Splitter(measure).split(lines)


class _Splitter:
    def __init__(self, measure: str) -> None:
        self.measure = measure
        self.name = ""
        self.heading = ""
        self.group = 0
        self.in_method = False
        self.found: list[CardLine] = []

    def split(self, lines: Sequence[str]) -> Card:
        for number, line in _taken_apart(lines):
            if not line:
                self.group += 1
            else:
                self._take(number, line)
        return Card(name=_MADE.sub("", self.name).strip() or self.name, lines=tuple(self.found))

    def _take(self, number: int, line: str) -> None:
        start = line[:LONGEST_LINE]
        has_rows = any(row.what == "ingredient" for row in self.found)
        if INGREDIENTS.match(start):
            self.in_method = False
            self._add(number, line, "marker")
        elif METHOD.match(start):
            self.in_method = True
            self._add(number, line, "marker")
        elif self.in_method:
            self._in_method(number, line)
        elif self._heads(start, line, has_rows):
            self.heading = line
            self._add(number, line, "heading")
        elif not self.name and not has_rows and not is_ingredient(line, self.measure):
            self.name = line.lstrip("# ").rstrip(":")
            self._add(number, line, "title")
        elif is_form_line(start) and not is_ingredient(line, self.measure) and not tells_what_to_do(start):
            self._add(number, line, "form")
        elif YIELD.match(start):
            self._add(number, line, "note")
        elif is_step(line, any(row.what == "step" for row in self.found), self.measure):
            self._add(number, line, "step")
        elif NOTE.match(start) and checked_line(line, self.measure).key is None:
            self._add(number, line, "note")
        else:
            self._ingredient(number, line)

    def _heads(self, start: str, line: str, has_rows: bool) -> bool:
        if HEADING.match(start) is None or (line[-1:] != ":" and OF_SOMETHING.match(start)):
            return False
        has_headings = any(row.what == "heading" for row in self.found)
        return bool(self.name) or has_rows or has_headings or (line.endswith(":") and role_said(line) is not None)

    def _in_method(self, number: int, line: str) -> None:
        is_short = len(line) <= LONGEST_FORM_LINE and not SENTENCE.match(line) and act_of(line) is None
        is_made = YIELD.match(line) is not None or (is_short and is_form_line(line))
        self._add(number, line, "note" if is_made else "step")

    def _ingredient(self, number: int, line: str) -> None:
        """Add what goes in; words before a colon that name a part are its own heading."""
        inline = INLINE.match(line[:LONGEST_LINE])
        if inline is not None and role_said(inline["head"]) is not None and line.rstrip()[-1:] != ":":
            self.found.append(
                CardLine(number=number, text=line, what="ingredient", heading=inline["head"], group=self.group)
            )
        else:
            self._add(number, line, "ingredient")

    def _add(self, number: int, line: str, what: What) -> None:
        self.found.append(CardLine(number=number, text=line, what=what, heading=self.heading, group=self.group))


def _taken_apart(lines: Sequence[str]) -> Iterator[tuple[int, str]]:
    """Give each line with its number; of one that runs on its title, its ingredients and what follows."""
    for number, line in enumerate(lines, 1):
        whole = len(line) > LONGEST_RUN_ON or is_form_line(line[:LONGEST_LINE])
        for part in [line] if whole else several_in(line):
            yield number, part


def role_said(words: str) -> str | None:
    """Return what part of the piece words speak of, or None."""
    plain = words.lower()
    return next((role for role, said in ROLE_WORDS if re.search(rf"\b(?:{said})\b", plain)), None)


def is_step(line: str, after_steps: bool, measure: str) -> bool:
    """Return whether a line tells what to do, also in words that are not known here."""
    start = line[:LONGEST_LINE]
    if tells_what_to_do(start):
        return True
    if len(line) > 50 and SENTENCE.match(start) and not re.match(r"^\W{0,9}\d+(?![.)])", start):
        return True
    if NUMBERED.match(start):
        return after_steps
    if line[-1:] != "." or re.match(r"^\W*\d", start):
        return False
    read = checked_line(line, measure)
    if read.key is None:
        return len(line.split()) >= STRANGE
    return read.amount is None and any(
        why.startswith(NOT_UNDERSTOOD) and why.count(",") + 1 >= STRANGE for why in read.doubts
    )


def is_ingredient(line: str, measure: str) -> bool:
    """Return whether a line names an ingredient with an amount."""
    read = checked_line(line, measure)
    return read.key is not None and read.amount is not None
