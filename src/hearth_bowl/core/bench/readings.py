"""Readings: what needs attention first, each with its band, its reason, an offer, and how it was worked out."""

from collections.abc import Sequence
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.assess.assess import NO_SET, Assessment
from hearth_bowl.core.assess.at_work import WORK
from hearth_bowl.core.assess.cost import Cost
from hearth_bowl.core.bench.family_readings import family_readings
from hearth_bowl.core.bench.offers import set_offer, split_offer
from hearth_bowl.core.bench.reading import ATTEND, LOOK, QUIET, STATES, Gauge, Reading
from hearth_bowl.core.bench.verdict import CLASS_DOES, Verdict
from hearth_bowl.core.bench.why import (
    why_alcohol,
    why_crystals,
    why_energy,
    why_keeps,
    why_set,
    why_split,
    why_sweetness,
)
from hearth_bowl.core.ingredients.ingredient import CEREALS
from hearth_bowl.core.keep.allergens import not_known
from hearth_bowl.core.keep.texture import texture_words
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.set_index import HIGHEST_INDEX
from hearth_bowl.core.mass.split import SPLIT_BOUNDS
from hearth_bowl.core.recipe.recipe import Recipe

GRAINY_FROM_PCT: Final = 1.0  # a judgement
PIECE_G: Final = 12.0
"""A usual centre: what figures for one piece are of until it is fitted. A judgement."""
SPLIT_WORDS: Final = MappingProxyType(
    {
        "very-safe": (QUIET, "Very safe: plenty of water for its fat."),
        "safe": (QUIET, "Safe."),
        "care": (LOOK, "Touchy, as most truffle mixes are: stir from the centre at ⟦35 to 45 °C⟧."),
        "fragile": (ATTEND, "Fragile. It will look curdled before it comes together: ⟦35 to 45 °C⟧, and blend it."),
        "splits": (ATTEND, "Expect it to split: too much fat for its water."),
        "fat-continuous": (QUIET, "No emulsion to split: fat holds it together. Keep water and steam away from it."),
    }
)
WHERE: Final = MappingProxyType(
    {"fridge": "in the fridge", "cool": "cool, ⟦12 to 16 °C⟧", "room": "at room temperature"}
)


def readings(
    recipe: Recipe, assessment: Assessment, sentence: Verdict, kitchen: Kitchen, price: Cost | None
) -> tuple[Reading, ...]:
    """Return the readings of a recipe, worst first; equal ones in the order cooks ask."""
    found: list[Reading] = [
        _set(recipe, assessment, sentence),
        *_split(recipe, assessment),
        _keeps(recipe, assessment),
        *family_readings(recipe, kitchen, assessment.set.at_c),
        *_crystals(assessment),
        *_alcohol(assessment),
        _sweetness(assessment),
        _energy(assessment),
        *_cost(price),
        _contains(assessment, recipe),
        *_cautions(assessment),
    ]
    return tuple(sorted(found, key=_rank))


def _rank(reading: Reading) -> tuple[int, bool]:
    """Order by state; what spoils a batch (a split) stands before what only misses its use."""
    return STATES.index(reading.state), reading.state == ATTEND and reading.code != "split"


def _set(recipe: Recipe, assessment: Assessment, sentence: Verdict) -> Reading:
    reading = assessment.set
    title = f"Firmness at ⟦{reading.at_c:g} °C⟧"
    if reading.index is None or reading.low is None or reading.high is None:
        reason = next(warning for warning in assessment.warnings if warning.code in NO_SET)
        state = ATTEND if reason.code == "seized" else LOOK
        shown = "–" if reason.code == "set-not-modelled" else reason.code
        return Reading(
            code="set", title=title, shown=shown, unit="", words=reason.message, state=state, why=why_set(assessment)
        )
    work = WORK.get(recipe.use or "")
    good = (work.rested if work else None) or (None, None)
    state = ATTEND if sentence.fits is False else QUIET
    return Reading(
        code="set",
        title=title,
        shown=f"{reading.index:.1f}",
        unit="of 5",
        words=CLASS_DOES[reading.class_ or "hard"] + ", after a night's rest.",
        state=state,
        gauge=Gauge(
            value=reading.index,
            low=reading.low,
            high=reading.high,
            scale_low=0,
            scale_high=HIGHEST_INDEX,
            good_low=good[0],
            good_high=good[1],
        ),
        offer=set_offer(recipe, assessment) if state == ATTEND else None,
        why=why_set(assessment),
    )


def _split(recipe: Recipe, assessment: Assessment) -> list[Reading]:
    ratio, band = assessment.split.fat_to_water, assessment.split.band
    if band is None:
        return []
    state, words = SPLIT_WORDS[band]
    if ratio is None or band == "fat-continuous":
        return [Reading(code="split", title="Split risk", shown="none", unit="", words=words, state=state)]
    found = Reading(
        code="split",
        title="Split risk",
        shown=f"{ratio:.1f}",
        unit="fat to water",
        words=words,
        state=state,
        gauge=Gauge(
            value=ratio,
            low=ratio * 0.9,
            high=ratio * 1.1,
            scale_low=0,
            scale_high=SPLIT_BOUNDS[-1][0],
            good_low=0,
            good_high=SPLIT_BOUNDS[1][0],
        ),
        offer=split_offer(recipe, assessment) if state != QUIET else None,
        why=why_split(assessment),
    )
    return [found]


def _keeps(recipe: Recipe, assessment: Assessment) -> Reading:
    kept, water = assessment.keeping, assessment.water_activity
    gauge = None
    words = "" if kept.because.startswith("water activity") else f"{kept.because[0].upper()}{kept.because[1:]}. "
    if water.estimate is not None and water.low is not None and water.high is not None:
        words += f"Water activity about {water.estimate:.2f} ({water.low:.2f} to {water.high:.2f}), estimated. "
        gauge = Gauge(value=water.estimate, low=water.low, high=water.high, scale_low=0.3, scale_high=1.0)
    texture = texture_words(recipe, water.estimate)
    return Reading(
        code="keeps",
        title="Keeps",
        shown=f"{kept.days_low} to {kept.days_high} days",
        unit=WHERE[kept.where],
        words=f"{words}{texture} A guide for home use.".replace("  ", " "),
        state=QUIET,
        gauge=gauge,
        why=why_keeps(assessment),
    )


def _crystals(assessment: Assessment) -> Sequence[Reading]:
    share = 100 * assessment.undissolved_sugar_g / assessment.mass_g
    if share < GRAINY_FROM_PCT or assessment.split.band == "fat-continuous":
        return ()
    return (
        Reading(
            code="crystals",
            title="Sugar crystals",
            shown=f"⟦{assessment.undissolved_sugar_g:.0f} g⟧",
            unit="undissolved",
            words="More sugar than its water can hold at ⟦20 °C⟧: fine crystals as a fudge has them, or grain.",
            state=QUIET,
            why=why_crystals(assessment),
        ),
    )


def _alcohol(assessment: Assessment) -> Sequence[Reading]:
    told = {warning.code: warning for warning in assessment.warnings}
    trace, contains = told.get("alcohol-trace"), told.get("contains-alcohol")
    said = contains or trace
    if said is None:
        return ()
    each_g = f"⟦{assessment.alcohol_pct * PIECE_G / 100:.2f} g⟧ in a piece of ⟦{PIECE_G:g} g⟧, as weighed."
    return (
        Reading(
            code="alcohol",
            title="Contains alcohol" if contains else "A trace of alcohol",
            shown=f"{assessment.alcohol_pct:.1f}" if contains else f"{assessment.alcohol_pct:.2f}",
            unit="% by mass",
            words=f"{each_g} {said.message}" if contains else said.message,
            state=LOOK if contains else QUIET,
            why=why_alcohol(assessment),
        ),
    )


def _sweetness(assessment: Assessment) -> Reading:
    return Reading(
        code="sweetness",
        title="Sweetness",
        shown=f"{assessment.sweetness_pct:.0f}",
        unit="g of sugar in 100 g",
        words="As sweet as this much plain sugar; cocoa, salt and cold mute it.",
        state=QUIET,
        gauge=Gauge(
            value=assessment.sweetness_pct,
            low=assessment.sweetness_pct * 0.9,
            high=assessment.sweetness_pct * 1.1,
            scale_low=0,
            scale_high=max(80.0, assessment.sweetness_pct),
        ),
        why=why_sweetness(assessment),
    )


def _energy(assessment: Assessment) -> Reading:
    return Reading(
        code="energy",
        title="Energy",
        shown=f"{assessment.energy_kcal_per_100g:.0f}",
        unit="kcal in 100 g, ±5 %",
        words="Worked out the way food labels do it.",
        state=QUIET,
        why=why_energy(assessment),
    )


def _cost(price: Cost | None) -> Sequence[Reading]:
    if price is None:
        return ()
    missing = f"At least: no price for {', '.join(price.unpriced)}." if price.unpriced else ""
    return (
        Reading(
            code="cost",
            title="Costs",
            shown=f"{price.batch:.2f}",
            unit=f"a batch, {price.per_100g:.2f} for 100 g",
            words=f"{price.per_100g * PIECE_G / 100:.2f} a piece of ⟦{PIECE_G:g} g⟧. {missing}".strip(),
            state=QUIET,
        ),
    )


def _contains(assessment: Assessment, recipe: Recipe) -> Reading:
    named = assessment.allergens_named
    words = {
        "gluten": [name for name in named if name in CEREALS],
        "nuts": [name for name in named if name not in CEREALS],
    }
    shown = ", ".join(
        f"{group} ({', '.join(words[group])})" if words.get(group) else group for group in assessment.allergens
    )
    unknown = not_known(recipe)
    packets = "Read the packets too: makers' own recipes and 'may contain' differ."
    if unknown:
        lines = f"{len(unknown)} {'line is' if len(unknown) == 1 else 'lines are'}"
        packets = f"Not complete: {lines} not known yet, {', '.join(unknown[:3])}. {packets}"
    return Reading(
        code="contains",
        title="Contains",
        shown=shown or ("not known yet" if unknown else "none of the listed allergens"),
        unit="",
        words=packets,
        state=LOOK if unknown else QUIET,
    )


def _cautions(assessment: Assessment) -> Sequence[Reading]:
    shown_elsewhere = (*NO_SET, "contains-alcohol", "alcohol-trace")
    return [
        Reading(code=warning.code, title="Caution", shown="", unit="", words=warning.message, state=LOOK)
        for warning in assessment.warnings
        if warning.code not in shown_elsewhere
    ]
