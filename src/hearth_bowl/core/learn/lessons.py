"""Lessons: what one batch tells of its kitchen, read from what was recorded of it anyway."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import sqrt
from types import MappingProxyType
from typing import Final, Literal

from hearth_bowl.core.assess.at_work import WORK
from hearth_bowl.core.cooling.set_ask import SetAsk, check_set_ask
from hearth_bowl.core.cooling.set_body import cool_s
from hearth_bowl.core.cooling.set_clock import set_clock
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.learn.corrections import MOST_FACTOR
from hearth_bowl.core.mass.cooking import cook_plan, is_cooked_down, without_own_end
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import NOT_MODELLED_FAMILIES, index_at
from hearth_bowl.core.mass.thermal import heat_capacity_j_per_kgk
from hearth_bowl.core.method.hands import JOB_OF_ACT
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.bursts import burst_kind, taken_up
from hearth_bowl.core.stove.events import BurstGiven, Ended, Happening, Judgement, SetSeen, SetStarted, Yielded
from hearth_bowl.core.stove.run import spans_of
from hearth_bowl.core.stove.step import Step

VERDICT_INDEX: Final[Mapping[str, float]] = MappingProxyType({"too soft": -0.7, "just right": 0.0, "too firm": 0.7})
"""By how much a mass lies from what was forecast, by the word of a cook: one class and a bit. Where its use says how
firm it is wanted, "just right" lies within that, and the others so far outside, or from what was forecast:
A judgement."""
OUTSIDE: Final = 0.3  # a judgement
FROM_FORECAST: Final = 0.4  # a judgement
VERDICT_END_K: Final[Mapping[str, float]] = MappingProxyType(
    {"too soft": 1.5, "sticky": 1.0, "just right": 0.0, "too firm": -1.5, "crumbly": -1.5}
)
"""By how much the end of the boil should have been hotter [K]: one degree is about one per cent of water.
A judgement."""
SHORT_S: Final = 40.0
"""A step left sooner was passed by, not done. A judgement."""
LEAST_RISE_K: Final = 1.5  # a judgement
RING: Final[Mapping[str, str]] = MappingProxyType(
    {"pan": "pan on the ring", "water-bath": "water bath", "microwave": "microwave"}
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Forecast:
    """What was forecast of a form: what stays behind [g], a shell with its cap [g], the form's kind and its name."""

    form: str = ""
    vessel: str = ""
    loss_g: float | None = None
    shell_each_g: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class BatchSeen:
    """A batch as it is looked at for what it teaches.

    `mixture` is the mass as it was made; `happened` is (s from its start, what), in order; `probe` its thermometer,
    `offset_c` by how much that showed too much when the run began.
    """

    recipe: Recipe
    mixture: Mixture
    choices: Mapping[str, str]
    steps: Sequence[Step]
    happened: Sequence[tuple[float, Happening]]
    forecast: Forecast
    kitchen: Kitchen
    kitchen_c: float
    probe: str
    offset_c: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Lesson:
    """One thing seen beside what the book predicts, as `Entry`; `unit` is what both are in, `says` where it is from."""

    what: str
    predicted: float
    observed: float
    by: Literal["instrument", "feel"]
    unit: str
    says: str


def lessons_of(batch: BatchSeen) -> tuple[Lesson, ...]:
    """Return what a batch teaches; what cannot be right (twenty times the book) is no lesson but a slip."""
    found = [
        *_of_setting(batch),
        *_of_bursts(batch),
        *_of_steps(batch),
        *_of_weights(batch),
        *_of_verdict(batch),
        *_of_thermometer(batch),
    ]
    return tuple(lesson for lesson in found if is_possible(lesson))


def is_possible(lesson: Lesson) -> bool:
    """Return whether a lesson can be right: twenty times the book is a slip."""
    if lesson.unit in ("index", "°C"):
        return True
    if lesson.predicted <= 0 or lesson.observed <= 0:
        return False
    return 1 / MOST_FACTOR <= lesson.observed / lesson.predicted <= MOST_FACTOR


def shape_of(ask: SetAsk) -> str:
    """Return the shape of what sets: a slab, a bowl, or small pieces."""
    return "slab" if ask.thickness_mm is not None else "bowl" if ask.bowl_kg is not None else "small"


def _of_setting(batch: BatchSeen) -> Iterator[Lesson]:
    ask: SetAsk | None = None
    reading: SetSeen | None = None
    no_s, yes_s = 0.0, None
    for _, what in batch.happened:
        if isinstance(what, SetStarted):
            ask, reading, no_s, yes_s = what.start, None, 0.0, None
        elif isinstance(what, SetSeen) and ask is not None:
            if what.now_c is not None and what.after_s > 0:
                reading = what
            elif what.passed is False and what.state in ("", ask.state):
                no_s = max(no_s, what.after_s)
            elif what.passed is True and what.state in ("", ask.state) and yes_s is None:
                yes_s = what.after_s
    if ask is None:
        return
    try:
        ambient_c = check_set_ask(ask)
        place = f"{ask.place}/{shape_of(ask)}"
        if reading is not None and ambient_c + 0.5 < (reading.now_c or 0.0) < ask.from_c - 1:
            predicted = cool_s(batch.mixture, ask, reading.now_c or 0.0, ambient_c)
            says = f"it was at ⟦{reading.now_c:.0f} °C⟧ after {reading.after_s / 60:.0f} min"
            yield _minutes(f"cooling:{place}", predicted, reading.after_s, says)
        if yes_s is not None:
            clock = set_clock(batch.mixture, ask, with_curve=False)
            observed = sqrt(no_s * yes_s) if no_s else yes_s
            says = f"it was ready to {ask.state} after {yes_s / 60:.0f} min"
            yield _minutes(f"set:{ask.place}", 60 * sum(clock.set_min) / 2, observed, says, by="feel")
    except BadInput:
        return


def _minutes(
    what: str, predicted_s: float, observed_s: float, says: str, by: Literal["instrument", "feel"] = "instrument"
) -> Lesson:
    return Lesson(what=what, predicted=predicted_s / 60, observed=observed_s / 60, by=by, unit="min", says=says)


def _of_bursts(batch: BatchSeen) -> Iterator[Lesson]:
    given = [what for _, what in batch.happened if isinstance(what, BurstGiven)]
    kind = burst_kind(batch.recipe, batch.mixture)
    cp = heat_capacity_j_per_kgk(batch.mixture)
    mass_g = batch.recipe.mass_g
    for before, after in pairwise(given):
        if before.from_c is None or after.from_c is None or before.rated_w is None or after.first:
            continue
        rise = after.from_c - before.from_c
        if rise < LEAST_RISE_K or before.seconds <= 0:
            continue
        predicted = mass_g / 1000 * cp * rise / (taken_up(kind, mass_g) * before.rated_w)
        yield Lesson(
            what=f"burst:{before.rated_w:.0f} W",
            predicted=predicted,
            observed=before.seconds,
            by="instrument",
            unit="s",
            says=f"{before.seconds:.0f} s warmed ⟦{mass_g:.0f} g⟧ by ⟪{rise:.0f} °C⟫",
        )


def step_spans(batch: BatchSeen) -> list[tuple[Step, float, float]]:
    """Return each step that was gone through, with when it was begun and left [s]."""
    done = next((at for at, what in batch.happened if isinstance(what, Ended)), None)
    last = done if done is not None else batch.happened[-1][0] if batch.happened else 0.0
    spans = spans_of(batch.happened, last)
    return [(batch.steps[step], at, end) for step, at, end in spans if step < len(batch.steps)]


def _of_steps(batch: BatchSeen) -> Iterator[Lesson]:
    ring = RING.get(batch.choices.get("heat", "pan"), "pan on the ring")
    for step, since_s, until_s in step_spans(batch):
        took_s = until_s - since_s
        if took_s < SHORT_S or step.usual_min is None or not step.attended:
            continue
        predicted_s = 60 * sqrt(step.usual_min[0] * step.usual_min[1])
        says = f"{step.title[0].lower()}{step.title[1:]} took {took_s / 60:.0f} min"
        if step.heat == "boil":
            yield _minutes(f"boil-off:{ring}", predicted_s, took_s, says)
        elif step.heat in ("warm", "melt") and step.act != "shell":
            yield _minutes(f"heat-up:{ring}", predicted_s, took_s, says)
        elif step.act in JOB_OF_ACT:
            yield _minutes(f"hands:{JOB_OF_ACT[step.act]}", predicted_s, took_s, says)


def _of_weights(batch: BatchSeen) -> Iterator[Lesson]:
    out = next((what for _, what in reversed(batch.happened) if isinstance(what, Yielded)), None)
    if out is None:
        return
    made_g = out.made_g
    if made_g is None and not is_cooked_down(batch.recipe):
        made_g = batch.recipe.mass_g
    forecast = batch.forecast
    if made_g is not None and out.filled_g is not None and forecast.loss_g and forecast.form:
        lost_g = made_g - out.filled_g
        says = f"⟦{lost_g:.0f} g⟧ of ⟦{made_g:.0f} g⟧ stayed behind"
        yield _grams(f"loss:{forecast.form}", forecast.loss_g, lost_g, says)
    if out.shell_each_g is not None and forecast.shell_each_g and forecast.vessel:
        says = f"a shell weighed ⟦{out.shell_each_g:.1f} g⟧"
        yield _grams(f"shell:{forecast.vessel}", forecast.shell_each_g, out.shell_each_g, says)


def _grams(what: str, predicted: float, observed: float, says: str) -> Lesson:
    return Lesson(what=what, predicted=predicted, observed=observed, by="instrument", unit="g", says=says)


def main_chocolate(recipe: Recipe) -> str | None:
    """Return the chocolate that there is most of, by its key or label; None without any."""
    found = [(grams, line.ingredient) for line, grams in recipe.weighed if line.ingredient.kind in CHOCOLATE_KINDS]
    if not found:
        return None
    chocolate = max(found, key=lambda row: row[0])[1]
    return chocolate.key or chocolate.label


def _of_verdict(batch: BatchSeen) -> Iterator[Lesson]:
    verdict = next((what for _, what in reversed(batch.happened) if isinstance(what, Judgement)), None)
    if verdict is None:
        return
    recipe = batch.recipe
    if is_cooked_down(recipe):
        word = next((word for word in verdict.words if word in VERDICT_END_K), None)
        end = next((step for step in batch.steps if step.heat == "boil" and step.target_c is not None), None)
        if word is None or end is None or end.target_c is None:
            return
        aimed_c = sum(end.target_c) / 2
        yield Lesson(
            what=f"end:{recipe.family}",
            predicted=_book_end_c(batch, aimed_c),
            observed=aimed_c + VERDICT_END_K[word],
            by="feel",
            unit="°C",
            says=f"it turned out {word}",
        )
        return
    word = next((word for word in verdict.words if word in VERDICT_INDEX), None)
    chocolate = main_chocolate(recipe)
    if word is None or chocolate is None or recipe.family in NOT_MODELLED_FAMILIES:
        return
    index = index_at(batch.mixture, 20.0)
    yield Lesson(
        what=f"set:{chocolate}",
        predicted=index,
        observed=_index_by_word(recipe.use, index, word),
        by="feel",
        unit="index",
        says=f"it turned out {word}",
    )


def _index_by_word(use: str | None, index: float, word: str) -> float:
    work = WORK.get(use or "")
    if work is None or work.rested is None:
        return index + VERDICT_INDEX[word]
    low, high = work.rested
    if word == "too soft":
        return min(index - FROM_FORECAST, low - OUTSIDE)
    if word == "too firm":
        return max(index + FROM_FORECAST, high + OUTSIDE)
    return min(max(index, low), high)


def _book_end_c(batch: BatchSeen, aimed_c: float) -> float:
    """Return where the book would have ended it [°C], whatever the recipe or this kitchen had found out before."""
    try:
        return cook_plan(without_own_end(batch.recipe), batch.kitchen).cooked.to_c
    except BadInput:
        return aimed_c


def _of_thermometer(batch: BatchSeen) -> Iterator[Lesson]:
    if batch.offset_c is not None:
        yield Lesson(
            what=f"thermometer:{batch.probe}",
            predicted=0.0,
            observed=batch.offset_c,
            by="instrument",
            unit="°C",
            says=f"in boiling water it showed ⟪{batch.offset_c:+.1f} °C⟫",
        )
