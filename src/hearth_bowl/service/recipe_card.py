"""The recipe card: one recipe on one page, to hang up or to give."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy.orm import Session

from hearth_bowl.core.bench.formula import formula
from hearth_bowl.core.bench.verdict import Verdict
from hearth_bowl.core.keep.allergens import not_known
from hearth_bowl.core.keep.keeping import Keeping
from hearth_bowl.core.recipe.recipe import FAMILIES
from hearth_bowl.core.stove.step import Step
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.service.batches import plan_batch
from hearth_bowl.service.recipes import get_recipe
from hearth_bowl.service.settings import get_settings


@dataclass(frozen=True, slots=True, kw_only=True)
class CardLine:
    """One ingredient: its grams, about how many spoons or cups they are, and whether the amount is still ours."""

    name: str
    grams: float
    spoons: str | None
    stage: str
    proposed: bool
    doubts: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class RecipeCard:
    """All that stands on a card. `as_written` is the method in the words that came with the recipe."""

    name: str
    family: str
    use: str | None
    mass_g: float
    sentence: Verdict
    lines: tuple[CardLine, ...]
    steps: tuple[Step, ...]
    as_written: tuple[str, ...]
    keeping: Keeping
    allergens_named: tuple[str, ...]
    not_known: tuple[str, ...]
    cautions: tuple[str, ...]


def recipe_card(session: Session, recipe_id: int, now: datetime) -> RecipeCard:
    """Return the card of a recipe as it stands, in the person's own kitchen and measures.

    :raises NotFound: there is no such recipe.
    """
    settings = get_settings(session)
    recipe = recipe_from(get_recipe(session, recipe_id).recipe)
    bench = formula(recipe, settings.kitchen_c, settings.kitchen, measure=settings.measure)
    found = bench.assessment
    return RecipeCard(
        name=recipe.name,
        family=FAMILIES[recipe.family],
        use=recipe.use,
        mass_g=recipe.mass_g,
        sentence=bench.sentence,
        lines=tuple(
            CardLine(
                name=line.ingredient.name,
                grams=grams,
                spoons=notes.spoons,
                stage=line.stage,
                proposed=line.proposed,
                doubts=line.doubts,
            )
            for line, grams, notes in zip(recipe.lines, recipe.amounts_g, bench.line_notes, strict=True)
        ),
        steps=plan_batch(session, recipe_id, None, {}, now).steps,
        as_written=tuple(words for step in recipe.steps if (words := _words_of(step))),
        keeping=found.keeping,
        allergens_named=tuple(dict.fromkeys((*found.allergens, *found.allergens_named))),
        not_known=not_known(recipe),
        cautions=tuple(caution.message for caution in found.warnings),
    )


def _words_of(step: object) -> str:
    """Return the words of a step of a card, which is text or a record with its text."""
    found = step.get("text", "") if isinstance(step, Mapping) else step
    return found if isinstance(found, str) else ""
