"""The bowl: the mass as it is now, and what can be worked out of it before anything is added."""

from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

from hearth_bowl.core.assess.assess import NO_SET, Assessment, assess
from hearth_bowl.core.assess.at_work import WORK
from hearth_bowl.core.diagnose.facts import Facts
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.boiling import cook_to
from hearth_bowl.core.mass.cooking import cook_plan, cooked_part, finished_water_pct, has_own_end, is_cooked_down
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.core.mass.split import fat_to_water, is_emulsion
from hearth_bowl.core.mass.tempering import WINDOWS, tempering_kind
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS, kind_g
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, Recipe

TIGHTENS_C: Final = 60.0
"""Above it any chocolate with milk or cream tightens and oils out: usual practice."""
CURD_CEILING_C: Final = 85.0
"""Above it the egg of a curd scrambles. Handbook of this craft, section L."""
LEAST_WATER_SHARE: Final = 0.02  # a judgement
USUAL_USE: Final = {
    "cream-ganache": "roll",
    "butter-ganache": "roll",
    "condensed-milk-fudge": "cut",
    "nut-paste": "roll",
}
"""What a family is made for where a recipe does not say: a judgement."""


AT_SEA: Final = Kitchen()


@dataclass(frozen=True)
class Bowl:
    """A recipe as it lies in the bowl now: less the water that it lost, as much of it as there is.

    `mass_g` is what was weighed or is taken for it; `extra_water_g` is liquid that was not counted [g of water].
    `made` is the whole recipe; `recipe` as much of it as has gone in. Water that was lost was lost by what is in the
    bowl, where that was weighed, else by the whole recipe.
    """

    made: Recipe
    recipe: Recipe
    mass_g: float
    facts: Facts
    kitchen: Kitchen = AT_SEA
    extra_water_g: float = 0.0
    weighed: bool = False

    @cached_property
    def share(self) -> float:
        """Return how much of the recipe's finished mass is in the bowl."""
        return self.mass_g / (self._whole.mass_g or 1.0)

    @cached_property
    def is_cooked(self) -> bool:
        """Return whether it is a mass that is boiled down."""
        return is_cooked_down(self.recipe)

    @cached_property
    def _whole(self) -> Mixture:
        """Return the whole recipe as it is now."""
        whole = mix(self.recipe)
        lost_g = self._lost_g
        grams = dict(whole.grams)
        least_g = LEAST_WATER_SHARE * grams["water"]
        grams["water"] = max(grams["water"] - lost_g, least_g) + self.extra_water_g
        return replace(whole, grams=grams)

    @cached_property
    def _lost_g(self) -> float:
        facts = self.facts
        if facts.water_lost_g is not None:
            went_in_g = self.mass_g + facts.water_lost_g if self.weighed else self.recipe.mass_g
            return facts.water_lost_g * self.recipe.mass_g / went_in_g
        if not self.is_cooked:
            return 0.0
        if facts.water_left_pct is not None:
            return self._pan.grams["water"] - self._pan_water_g(facts.water_left_pct)
        if facts.hottest_c is not None:
            try:
                return cook_to(self._pan, facts.hottest_c, self.kitchen.pressure_kpa).evaporated_g
            except BadInput:
                return 0.0
        return max(0.0, self._pan.grams["water"] - self._pan_water_g(self.aimed_water_pct))

    @cached_property
    def _pan(self) -> Mixture:
        """Return what is boiled of the whole recipe, as it is weighed in."""
        return cooked_part(self.recipe)

    def _pan_water_g(self, pct: float) -> float:
        """Return the water in the pan when it is so much of what is left there [g]."""
        left = min(pct, 99.0) / 100
        return (self._pan.mass_g - self._pan.grams["water"] - self._pan.grams["ethanol"]) * left / (1 - left)

    @cached_property
    def knows_its_water(self) -> bool:
        """Return whether it was measured how far it was boiled."""
        facts = self.facts
        return any(value is not None for value in (facts.water_lost_g, facts.water_left_pct, facts.hottest_c))

    @cached_property
    def now(self) -> Mixture:
        """Return what is in the bowl."""
        return self._whole.plus(self._whole, self.share - 1)

    @cached_property
    def assessed(self) -> Assessment:
        """Return all that its composition says, as it is now."""
        return assess(self.recipe, eaten=self.now)

    @cached_property
    def fat_to_water(self) -> float | None:
        """Return fat to water of what can split, else None."""
        if self.is_chocolate_alone or not is_emulsion(self.recipe, self.now):
            return None
        return fat_to_water(self.now)

    @property
    def is_chocolate_alone(self) -> bool:
        """Return whether the chocolate lies in the bowl by itself, its liquid still to come or none at all."""
        return self.recipe is not self.made

    @cached_property
    def index(self) -> float | None:
        """Return the set index after a night at 20 °C, None where it says nothing."""
        codes = {warning.code for warning in self.assessed.warnings}
        return None if codes & NO_SET else self.assessed.set.index

    @cached_property
    def use(self) -> str:
        """Return what it is for; what its family is made for where the recipe does not say."""
        return self.recipe.use or USUAL_USE.get(self.recipe.family, "")

    @property
    def aim(self) -> float | None:
        """Return the set index that its use aims at."""
        return AIMED_INDEX.get(self.use)

    @property
    def wanted(self) -> tuple[float, float] | None:
        """Return how firm its use wants it after a night: least and most index."""
        work = WORK.get(self.use)
        return None if work is None else work.rested

    @cached_property
    def aimed_water_pct(self) -> float:
        """Return how much of it is to be water at the end of its boil [%], as this cook ends it."""
        if not has_own_end(self.recipe):
            return finished_water_pct(self.recipe)
        try:
            return cook_plan(self.recipe, self.kitchen).water_pct
        except BadInput:
            return finished_water_pct(self.recipe)

    @cached_property
    def water_pct(self) -> float:
        """Return how much of what was boiled is water now [%], liquid that was not counted included."""
        left_g = max(self._pan.grams["water"] - self._lost_g, 0.0) + self.extra_water_g
        dry_g = self._pan.mass_g - self._pan.grams["water"] - self._pan.grams["ethanol"]
        return 100 * left_g / (left_g + dry_g)

    @cached_property
    def aimed_water_g(self) -> float:
        """Return the water in the bowl when its boil is as far as it should be [g]."""
        beside_g = mix(self.recipe).grams["water"] - self._pan.grams["water"]
        return self.share * (self._pan_water_g(self.aimed_water_pct) + beside_g)

    @cached_property
    def chocolate_g(self) -> float:
        """Return the chocolate and compound of the whole recipe [g]."""
        return kind_g(self.recipe, *CHOCOLATE_KINDS)

    @cached_property
    def tightens(self) -> tuple[str, float]:
        """Return the tenderest thing in it, in words, and the temperature that it must not pass [°C]."""
        if self.recipe.family == "curd":
            return "its egg", CURD_CEILING_C
        kinds = {
            tempering_kind(line.ingredient)
            for line, _ in self.recipe.weighed
            if line.ingredient.kind in CHOCOLATE_KINDS
        }
        tenderest = min(kinds, key=lambda kind: WINDOWS[kind].never_above_c, default="")
        if not tenderest:
            return "it", TIGHTENS_C
        return WINDOWS[tenderest].name.lower(), min(WINDOWS[tenderest].never_above_c, TIGHTENS_C)

    @cached_property
    def finished_g(self) -> float:
        """Return what the whole recipe weighs as it is now, its lost water off [g]."""
        return self._whole.mass_g
