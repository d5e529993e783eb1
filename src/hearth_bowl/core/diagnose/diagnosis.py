"""The diagnosis: from what is seen and known to the ranked causes, the next question, and what to do."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Final

from hearth_bowl.core.diagnose.answer import Answer, Remedy
from hearth_bowl.core.diagnose.answers import answer_of
from hearth_bowl.core.diagnose.bowl import AT_SEA, Bowl
from hearth_bowl.core.diagnose.causes import CAUSES, prior
from hearth_bowl.core.diagnose.evidence import Evidence, evidence_of, shares, weights
from hearth_bowl.core.diagnose.facts import Facts, checked_facts
from hearth_bowl.core.diagnose.questions import Means, Question, answered, next_question
from hearth_bowl.core.diagnose.signs import SIGNS, STAGES
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.keep.cautions import Caution
from hearth_bowl.core.keep.keeping import OUT_OF_COLD_MIN
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.little_water import FAMILIES as MEETS_WATER
from hearth_bowl.core.mass.little_water import is_nut_paste
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Recipe

MOST_SIGNS: Final = 6  # a judgement
LEAST_MASS_G: Final = 0.01
"""Less is not weighed in any kitchen. A judgement."""
MOST_MASS_G: Final = 1e6  # a judgement
LONG_PAST: Final = 2
"""What keeps by its water activity alone is thrown away after so many times what it keeps: a judgement."""
ALONE: Final = 1.05
"""A bowl of no more than so much of the recipe's chocolate holds the chocolate alone. A judgement."""
HAZARDS: Final = {"mouldy": "spoiled", "smells-off": "spoiled", "foreign-body": "not-food", "scorched": "scorched"}
"""Signs after which nothing is mended: common practice."""


NOTHING_KNOWN: Final = Facts()


@dataclass(frozen=True, slots=True, kw_only=True)
class Seen:
    """What is seen of a recipe at a stage, and what is known. `mass_g` is what lies in the bowl, `now_c` how warm."""

    recipe: Recipe
    stage: str
    signs: tuple[str, ...]
    mass_g: float | None = None
    now_c: float | None = None
    facts: Facts = NOTHING_KNOWN
    answers: Mapping[str, str] = field(default_factory=dict)
    kitchen: Kitchen = AT_SEA


@dataclass(frozen=True, slots=True, kw_only=True)
class Cause:
    """A cause with its share and why; `words` say it."""

    cause: str
    words: str
    share: float
    because: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Diagnosis:
    """What became of it, why, what to ask next and what to do. `mass_g` is what the doses are for."""

    answer: Answer
    causes: tuple[Cause, ...]
    ask: Question | None
    cautions: tuple[Caution, ...]
    mass_g: float


def diagnose(seen: Seen) -> Diagnosis:
    """Return what is wrong with what is seen, by likelihood, and what to do about it.

    :raises BadInput: naming the field: an unknown stage, sign, question or answer, a fact out of range.
    """
    _check(seen)
    try:
        facts = checked_facts(seen.facts)
    except BadInput as problem:
        raise problem.under("facts") from None
    bowl = _bowl(seen, facts)
    bowl, told = answered(bowl, seen.stage, seen.now_c, seen.answers)
    base = prior(seen.signs, seen.stage, seen.recipe.family)
    hazard = _hazard(seen, bowl)
    if hazard is not None:
        base = {**base, hazard: max(base.get(hazard, 0.0), 20 * sum(base.values()))}

    def weigh(of: Bowl, means: Means) -> dict[str, float]:
        evidence = [*evidence_of(of, seen.stage, seen.now_c), *told, *means.evidence]
        return weights(base, evidence)

    evidence = [*evidence_of(bowl, seen.stage, seen.now_c), *told]
    found = shares(weights(base, evidence))
    if hazard is not None:
        found = {hazard: found[hazard], **{cause: share for cause, share in found.items() if cause != hazard}}
    ask = None if hazard is not None else next_question(bowl, seen.stage, seen.now_c, seen.answers, weigh, seen.signs)
    answer = answer_of(bowl, seen.stage, [hazard] if hazard else list(found))
    return Diagnosis(
        answer=answer,
        causes=tuple(
            Cause(cause=cause, words=CAUSES[cause], share=share, because=_because(cause, evidence, seen))
            for cause, share in found.items()
        ),
        ask=ask,
        cautions=_cautions(seen, bowl, answer),
        mass_g=bowl.mass_g,
    )


def _check(seen: Seen) -> None:
    if seen.stage not in STAGES:
        raise BadInput(("stage",), f"unknown stage {seen.stage[:40]!r}", ", ".join(STAGES), "unknown")
    if not 1 <= len(seen.signs) <= MOST_SIGNS:
        raise BadInput(
            ("seen",), f"{len(seen.signs)} signs", f"1 to {MOST_SIGNS} of " + ", ".join(SIGNS), "out-of-range"
        )
    for position, sign in enumerate(seen.signs):
        if sign not in SIGNS:
            raise BadInput(("seen", position), f"unknown sign {sign[:40]!r}", ", ".join(SIGNS), "unknown")
    if seen.mass_g is not None:
        check_number(("mass_g",), seen.mass_g, LEAST_MASS_G, MOST_MASS_G, "g")
    if seen.now_c is not None:
        check_number(("now_c",), seen.now_c, -60, 400, "°C")


def _bowl(seen: Seen, facts: Facts) -> Bowl:
    """Return what is in the bowl: the chocolate alone where it is melted by itself, else all of it."""
    recipe = seen.recipe
    base = [
        grams if line.ingredient.kind in CHOCOLATE_KINDS or is_nut_paste(line.ingredient) else 0.0
        for line, grams in zip(recipe.lines, recipe.amounts_g, strict=True)
    ]
    by_itself = seen.stage in ("melt", "dip") and recipe.family in MEETS_WATER and sum(base) > 0
    if by_itself and (seen.mass_g is None or seen.mass_g <= ALONE * sum(base)):
        alone = recipe.with_amounts_g(base)
        mass_g = seen.mass_g or alone.mass_g
        weighed = seen.mass_g is not None
        return Bowl(made=recipe, recipe=alone, mass_g=mass_g, facts=facts, kitchen=seen.kitchen, weighed=weighed)
    whole = Bowl(made=recipe, recipe=recipe, mass_g=mix(recipe).mass_g, facts=facts, kitchen=seen.kitchen)
    if seen.mass_g is None:
        return replace(whole, mass_g=whole.finished_g)
    return replace(whole, mass_g=seen.mass_g, weighed=True)


def _hazard(seen: Seen, bowl: Bowl) -> str | None:
    """Return the cause for which it is thrown away, None where it may be mended."""
    for sign in seen.signs:
        if sign in HAZARDS:
            return HAZARDS[sign]
    out = seen.facts.out_of_fridge_min
    perishable = seen.recipe.family == "soft-cheese" or any(
        _is_perishable(line.ingredient) for line, _ in seen.recipe.weighed
    )
    if out is not None and out > OUT_OF_COLD_MIN and perishable:
        return "out-of-the-cold"
    keeps, days = bowl.assessed.keeping, seen.facts.days
    longest = keeps.days_high * (1 if perishable else LONG_PAST)
    if days is not None and keeps.where == "fridge" and days > longest:
        return "out-of-the-cold"
    return None


def _is_perishable(ingredient: Ingredient) -> bool:
    """Return whether an ingredient is soft cheese or egg that was not pasteurised."""
    return ingredient.fresh_cheese or ingredient.raw_egg is not None


def _because(cause: str, evidence: list[Evidence], seen: Seen) -> tuple[str, ...]:
    speaks = [one.says for one in evidence if one.says and cause in one.supports]
    counter = [f"but {one.says}" for one in evidence if one.says and cause in one.against]
    usual = f"usual for {SIGNS[seen.signs[0]].word} at {STAGES[seen.stage].lower()} (judgement)"
    return tuple(dict.fromkeys((*speaks, *counter))) or (usual,)


def _cautions(seen: Seen, bowl: Bowl, answer: Answer) -> tuple[Caution, ...]:
    found = []
    is_hot = seen.stage in ("boil", "dissolve") or (
        answer.remedy is not None and (answer.remedy.work_c or (0, 0))[1] > 60
    )
    if is_hot:
        found.append(
            Caution(
                code="boiling-sugar",
                message="Boiling sugar burns and sticks: long sleeves, a pan no more than a third full, no children"
                " near.",
            )
        )
    if answer.verdict == "start-again" and seen.signs[0] != "scorched":
        found.append(
            Caution(
                code="throw-away", message="Do not eat any of it. Nothing said here certifies that something is safe."
            )
        )
    if "foreign-body" in seen.signs:
        found.append(Caution(code="splinter", message="Glass and hard plastic cut: gloves, and a bin that closes."))
    keeps, days = bowl.assessed.keeping, seen.facts.days
    if days is not None and days > keeps.days_high and answer.verdict != "start-again":
        found.append(
            Caution(
                code="past-its-days",
                message=f"It is {days:.0f} days old, past the {keeps.days_high} that it keeps by this guide: do not"
                f" serve it.",
            )
        )
    if answer.remedy is not None and seen.stage == "keep":
        found.append(
            Caution(
                code="keeping", message="What has been opened and mended keeps no longer than before: eat it first."
            )
        )
    return tuple(found)


__all__ = ["Diagnosis", "Remedy", "Seen", "diagnose"]
