"""Watch: from a step's readings to its forecast, its standing and its call, all in one go."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from hearth_bowl.core.mass.boiling import boil_curve
from hearth_bowl.core.mass.cooking import cooked_part
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.calls import Call, held, next_call
from hearth_bowl.core.stove.forecast import Forecast, carried_on, forecast
from hearth_bowl.core.stove.heating import Heating, heating_of
from hearth_bowl.core.stove.standing import Standing
from hearth_bowl.core.stove.step import Step

FRIDGE_C = 5.0  # a judgement
INTO_THE_BAND = 0.25
"""What is warmed aims at the first quarter of its band: carried over less than thought, it is still within. Judged."""
IN_THE_FRIDGE = frozenset({"set", "rest-cold"})
"""Steps that cool in the fridge, in batches whose steps do not say where they cool."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Course:
    """Where a step's temperature goes, true °C, and what is known of the way: the air, or the boil."""

    target_c: float
    cooling: bool = False
    ambient_c: float = 20.0
    boil_curve: tuple[tuple[float, float], ...] = ()
    heating: Heating | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Watched:
    """What the readings of a step say now."""

    forecast: Forecast | None
    stands: Standing | None
    call: Call


def course_of(step: Step, recipe: Recipe, pressure_kpa: float, kitchen_c: float) -> Course | None:
    """Return a step's course; None of one that goes to no temperature."""
    if step.target_c is None or step.heat in ("none", "work"):
        return None
    low, high = step.target_c
    if step.heat == "cool":
        return Course(target_c=high, cooling=True, ambient_c=FRIDGE_C if _in_fridge(step) else kitchen_c)
    if step.heat != "boil":
        return Course(target_c=low + INTO_THE_BAND * (high - low))
    pan, end_c = cooked_part(recipe), (low + high) / 2
    return Course(
        target_c=end_c, boil_curve=tuple(boil_curve(pan, pressure_kpa)), heating=heating_of(pan, pressure_kpa, end_c)
    )


def _in_fridge(step: Step) -> bool:
    return step.key in IN_THE_FRIDGE if step.in_fridge is None else step.in_fridge


def watch(
    step: Step,
    course: Course | None,
    readings: Sequence[tuple[float, float]],
    *,
    age_s: float = 0.0,
    is_fresh: bool = True,
    silent_s: float = 0.0,
    entered_c: float | None = None,
    pace: float = 1.0,
    by_hand: bool = False,
) -> Watched:
    """Return what the readings of a step say, so long after the last of them.

    :param readings: (s of the pan's time, true °C) in rising time; none where they are too old for anything.
    :param age_s: how old the last is by the clock; while it `is_fresh` it is a temperature of now.
    :param silent_s: how long nothing was heard from a thermometer that speaks by itself.
    :param entered_c: how warm it was when the step began.
    :param pace: how fast the pan's time goes against the clock.
    :param by_hand: whether the cook reads it and types it.
    """
    found = None
    if course is not None and readings:
        found = forecast(
            readings,
            course.target_c,
            cooling=course.cooling,
            ambient_c=course.ambient_c,
            boil_curve=course.boil_curve,
            heating=course.heating,
        )
    if found is not None:
        found = carried_on(by_the_clock(found, pace), age_s)
    stands = held(step, readings, age_s=age_s * pace, by_hand=by_hand) if is_fresh else None
    call = next_call(step, readings, found, stands, entered_c=entered_c, silent_s=silent_s)
    return Watched(forecast=found, stands=stands, call=call)


def by_the_clock(found: Forecast, pace: float) -> Forecast:
    """Return a forecast of the pan's time in time by the clock."""

    def clock_s(value: float | None) -> float | None:
        return None if value is None else value / pace

    return replace(
        found,
        rate_c_per_min=found.rate_c_per_min * pace,
        curve=tuple((s / pace, c) for s, c in found.curve),
        in_s=clock_s(found.in_s),
        low_s=clock_s(found.low_s),
        high_s=clock_s(found.high_s),
        end_low_s=clock_s(found.end_low_s),
        end_high_s=clock_s(found.end_high_s),
    )
