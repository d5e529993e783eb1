"""State of a step at the stove: what its temperature means now, and the way back where there is one."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final, Literal

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.boiling import cook_to
from hearth_bowl.core.mass.cooking import cooked_part
from hearth_bowl.core.mass.sugar_stages import COLOUR_FROM_C
from hearth_bowl.core.recipe.families import BROWNED
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.standing import Standing
from hearth_bowl.core.stove.step import Step

Kind = Literal["approaching", "there", "past", "ruined", "too-cold", "waiting", "unknown"]

TOO_COLD_K: Final = 2.0
"""What must be worked warm is too cold this far below its range. A judgement."""
TOO_COLD_TO_BEAT_K: Final = 8.0
"""A fudge cools a little while it is beaten, and warms as it grains; this far below its range it was too cold when the
beating began. A judgement."""
PAST_K: Final = 1.0
"""Further beyond the end of a boil the water that is missing is worth adding: 1 °C is about 1 % of water. Handbook,
section C."""
WAY_BACK: Final[Mapping[str, tuple[str, str]]] = MappingProxyType(
    {
        "cool-still": ("Too cold to beat", "Set the pan in hot water and stir until it reads"),
        "beat": ("Too cold to beat", "Set the pan in hot water and stir until it reads"),
        "join": ("Too cold to come together", "Warm the bowl over hot water, stirring, until it reads"),
        "temper-cool": ("Too cold", "Warm it over warm water, stirring, until it reads"),
        "cool": ("Too cold to pipe or pour", "Warm the bowl over warm water, stirring, until it reads"),
        "stir-in-cool": ("Too cold to stir it in", "Warm the bowl over warm water, stirring, until it reads"),
    }
)
"""Heading and way back of what was left until it was too cold, by the act. Common practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class State:
    """What a temperature means at a step: a heading, empty where the call says it, and what to do.

    `dose_g` is water that brings an overshot boil back.
    """

    kind: Kind
    says: str = ""
    then: str = ""
    dose_g: float | None = None


def state_of(
    step: Step,
    stands: Standing | None,
    now_c: float | None,
    *,
    family: str = "",
    before: Step | None = None,
    dose_g: float | None = None,
    is_silent: bool = False,
) -> State:
    """Return the state of a step.

    :param stands: where its held temperature stands. :param now_c: the temperature of now [true °C]; None if unknown.
    :param before: the step before it, whose range counts for what is beaten.
    :param dose_g: water that brings a boil back to its end [g]; None where it is not past it.
    """
    if is_silent:
        return State(kind="unknown")
    if now_c is None:
        return State(kind="unknown" if step.target_c else "there" if step.attended else "waiting")
    cold = _too_cold(step, now_c, before)
    if cold is not None:
        return cold
    if step.heat == "boil" and step.target_c is not None and now_c > step.target_c[1]:
        return _past_the_boil(step, now_c, family, dose_g)
    if stands is None:
        return State(kind="there" if step.attended else "waiting")
    if stands.stand == "ceiling":
        return State(kind="past", says=stands.says)
    if step.heat == "cool":
        return State(kind="approaching" if stands.stand == "over" else "there")
    return State(kind={"below": "approaching", "in": "there", "over": "past"}[stands.stand])  # type: ignore[arg-type]


def _too_cold(step: Step, now_c: float, before: Step | None) -> State | None:
    if step.act not in WAY_BACK:
        return None
    bounds, margin_k = step.target_c, TOO_COLD_K
    if step.act == "beat" and bounds is None and before is not None and before.act == "cool-still":
        bounds, margin_k = before.target_c, TOO_COLD_TO_BEAT_K
    if bounds is None or now_c >= bounds[0] - margin_k or (step.heat not in ("cool", "none")):
        return None
    says, then = WAY_BACK[step.act]
    return State(kind="too-cold", says=says, then=f"{then} ⟦{bounds[0]:.0f} to {bounds[1]:.0f} °C⟧.")


def _past_the_boil(step: Step, now_c: float, family: str, dose_g: float | None) -> State:
    if now_c >= COLOUR_FROM_C and family not in BROWNED:
        return State(
            kind="ruined",
            says="The sugar has browned",
            then="It will taste burnt and will not set as planned. Let it cool where nobody can touch it; start again.",
        )
    assert step.target_c is not None
    if dose_g is None or now_c <= step.target_c[1] + PAST_K:
        return State(kind="past", says="Past its end: off the heat")
    return State(kind="past", says="Past its end: off the heat", then=dose_words(dose_g), dose_g=dose_g)


def back_to_end_g(step: Step, hottest_c: float, recipe: Recipe, pressure_kpa: float) -> float | None:
    """Return the water that brings a boil back to its end [g]; None where it is not past it.

    :param hottest_c: how hot it was [true °C].
    """
    if step.heat != "boil" or step.target_c is None or hottest_c <= step.target_c[1]:
        return None
    pan = cooked_part(recipe)
    try:
        end = cook_to(pan, (step.target_c[0] + step.target_c[1]) / 2, pressure_kpa)
        return end.water_left_g - cook_to(pan, hottest_c, pressure_kpa).water_left_g
    except BadInput:
        return None


def dose_words(dose_g: float) -> str:
    """Return what to do with a boil that lost too much water [g]."""
    return (
        f"Stir in ⟦{dose_g:.0f} g⟧ of hot water from arm's length, it spits. "
        "Let everything dissolve, then boil it to its end again."
    )
