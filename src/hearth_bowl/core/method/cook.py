"""A cook's batch of one mix: the recipe with this batch's grams, the way of making it, the schools and the kitchen."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property

from hearth_bowl.core.cooling.set_clock import Learned
from hearth_bowl.core.mass.cooking import CookPlan, cooked_positions, finished_or_none, plan_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.core.mass.tempering import WINDOWS, tempering_kind
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Line, Recipe


@dataclass(frozen=True, kw_only=True)
class Cook:
    """What the acts of a mix are made from. `kitchen_c` is the room's temperature, `pieces` what the mix becomes."""

    recipe: Recipe
    way: str
    choices: Mapping[str, str]
    kitchen: Kitchen
    kitchen_c: float = 20.0
    pieces: int = 0
    thickness_mm: float | None = None
    shell_limit_c: float | None = None
    """The warmest that a filling may be in its shell; None without a shell."""
    cools: Mapping[str, Learned] = field(default_factory=dict)
    """How this kitchen cools, by place."""

    @property
    def rows(self) -> tuple[Line, ...]:
        """Return the recipe's lines."""
        return self.recipe.lines

    def lines(self, *stages: str) -> tuple[int, ...]:
        """Return the positions of the lines of some stages."""
        return tuple(position for position, line in enumerate(self.recipe.lines) if line.stage in stages)

    def chocolate(self) -> tuple[int, ...]:
        """Return the positions of chocolate and compound."""
        return tuple(
            position for position, line in enumerate(self.recipe.lines) if line.ingredient.kind in CHOCOLATE_KINDS
        )

    def is_in(self, position: int, stage: str) -> bool:
        """Return whether a line is of a stage."""
        return self.recipe.lines[position].stage == stage

    @property
    def ceiling_c(self) -> float | None:
        """Return the lowest ceiling of the chocolates in it."""
        kinds = [tempering_kind(self.recipe.lines[position].ingredient) for position in self.chocolate()]
        return min((WINDOWS[kind].never_above_c for kind in kinds), default=None)

    @cached_property
    def boil(self) -> CookPlan | None:
        """Return how its boil usually goes in this kitchen, before its card is heard; None where nothing boils down."""
        return plan_or_none(replace(self.recipe, steps=()), self.kitchen)

    @cached_property
    def eaten(self) -> Mixture:
        """Return the finished mix."""
        usual = self.choices["target"] == "ours"
        return finished_or_none(replace(self.recipe, steps=()) if usual else self.recipe, self.kitchen) or mix(
            self.recipe
        )

    @cached_property
    def in_the_pan(self) -> tuple[int, ...]:
        """Return the positions of what is boiled."""
        return tuple(cooked_positions(self.recipe))

    def grams(self, *positions: int) -> float:
        """Return the grams of some lines."""
        return sum(self.recipe.amounts_g[position] for position in positions)
