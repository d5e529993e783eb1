"""A whole recipe as people write it: title, ingredient lines, method; read with every doubt marked."""

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import own_ingredient
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.measures import MEASURES_ML
from hearth_bowl.core.recipe.recipe import FAMILIES, MAX_LINES, Line, Recipe, checked_recipe
from hearth_bowl.core.recipe.written.lines import LONGEST_LINE, UNSAID, WrittenLine, checked_line
from hearth_bowl.core.recipe.written.method_words import tells_what_to_do
from hearth_bowl.core.recipe.written.names import NOT_UNDERSTOOD
from hearth_bowl.core.recipe.written.proposals import family_of, proposed_g, shared_by, use_of
from hearth_bowl.core.recipe.written.run_on import LONGEST_RUN_ON, several_in
from hearth_bowl.core.recipe.written.stages import stage_of
from hearth_bowl.core.recipe.written.vocabulary.headings import OTHER_PART

MOST_TEXT_LINES: Final = 1000  # a limit, by definition
MOST_STEPS: Final = 200  # a limit, by definition
METHOD: Final = re.compile(
    r"^\W*(method|directions?|instructions?|preparation|steps?|how to make|zubereitung|anleitung|préparation"
    r"|réalisation|étapes|preparazione|procedimento|esecuzione|preparación|elaboración|procedimiento|instrucciones"
    r"|modo de (?:preparo|preparação|preparación|fazer)|preparo|preparação)\b.{0,20}$",
    re.IGNORECASE,
)
INGREDIENTS: Final = re.compile(
    r"^\W*(ingredients?|what you need|you will need|you'll need|zutaten|ingrédients|ingredienti|ingredientes)\b"
    r".{0,40}$",
    re.IGNORECASE,
)
NOTE: Final = re.compile(
    r"^\W*(?:makes|serves|servings?|yields?|prep(?:aration)?|cook(?:ing)?|chill(?:ing)?|total|ready in|difficulty|pour"
    r"|für|ergibt|per|dosi|para|rinde|rende|rendimento|porciones|temps|zeit|tiempo|tempo|portionen)\b[^:]{0,20}:?.{0,80}$",
    re.IGNORECASE,
)
"""What is no ingredient, heading or step: how many it makes, how long it takes."""
YIELD: Final = re.compile(r"^\W*(?:makes|serves|servings?|yields?)\b", re.IGNORECASE)
"""A line that says how many it makes: never an ingredient, whatever it counts."""
_PART_WORDS: Final = (
    r"(?:shells?|casings?|coatings?|coat|toppings?|decorations?|rolling|dipping|drizzle|glaze|garnish|fillings?"
    r"|cent(?:re|er)s?|ganache|truffles?|fudge|layers?|base)"
)
HEADING: Final = re.compile(
    rf"^(?:[^\d]{{0,60}}(?:\([^)]{{0,40}}\))?\s*:\s*|\W*(?:for )?(?:the )?(?:[a-z]+ ){{0,2}}{_PART_WORDS}"
    r"(?: layers?| mix(?:ture)?)?\s*)$",
    re.IGNORECASE,
)
"""A heading among the ingredients: words with a colon, or words that name a part of the piece and nothing else."""
NO_PARTS: Final[Mapping[int, str]] = MappingProxyType({})
NUMBERED: Final = re.compile(r"^\d+[.)]\s+[A-ZÀ-Þ]")
STRANGE: Final = 4
"""So many words of a line without an amount that say nothing, and it tells what to do: a judgement."""
SENTENCE: Final = re.compile(r"^(?:\d+[.)]\s+)?[A-Z][a-z]+\b.*\b(?:the|and|until|then|into|with)\b.*[.!]?$")


@dataclass(frozen=True, slots=True, kw_only=True)
class Unsure:
    """Something unsure: the line of the text (from 1), its words, and why."""

    line: int
    text: str
    why: str


@dataclass(frozen=True, slots=True, kw_only=True)
class WrittenRecipe:
    """What was read: the recipe, lines whose amounts are ours marked `proposed`, and what is unsure.

    `unread` are the lines that name something and could not be read.
    """

    recipe: Recipe
    unsure: tuple[Unsure, ...]
    unread: tuple[str, ...]


def read_text(text: str, measure: str, family: str | None = None) -> WrittenRecipe:
    """Return the recipe of a text: first a title, then what goes in, then perhaps the method.

    :raises BadInput: at `measure` or `family`; at `file` where no ingredient can be read, or too much.
    """
    card = split_card(text, measure)
    ingredients = [row for _, rows in card.sections for row in rows]
    parts = {
        number: heading.rstrip(": ")
        for heading, rows in card.sections
        if OTHER_PART.search(heading)
        for number, _ in rows
    }
    return read_parts(card.name or "Untitled", ingredients, card.steps, measure, family, parts)


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """A text taken apart: its title, its ingredient lines (number, words) under their headings, and its method."""

    name: str
    sections: list[tuple[str, list[tuple[int, str]]]]
    steps: list[str]


def split_card(text: str, measure: str) -> Card:
    """Return a text taken apart.

    :raises BadInput: at `file` where it is too long; at `measure`.
    """
    check_measure(measure)
    lines = [line.strip() for line in text.splitlines()]
    if len(lines) > MOST_TEXT_LINES:
        raise BadInput(("file",), f"{len(lines)} lines", f"one recipe of up to {MOST_TEXT_LINES} lines", "too-large")
    name = ""
    sections: list[tuple[str, list[tuple[int, str]]]] = [("", [])]
    notes: list[str] = []
    steps: list[str] = []
    in_method = False
    for number, line in _taken_apart(lines):
        start = line[:LONGEST_LINE]
        if not line or INGREDIENTS.match(start):
            in_method = in_method and not INGREDIENTS.match(start)
            continue
        if METHOD.match(start):
            in_method = True
        elif in_method:
            steps.append(line)
        elif HEADING.match(start) and (name or len(sections) > 1 or sections[0][1] or _says_another_part(line)):
            sections.append((line, []))
        elif not name and not any(rows for _, rows in sections) and not _is_ingredient(line, measure):
            name = line.lstrip("# ").rstrip(":")
        elif YIELD.match(start) or (NOTE.match(start) and checked_line(line, measure).key is None):
            notes.append(line)
        elif _is_step(line, bool(steps), measure):
            steps.append(line)
        else:
            sections[-1][1].append((number, line))
    return Card(name=name, sections=sections, steps=[*notes, *steps])


def _taken_apart(lines: Sequence[str]) -> Iterator[tuple[int, str]]:
    """Give each line with its number; of one that runs on its title, its ingredients and what follows."""
    for number, line in enumerate(lines, 1):
        for part in several_in(line) if len(line) <= LONGEST_RUN_ON else [line]:
            yield number, part


def _is_step(line: str, after_steps: bool, measure: str) -> bool:
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


def _says_another_part(line: str) -> bool:
    return line.endswith(":") and OTHER_PART.search(line) is not None


def _is_ingredient(line: str, measure: str) -> bool:
    read = checked_line(line, measure)
    return read.key is not None and read.amount is not None


def read_parts(
    name: str,
    ingredients: Sequence[tuple[int, str]],
    steps: Sequence[str],
    measure: str,
    family: str | None = None,
    parts: Mapping[int, str] = NO_PARTS,
) -> WrittenRecipe:
    """Return the recipe of ingredient lines (with their numbers) and steps.

    :param parts: by line, the heading of another part of the piece that it stands under: a coat, a shell, a topping.
    :raises BadInput: at `measure` or `family`; at `file` where no ingredient can be read.
    """
    check_measure(measure)
    if family is not None and family not in FAMILIES:
        raise BadInput(("family",), f"unknown family {family[:60]!r}", "one of " + ", ".join(FAMILIES), "unknown")
    if len(ingredients) > MAX_LINES:
        allowed = f"one recipe of up to {MAX_LINES} ingredients"
        raise BadInput(("file",), f"{len(ingredients)} lines of ingredients", allowed, "too-large")
    read = [(number, text, checked_line(text, measure)) for number, text in ingredients]
    unsure = [
        Unsure(line=number, text=text[:LONGEST_LINE], why=why) for number, text, line in read for why in line.doubts
    ]
    unsure += [
        Unsure(line=number, text=text[:LONGEST_LINE], why=_elsewhere(parts[number]))
        for number, text, line in read
        if number in parts and line.key is not None
    ]
    known = [(number, text, line) for number, text, line in read if line.key is not None]
    if not known:
        raise BadInput(("file",), "no ingredient can be read from it", "one ingredient a line, such as 200 g cream")
    keys = frozenset(line.key for _, _, line in known if line.key is not None)
    words = " ".join([name, *steps])
    found_family = family or family_of(words, keys)
    stated_g: dict[str, float] = {}
    for _, _, line in known:
        if line.amount is not None:
            stated_g[str(line.key)] = stated_g.get(str(line.key), 0.0) + _line(line, measure).amount_g
    unstated = [str(line.key) for _, _, line in known if line.amount is None]
    lines = []
    for number, text, line in known:
        if line.amount is None:
            share = shared_by(str(line.key), found_family, unstated)
            grams = proposed_g(str(line.key), found_family, stated_g, share)
            unsure.append(Unsure(line=number, text=text[:LONGEST_LINE], why=f"{grams:g} g is our proposal"))
            doubts = tuple(why for why in line.doubts if not why.startswith(UNSAID))
            one = Line(ingredient=LIBRARY[str(line.key)], amount=grams, measure=measure, proposed=True, doubts=doubts)
        else:
            one = replace(_line(line, measure), doubts=line.doubts)
        stage = stage_of(str(line.key), steps, found_family)
        doubts = (*one.doubts, _elsewhere(parts[number])) if number in parts else one.doubts
        lines.append(replace(one, stage=stage, text=text[:LONGEST_LINE], doubts=doubts))
    recipe = checked_recipe(
        name=name[:200] or "Untitled",
        family=found_family,
        use=use_of(words),
        lines=lines,
        steps=list(steps[:MOST_STEPS]),
    )
    unsure.sort(key=lambda found: found.line)
    return WrittenRecipe(
        recipe=recipe,
        unsure=tuple(unsure),
        unread=tuple(text[:LONGEST_LINE] for _, text, line in read if line.key is None and line.left_out),
    )


def _elsewhere(heading: str) -> str:
    return f"it stands under “{heading[:60]}”: a part of its own?"


def check_measure(measure: str) -> None:
    """Check whose spoons and cups are meant.

    :raises BadInput: at `measure`.
    """
    if measure not in MEASURES_ML:
        raise BadInput(("measure",), f"unknown measure {measure[:40]!r}", "one of " + ", ".join(MEASURES_ML), "unknown")


def with_unread(found: WrittenRecipe) -> Recipe:
    """Return the recipe with the lines that could not be read, each to be settled: 0 g of something unknown.

    Nothing that was said is dropped, and until they are settled nobody can say which allergens are in it.
    """
    room = MAX_LINES - len(found.recipe.lines)
    unread = [
        Line(
            ingredient=own_ingredient(
                name=text[:200], composition_pct={"other": 100}, density_g_per_ml=1.0, allergens=None
            ),
            amount=0.0,
            measure=found.recipe.lines[0].measure,
            text=text,
            doubts=tuple(
                dict.fromkeys(doubt.why.removesuffix(": left out") for doubt in found.unsure if doubt.text == text)
            ),
        )
        for text in found.unread[:room]
    ]
    recipe = found.recipe
    return checked_recipe(
        name=recipe.name, family=recipe.family, use=recipe.use, lines=[*recipe.lines, *unread], steps=list(recipe.steps)
    )


def _line(line: WrittenLine, measure: str) -> Line:
    ingredient = LIBRARY[str(line.key)]
    return Line(
        ingredient=ingredient,
        amount=float(line.amount or 0.0),
        amount_high=line.amount_high,
        unit=line.unit,
        measure=measure,
        pack_g=line.pack_g,
        piece_g=line.piece_g,
    )
