"""A whole recipe as people write it: title, ingredient lines, method; read with every doubt marked."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import own_ingredient
from hearth_bowl.core.recipe.measures import MEASURES_ML, unit_g
from hearth_bowl.core.recipe.recipe import FAMILIES, MAX_LINES, Line, Recipe, checked_recipe
from hearth_bowl.core.recipe.steps import CardStep
from hearth_bowl.core.recipe.written.lines import LONGEST_LINE, MADE_LIKE, UNSAID, WrittenLine, checked_line
from hearth_bowl.core.recipe.written.method_steps import naming
from hearth_bowl.core.recipe.written.proposals import family_of, proposed_g, shared_by, use_of
from hearth_bowl.core.recipe.written.stages import stage_of

MADE_SUGGESTED_G: Final = 100.0
"""Suggested amount of a mix that is made already and whose amount is not told. A judgement."""


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


@dataclass(frozen=True, slots=True)
class Row:
    """An ingredient line of a card with how it was read, and the heading that it stands under."""

    number: int
    text: str
    read: WrittenLine
    heading: str = ""

    @property
    def grams(self) -> float | None:
        """Return its stated or suggested amount in grams; None where it has none."""
        ingredient = self.read.ingredient
        if ingredient is None or self.read.amount is None:
            return None
        high = self.read.amount if self.read.amount_high is None else self.read.amount_high
        each_g = unit_g(ingredient, self.read.unit, self.measure, self.read.pack_g, self.read.piece_g)
        return (self.read.amount + high) / 2 * each_g

    measure: str = "metric"


def read_row(number: int, text: str, measure: str, heading: str = "") -> Row:
    """Return an ingredient line of a card, read."""
    return Row(number, text, checked_line(text, measure), heading, measure)


def read_mix(
    name: str, rows: Sequence[Row], steps: Sequence[CardStep], measure: str, family: str | None = None
) -> WrittenRecipe:
    """Return the recipe of ingredient lines and of what is done with them.

    :raises BadInput: at `measure` or `family`; at `file` where no ingredient can be read.
    """
    check_measure(measure)
    if family is not None and family not in FAMILIES:
        raise BadInput(("family",), f"unknown family {family[:60]!r}", "one of " + ", ".join(FAMILIES), "unknown")
    if len(rows) > MAX_LINES:
        allowed = f"one recipe of up to {MAX_LINES} ingredients"
        raise BadInput(("file",), f"The card has {len(rows)} ingredients.", allowed, "too-large")
    known = [row for row in rows if row.read.ingredient is not None]
    if not known:
        allowed = "one ingredient a line, such as 200 g cream"
        raise BadInput(("file",), "No ingredient can be read from the card.", allowed, "empty")
    unsure = [Unsure(line=row.number, text=row.text[:LONGEST_LINE], why=why) for row in rows for why in row.read.doubts]
    keys = frozenset(row.read.key for row in known if row.read.key is not None)
    told = [step.text for step in steps]
    words = " ".join([name, *told])
    found_family = family or family_of(words, keys)
    stated_g: dict[str, float] = {}
    for row in known:
        if row.grams is not None:
            stands_for = row.read.key or MADE_LIKE
            stated_g[stands_for] = stated_g.get(stands_for, 0.0) + row.grams
    unstated = [str(row.read.key) for row in known if row.read.amount is None and row.read.key is not None]
    lines = []
    for row in known:
        line = _line(row)
        if row.read.amount is None:
            grams = _proposed_g(row, found_family, stated_g, unstated)
            unsure.append(Unsure(line=row.number, text=row.text[:LONGEST_LINE], why=f"{grams:g} g is our proposal"))
            doubts = tuple(why for why in row.read.doubts if not why.startswith(UNSAID))
            line = replace(line, amount=grams, unit="g", proposed=True, doubts=doubts)
        stage = "" if row.read.key is None else stage_of(row.read.key, told, found_family)
        lines.append(replace(line, stage=stage))
    recipe = checked_recipe(
        name=name[:200] or "Untitled",
        family=found_family,
        use=use_of(words),
        lines=lines,
        steps=naming(steps, [str(row.read.key) for row in known if row.read.key is not None]),
    )
    unsure.sort(key=lambda found: found.line)
    return WrittenRecipe(
        recipe=recipe,
        unsure=tuple(unsure),
        unread=tuple(row.text[:LONGEST_LINE] for row in rows if row.read.ingredient is None and row.read.left_out),
    )


def _proposed_g(row: Row, family: str, stated_g: Mapping[str, float], unstated: Sequence[str]) -> float:
    if row.read.key is None:
        return MADE_SUGGESTED_G
    return proposed_g(row.read.key, family, stated_g, shared_by(row.read.key, family, unstated))


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
        name=recipe.name, family=recipe.family, use=recipe.use, lines=[*recipe.lines, *unread], steps=recipe.steps
    )


def _line(row: Row) -> Line:
    read, ingredient = row.read, row.read.ingredient
    assert ingredient is not None
    return Line(
        ingredient=ingredient,
        amount=float(read.amount or 0.0),
        amount_high=read.amount_high,
        unit=read.unit,
        measure=row.measure,
        pack_g=read.pack_g,
        piece_g=read.piece_g,
        proposed=read.proposed,
        text=row.text[:LONGEST_LINE],
        doubts=read.doubts,
    )
