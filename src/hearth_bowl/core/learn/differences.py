"""Two batches laid over each other: how the second differs from the first, in words, and what that explains."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Final, Literal

from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import index_at
from hearth_bowl.core.method.choices import CHOICES
from hearth_bowl.core.recipe.recipe import Recipe

Source = Literal["recipe", "choices", "weights", "readings", "room", "time", "verdict", "mended"]
SOFTER: Final = ("too soft", "sticky")
FIRMER: Final = ("too firm", "crumbly")
LEAST_MIN: Final = 1.0  # a judgement
LEAST_SHARE: Final = 0.1  # a judgement
LEAST_G: Final = 1.0  # a judgement
LEAST_K: Final = 1.0  # a judgement
LEAST_INDEX: Final = 0.15  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class BatchFacts:
    """What is known of a batch when it is compared. Masses g, times min, temperatures true °C; None not known.

    `took_min` are its steps' minutes by their keys, `names` their titles; `hottest_c` by step.
    """

    recipe: Recipe
    mixture: Mixture
    weighed_g: Mapping[int, float]
    choices: Mapping[str, str]
    took_min: Mapping[str, float]
    names: Mapping[str, str]
    hottest_c: Mapping[str, float]
    water_lost_g: float | None
    room_c: float
    set_place: str
    words: tuple[str, ...]
    mended_g: float = 0.0
    cooked: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Difference:
    """One difference in words, where it comes from, and which way it makes the second: softer, firmer or neither."""

    says: str
    source: Source
    makes: Literal["softer", "firmer", ""] = ""


def differences(first: BatchFacts, second: BatchFacts) -> tuple[Difference, ...]:
    """Return how the second batch differs from the first, what explains its verdict first."""
    found = [
        *_of_recipe(first, second),
        *_of_weights(first, second),
        *_of_water(first, second),
        *_of_steps(first, second),
        *_of_room(first, second),
    ]
    way = _way(first.words, second.words)
    explaining = [one for one in found if way and one.makes == way]
    others = [one for one in found if one not in explaining]
    verdict = list(_of_verdict(first, second, explaining, way))
    return (*verdict, *explaining, *others)


def _way(first: Sequence[str], second: Sequence[str]) -> Literal["softer", "firmer", ""]:
    """Return which way the second turned out against the first, by their words."""
    level = [sum(word in FIRMER for word in words) - sum(word in SOFTER for word in words) for words in (first, second)]
    return "" if level[0] == level[1] else "firmer" if level[1] > level[0] else "softer"


def _of_verdict(
    first: BatchFacts, second: BatchFacts, explaining: Sequence[Difference], way: str
) -> Iterator[Difference]:
    if not first.words and not second.words:
        return
    if first.words == second.words:
        yield Difference(says=f"Both turned out {', '.join(first.words)}.", source="verdict")
        return
    said = [_main(words, others) for words, others in ((first.words, second.words), (second.words, first.words))]
    if way and explaining:
        why = explaining[0].says.rstrip(".")
        yield Difference(
            says=f"{why[0].upper()}{why[1:]}; that is why it turned out {said[1]} and the first {said[0]}.",
            source="verdict",
        )
    elif way:
        yield Difference(
            says=f"The second turned out {said[1]} and the first {said[0]}; nothing that was recorded tells why.",
            source="verdict",
        )
    else:
        yield Difference(says=f"The second turned out {said[1]}, the first {said[0]}.", source="verdict")


def _main(words: Sequence[str], others: Sequence[str]) -> str:
    """Return the words that tell one batch from another: those of trouble or of none at all first."""
    own = [word for word in words if word not in others] or list(words)
    if not own:
        return "without a verdict"
    firm = [word for word in own if word in (*SOFTER, *FIRMER, "just right")]
    return (firm or own)[0]


def _of_recipe(first: BatchFacts, second: BatchFacts) -> Iterator[Difference]:
    scale = second.recipe.mass_g / first.recipe.mass_g
    sums: dict[str, list[float]] = {}
    for side, batch in enumerate((first, second)):
        for line, grams in batch.recipe.weighed:
            sums.setdefault(line.ingredient.name, [0.0, 0.0])[side] += grams
    times = scale if abs(scale - 1) > LEAST_SHARE else 1.0
    for name, (before, after) in sums.items():
        apart = after - before * times
        if abs(apart) < max(LEAST_G, 0.02 * max(before * times, after)):
            continue
        if not before:
            says = f"{name} went in new: ⟦{after:.0f} g⟧"
        elif not after:
            says = f"{name} was left out"
        else:
            says = f"⟦{abs(apart):.0f} g⟧ {'more' if apart > 0 else 'less'} {name[0].lower()}{name[1:]} in the recipe"
        yield Difference(says=says, source="recipe", makes=_by_index(first, second))
    if abs(scale - 1) > LEAST_SHARE:
        yield Difference(says=f"the second was {scale:.2g} times the first", source="recipe")
    if first.recipe.end_shift_k != second.recipe.end_shift_k:
        apart = second.recipe.end_shift_k - first.recipe.end_shift_k
        yield Difference(
            says=f"its boil was to end ⟪{abs(apart):.1f} °C⟫ {'hotter' if apart > 0 else 'cooler'}",
            source="recipe",
            makes="firmer" if apart > 0 else "softer",
        )


def _by_index(first: BatchFacts, second: BatchFacts) -> Literal["softer", "firmer", ""]:
    if first.cooked or second.cooked:
        return ""
    apart = index_at(second.mixture, 20.0) - index_at(first.mixture, 20.0)
    return "" if abs(apart) < LEAST_INDEX else "firmer" if apart > 0 else "softer"


def _of_weights(first: BatchFacts, second: BatchFacts) -> Iterator[Difference]:
    for batch, name in ((first, "first"), (second, "second")):
        for position, grams in batch.weighed_g.items():
            meant = batch.recipe.amounts_g[position]
            if abs(grams - meant) >= max(LEAST_G, 0.02 * meant):
                label = batch.recipe.lines[position].ingredient.name
                way = "too much" if grams > meant else "too little"
                yield Difference(
                    says=f"{label}: ⟦{abs(grams - meant):.0f} g⟧ {way} went into the {name}",
                    source="weights",
                    makes=_by_index(first, second),
                )
    if abs(second.mended_g - first.mended_g) >= LEAST_G:
        which = "second" if second.mended_g > first.mended_g else "first"
        grams = max(second.mended_g, first.mended_g)
        yield Difference(says=f"the {which} was mended with ⟦{grams:.0f} g⟧", source="mended")


def _of_water(first: BatchFacts, second: BatchFacts) -> Iterator[Difference]:
    if first.water_lost_g is None or second.water_lost_g is None:
        return
    scale = second.recipe.mass_g / first.recipe.mass_g
    apart = second.water_lost_g - first.water_lost_g * scale
    if abs(apart) < max(2.0, 0.005 * second.recipe.mass_g):
        return
    boiled = {"boil", "simmer", "warm"}
    shorter = next(
        (
            second.took_min[key] - first.took_min[key]
            for key in second.took_min
            if key in boiled and key in first.took_min and abs(second.took_min[key] - first.took_min[key]) >= LEAST_MIN
        ),
        None,
    )
    way = "more" if apart > 0 else "less"
    if shorter is not None and (shorter > 0) == (apart > 0):
        time = f"boiled {abs(shorter):.0f} min {'longer' if shorter > 0 else 'less'} and "
    else:
        time = ""
    yield Difference(
        says=f"the second {time}lost ⟦{abs(apart):.0f} g⟧ {way} water",
        source="readings",
        makes="firmer" if apart > 0 else "softer",
    )


def _of_steps(first: BatchFacts, second: BatchFacts) -> Iterator[Difference]:
    for key, after in second.took_min.items():
        before = first.took_min.get(key)
        if before is None or abs(after - before) < max(LEAST_MIN, LEAST_SHARE * before):
            continue
        way = "longer" if after > before else "shorter"
        title = second.names.get(key, key)
        yield Difference(says=f"{title[0].lower()}{title[1:]} was {abs(after - before):.0f} min {way}", source="time")
    for key, after_c in second.hottest_c.items():
        before_c = first.hottest_c.get(key)
        if before_c is None or abs(after_c - before_c) < LEAST_K:
            continue
        title = second.names.get(key, key)
        makes: Literal["softer", "firmer", ""] = ""
        if key == "boil":
            makes = "firmer" if after_c > before_c else "softer"
        yield Difference(
            says=f"{title[0].lower()}{title[1:]} went to ⟦{after_c:.0f} °C⟧ instead of ⟦{before_c:.0f} °C⟧",
            source="readings",
            makes=makes,
        )
    for name, chosen in second.choices.items():
        if first.choices.get(name, chosen) != chosen:
            then, before_then = (CHOICES[name][school].name for school in (chosen, first.choices[name]))
            yield Difference(says=f"{then[0].lower()}{then[1:]}, not: {before_then.lower()}", source="choices")


def _of_room(first: BatchFacts, second: BatchFacts) -> Iterator[Difference]:
    apart = second.room_c - first.room_c
    if abs(apart) >= LEAST_K:
        yield Difference(
            says=f"the room was ⟪{abs(apart):.0f} °C⟫ {'warmer' if apart > 0 else 'cooler'}",
            source="room",
            makes="softer" if apart > 0 else "firmer",
        )
    if first.set_place and second.set_place and first.set_place != second.set_place:
        yield Difference(says=f"it set in the {second.set_place}, not the {first.set_place}", source="room")
