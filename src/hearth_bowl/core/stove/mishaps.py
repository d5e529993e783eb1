"""Mishaps of a run that must be answered: they stay until the cook has put them right, or goes on as it is."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Final, Literal

from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.state import PAST_K, back_to_end_g, dose_words
from hearth_bowl.core.stove.step import Step

OVER_K: Final = 0.5
"""So far over a ceiling it counts: a thermometer is hardly truer. A judgement."""
UNDER_K: Final = 0.5
"""So far under the temperature that cooks egg it is not cooked: a thermometer is hardly truer. A judgement."""
EGG: Final = "cook-egg"
"""The act at which egg is cooked."""

Reading = tuple[float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Mishap:
    """What went wrong at a step: its number and key, the hottest it was held [true °C], what that means and what to
    do; `dose_g` is water to stir in."""

    step: int
    key: str
    code: Literal["past-end", "over-ceiling", "egg-not-cooked"]
    hottest_c: float
    says: str
    then: str
    dose_g: float | None = None


def mishaps(
    spans: Sequence[tuple[int, float, float]],
    steps: Sequence[Step],
    stretches: Sequence[Sequence[Reading]],
    recipe: Recipe,
    pressure_kpa: float,
    open_step: int | None = None,
) -> list[Mishap]:
    """Return what went wrong, by step, each step's worst.

    :param open_step: the step that goes on, of which nothing was left undone yet.
    :param spans: steps by number, with the moments at which they were begun and left [s].
    :param stretches: readings [s, true °C], apart where the thermometer was silent.
    """
    found: dict[int, Mishap] = {}
    for number, since_s, until_s in spans:
        step = steps[number] if number < len(steps) else None
        hottest_c = None if step is None else held_c(stretches, since_s, until_s)
        if step is None or hottest_c is None:
            continue
        for one in _of_step(number, step, hottest_c, recipe, pressure_kpa):
            before = found.get(number)
            if before is None or before.hottest_c < one.hottest_c:
                found[number] = one
    return [*found.values(), *_raw(spans, steps, stretches, open_step)]


def _raw(
    spans: Sequence[tuple[int, float, float]], steps: Sequence[Step], stretches: Sequence[Sequence[Reading]],
    open_step: int | None,
) -> Iterator[Mishap]:  # fmt: skip
    """Yield egg that was left before it was cooked, however often its step was gone to."""
    for number in dict.fromkeys(number for number, _, _ in spans):
        step = steps[number] if number < len(steps) else None
        if step is None or step.act != EGG or step.target_c is None or number == open_step:
            continue
        visits = [(since_s, until_s) for at, since_s, until_s in spans if at == number and since_s < until_s]
        held = [held_c(stretches, *visit) for visit in visits]
        if None in held or not held:
            continue  # nobody measured: nothing is claimed
        hottest_c = max(one for one in held if one is not None)
        low, high = step.target_c
        if hottest_c < low - UNDER_K:
            yield Mishap(
                step=number,
                key=step.key,
                code="egg-not-cooked",
                hottest_c=hottest_c,
                says=f"The egg was held at ⟦{hottest_c:.0f} °C⟧ at most: it is not cooked.",
                then=f"Cook it until its middle reads ⟦{low:.0f} to {high:.0f} °C⟧. Raw egg can make people ill.",
            )


def held_c(stretches: Sequence[Sequence[Reading]], since_s: float, until_s: float) -> float | None:
    """Return the hottest that two readings one after the other agree on: a single one may be a slip."""
    pairs = [
        min(first[1], second[1])
        for stretch in stretches
        for first, second in pairwise(one for one in stretch if since_s <= one[0] <= until_s)
    ]
    return max(pairs, default=None)


def _of_step(number: int, step: Step, hottest_c: float, recipe: Recipe, pressure_kpa: float) -> Iterator[Mishap]:
    if step.heat == "boil" and step.target_c is not None and hottest_c > step.target_c[1] + PAST_K:
        dose_g = back_to_end_g(step, hottest_c, recipe, pressure_kpa)
        if dose_g is not None:
            says = f"It was boiled to ⟦{hottest_c:.0f} °C⟧: too much water is gone."
            yield Mishap(
                step=number,
                key=step.key,
                code="past-end",
                hottest_c=hottest_c,
                says=says,
                then=dose_words(dose_g),
                dose_g=dose_g,
            )
    elif step.ceiling_c is not None and hottest_c > step.ceiling_c + OVER_K and step.act != "dissolve":
        yield Mishap(
            step=number,
            key=step.key,
            code="over-ceiling",
            hottest_c=hottest_c,
            says=f"It was held at ⟦{hottest_c:.0f} °C⟧, above its limit of ⟦{step.ceiling_c:.0f} °C⟧.",
            then=_after_a_ceiling(step),
        )


def _after_a_ceiling(step: Step) -> str:
    if step.act == "enzyme":
        return "The invertase is spoiled: cool the fondant, and stir in the same dose again."
    if step.act in ("cook", "cook-egg"):
        return "The egg may have curdled: sieve it at once, and taste it for grains."
    if step.act.startswith("temper") or step.heat == "work":
        return "It has lost its temper: melt it again, and temper it from the start."
    return "Look for grains, oil or a burnt smell before you go on."
