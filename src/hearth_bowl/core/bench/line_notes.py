"""Line notes: what must be said beside an amount: its doubt, a question, or that the scale cannot weigh it."""

from dataclasses import dataclass

from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.weighing import ounce_question, scale_note, slip_question, spread_pct

SHOWN_FROM_PCT = 1.0


@dataclass(frozen=True, slots=True, kw_only=True)
class LineNotes:
    """Half the spread of a line's grams (0 where it is weighed), and the notes that it deserves."""

    spread_g: float
    notes: tuple[str, ...]


def line_notes(recipe: Recipe, kitchen: Kitchen) -> tuple[LineNotes, ...]:
    """Return the notes of every line of a recipe."""
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
                spread_g=grams * pct / 100 if pct >= SHOWN_FROM_PCT else 0.0,
                notes=tuple(question for question in questions if question),
            )
        )
    return tuple(found)
