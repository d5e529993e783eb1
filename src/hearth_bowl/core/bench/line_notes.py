"""Line notes: what must be said beside an amount: its doubt, a question, or that the scale cannot weigh it."""

from dataclasses import dataclass

from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.recipe.measures import MASS_UNITS_G
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.weighing import in_spoons, ounce_question, scale_note, slip_question, spread_pct

SHOWN_FROM_PCT = 1.0  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class LineNotes:
    """Half the spread of a line's grams (0 where it is weighed), the notes that it deserves, and about how many of the
    person's spoons or cups it is, where it stands by weight."""

    spread_g: float
    spoons: str | None
    notes: tuple[str, ...]


def line_notes(recipe: Recipe, kitchen: Kitchen, measure: str) -> tuple[LineNotes, ...]:
    """Return the notes of every line of a recipe, its spoons and cups those of `measure`."""
    mass_g = recipe.mass_g
    found = []
    for line, grams in zip(recipe.lines, recipe.amounts_g, strict=True):
        pct = spread_pct(line)
        questions = (
            slip_question(line, grams, mass_g),
            ounce_question(line),
            scale_note(line.ingredient, grams, kitchen.scale_step_g, kitchen.scale_most_g)
            if line.unit == "g"
            else None,
        )
        found.append(
            LineNotes(
                spoons=in_spoons(line.ingredient, grams, measure) if line.unit in MASS_UNITS_G else None,
                spread_g=grams * pct / 100 if pct >= SHOWN_FROM_PCT else 0.0,
                notes=tuple(question for question in questions if question),
            )
        )
    return tuple(found)
