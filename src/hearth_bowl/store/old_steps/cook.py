"""What the steps of a run are made from, and the steps that many families share."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.tempering import WINDOWS, tempering_kind
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.step import Step
from hearth_bowl.store.old_steps import cautions

BUTTER_C: Final = (32.0, 40.0)  # a judgement
LATE_C: Final = (28.0, 35.0)  # a judgement
ALCOHOLIC_PCT: Final = 5.0  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class Cook:
    """What the steps are made from: the recipe, the chosen method and schools, and the kitchen."""

    recipe: Recipe
    method: str
    choices: Mapping[str, str]
    kitchen: Kitchen

    def lines(self, *stages: str) -> tuple[int, ...]:
        """Return the positions of the lines of some stages."""
        return tuple(position for position, line in enumerate(self.recipe.lines) if line.stage in stages)

    def chocolate(self) -> tuple[int, ...]:
        """Return the positions of chocolate and compound."""
        return tuple(
            position for position, line in enumerate(self.recipe.lines) if line.ingredient.kind in CHOCOLATE_KINDS
        )

    @property
    def ceiling_c(self) -> float | None:
        """Return the lowest ceiling of the chocolates in it."""
        kinds = [tempering_kind(self.recipe.lines[position].ingredient) for position in self.chocolate()]
        return min((WINDOWS[kind].never_above_c for kind in kinds), default=None)


def melting(heat: str) -> str:
    """Return how something is melted, by the heat chosen."""
    return {
        "pan": "Melt it in a pan on the lowest ring, off and on, stirring.",
        "microwave": "First burst 30 s unless you know this oven with this mass, then shorter ones; stir after each "
        "and stop while lumps remain.",
        "water-bath": "Over water that steams but does not boil, the bowl not touching it, stirring.",
    }[heat]


def later_steps(cook: Cook) -> list[Step]:
    """Return what is stirred in once it has cooled, what comes late, and what is folded in."""
    steps = []
    butter, late, folded = cook.lines("stir-in-cool"), cook.lines("late"), cook.lines("fold-in")
    if butter and cook.choices["butter"] == "late":
        steps.append(
            Step(
                key="stir-in-cool",
                title="Stir in the butter",
                do="When it has cooled, stir in what is soft, piece by piece.",
                heat="cool",
                target_c=BUTTER_C,
                cue="it softens on the spoon and vanishes without oil",
                why="Warmer, butter melts to oil; cooler, it stays in lumps.",
                positions=butter,
            )
        )
    spirits = any(cook.recipe.lines[p].ingredient.composition_pct["ethanol"] > ALCOHOLIC_PCT for p in late)
    if late:
        steps.append(
            Step(
                key="late",
                title="Stir in what comes late",
                do="A spoon at a time, at the mix's own warmth.",
                heat="cool",
                target_c=LATE_C,
                cue="still glossy after each spoon",
                why="Cold or much at once splits it; late, aroma stays.",
                caution=cautions.SPIRIT if spirits else "",
                positions=late,
            )
        )
    if folded:
        steps.append(
            Step(
                key="fold-in",
                title="Fold in",
                do="Fold in what should stay whole.",
                cue="evenly through, nothing broken",
                why="Late, crunchy things stay crunchy.",
                positions=folded,
            )
        )
    return steps
