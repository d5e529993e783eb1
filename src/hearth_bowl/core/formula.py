"""Formula: all that the bench shows of one recipe at one temperature, computed in one go."""

from dataclasses import dataclass

from hearth_bowl.core.assess import Assessment, assess
from hearth_bowl.core.bowl import Layer, bowl_layers
from hearth_bowl.core.ratio_rule import RatioRule, Zone, ratio_rule, zones_of
from hearth_bowl.core.readings import Reading, readings
from hearth_bowl.core.recipe import Recipe
from hearth_bowl.core.set_index import index_curve
from hearth_bowl.core.verdict import CURVE_C, Verdict, verdict


@dataclass(frozen=True, slots=True, kw_only=True)
class Formula:
    """The bench: the assessment with its sentence, bowl, temperature zones, ratio rule and readings."""

    assessment: Assessment
    sentence: Verdict
    bowl: tuple[Layer, ...]
    temperature_zones: tuple[Zone, ...]
    rule: RatioRule | None
    readings: tuple[Reading, ...]


def formula(recipe: Recipe, at_c: float) -> Formula:
    """Return the bench of a recipe at `at_c`.

    :raises BadInput: at `at_c`.
    """
    assessment = assess(recipe, at_c)
    modelled = assessment.set.index is not None
    curve = index_curve(assessment.mixture, list(CURVE_C)) if modelled else []
    sentence = verdict(recipe, assessment.set, curve)
    return Formula(
        assessment=assessment,
        sentence=sentence,
        bowl=bowl_layers(assessment.mixture),
        temperature_zones=zones_of(list(zip(CURVE_C, curve, strict=False))),
        rule=ratio_rule(recipe, assessment.set.at_c, modelled),
        readings=readings(recipe, assessment, sentence),
    )
