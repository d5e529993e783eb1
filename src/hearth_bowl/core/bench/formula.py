"""Formula: all that the bench shows of one recipe at one temperature, computed in one go."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.assess.assess import Assessment, assess
from hearth_bowl.core.assess.cost import cost
from hearth_bowl.core.bench.bowl import Layer, bowl_layers
from hearth_bowl.core.bench.line_notes import LineNotes, line_notes
from hearth_bowl.core.bench.ratio_rule import RatioRule, Zone, ratio_rule, zones_of
from hearth_bowl.core.bench.reading import Reading
from hearth_bowl.core.bench.readings import readings
from hearth_bowl.core.bench.verdict import CURVE_C, Verdict, cooking_verdict, verdict
from hearth_bowl.core.mass.cooking import finished, plan_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.set_index import index_curve
from hearth_bowl.core.recipe.recipe import Recipe

NO_PRICES: Final[Mapping[str, float]] = MappingProxyType({})


@dataclass(frozen=True, slots=True, kw_only=True)
class Formula:
    """The bench: the assessment with its sentence, bowl, temperature zones, ratio rule and readings."""

    assessment: Assessment
    sentence: Verdict
    bowl: tuple[Layer, ...]
    temperature_zones: tuple[Zone, ...]
    rule: RatioRule | None
    readings: tuple[Reading, ...]
    set_curve: tuple[tuple[float, float], ...]
    line_notes: tuple[LineNotes, ...]


def formula(
    recipe: Recipe,
    at_c: float,
    kitchen: Kitchen | None = None,
    price_per_g: Mapping[str, float] = NO_PRICES,
    measure: str = "metric",
) -> Formula:
    """Return the bench of a recipe at `at_c`, in a kitchen, with the prices that are known and a person's spoons.

    Of what is cooked down the readings are of the finished mass, the bowl of what is weighed in.

    :raises BadInput: at `at_c`.
    """
    kitchen = kitchen or Kitchen()
    plan = plan_or_none(recipe, kitchen)
    assessment = assess(recipe, at_c, finished(recipe, plan.cooked) if plan is not None else None)
    modelled = assessment.set.index is not None
    curve = index_curve(assessment.mixture, list(CURVE_C)) if modelled else []
    sentence = verdict(recipe, assessment.set, curve) if plan is None else cooking_verdict(plan)
    return Formula(
        assessment=assessment,
        sentence=sentence,
        bowl=bowl_layers(assessment.mixture if plan is None else mix(recipe)),
        temperature_zones=zones_of(list(zip(CURVE_C, curve, strict=False))),
        rule=ratio_rule(recipe, assessment.set.at_c, modelled),
        readings=readings(recipe, assessment, sentence, kitchen, cost(recipe, price_per_g, assessment.mass_g)),
        set_curve=tuple(zip(CURVE_C, curve, strict=False)),
        line_notes=line_notes(recipe, kitchen, measure),
    )
