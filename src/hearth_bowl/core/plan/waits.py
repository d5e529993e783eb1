"""Waits: how long a mass rests until the next thing can be done with it, at the slow end of its band or at its
middle."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.cooling.set_ask import SetAsk
from hearth_bowl.core.cooling.set_clock import Learned, set_clock
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.ripening import dose_pct, ripen
from hearth_bowl.core.plan.hands import stepped
from hearth_bowl.core.recipe.recipe import Recipe

DAY_MIN: Final = 24 * 60  # by definition
NOTHING_LEARNED: Final[Mapping[str, Learned]] = MappingProxyType({})
NO_FACTORS: Final[Mapping[str, float]] = MappingProxyType({})
JOINED_C: Final = 40.0
"""A mass is about so warm when it is joined: a judgement."""
NEVER_SETS_MIN: Final = (240, 480)
"""What is not reckoned rests so long in the fridge, middle and slow: common practice."""
SHELL_CHILLS_MIN: Final = (12, 20)  # common practice
CAP_SETS_MIN: Final = (15, 25)  # common practice
COAT_SETS_MIN: Final = (20, 30)  # common practice
BALLS_CHILL_MIN: Final = (30, 60)  # common practice
LAYER_SETS_MIN: Final = (45, 90)  # common practice
TOPPED_SETS_MIN: Final = (20, 30)  # common practice
FINAL_REST_MIN: Final = (8 * 60, 12 * 60)
"""Usual rests of common practice, middle and slow [min]."""
USUAL_DWELL_DAYS: Final = (10.0, 14.0)
"""A liquid centre without a dose that is known: common practice, middle and slow."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Waits:
    """Which end of a band is waited for, and in which kitchen."""

    slow: bool
    kitchen: Kitchen
    kitchen_c: float
    cools: Mapping[str, Learned] = field(default_factory=lambda: NOTHING_LEARNED)
    """How this kitchen cools, by place."""
    hands: Mapping[str, float] = field(default_factory=lambda: NO_FACTORS)
    """How much longer these hands take than usual, by job."""

    def usual(self, band_min: tuple[int, int]) -> int:
        """Return the minutes of a usual rest."""
        return stepped(band_min[1] if self.slow else band_min[0])

    def until(self, mixture: Mixture, ask: SetAsk) -> int:
        """Return the minutes until a mass can be piped, rolled, cut or unmoulded as the set clock says."""
        try:
            middle, slow = set_clock(mixture, ask, with_curve=False, learned=self.cools.get(ask.place)).set_min
        except BadInput:
            return self.usual(NEVER_SETS_MIN)
        return stepped(slow if self.slow else middle)

    def dwell(self, recipe: Recipe, mixture: Mixture) -> int | None:
        """Return the minutes that a centre with invertase ripens, at its middle; None where it has none.

        :raises BadInput: at the dose.
        """
        dose = dose_pct(recipe, mixture.mass_g)
        if dose is None:
            return None
        days = ripen(mixture, dose, self.kitchen_c).days
        found = next((days[word] for word in ("liquid", "creamy", "loose") if days[word] is not None), None)
        middle = USUAL_DWELL_DAYS[0] if found is None else found[1]
        return stepped(middle * DAY_MIN)
