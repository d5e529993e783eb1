"""Masses: the jobs that make a mass, by its family. Each recipe is made once, whatever it goes into.

Minutes, and what must follow soon, are common practice and judgements of ours.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from math import ceil
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.plan.hands import hands_min, stepped
from hearth_bowl.core.plan.job import After, Job
from hearth_bowl.core.plan.waits import Waits
from hearth_bowl.core.recipe.recipe import Recipe

POT: Final[Mapping[str, int]] = MappingProxyType({"rings": 1, "pots": 1, "bowls": 1})  # by definition
BOWL: Final[Mapping[str, int]] = MappingProxyType({"bowls": 1})  # by definition
IN_FRIDGE: Final[Mapping[str, int]] = MappingProxyType({"fridge_shelves": 1, "bowls": 1})  # by definition
COOL_PLACE: Final[Mapping[str, int]] = MappingProxyType({"cool_places": 1})  # by definition
IN_POT: Final[Mapping[str, int]] = MappingProxyType({"pots": 1})  # by definition
OVERNIGHT_MIN: Final = (6 * 60, 12 * 60)  # a judgement
KEPT_WARM_MIN: Final = 10
"""What is beaten, whipped or poured hot is used within so many minutes. A judgement."""
WAITS_MIN: Final = 3 * 24 * 60
"""A mass that has cooled waits for so long at most, covered and cold; it is warmed again a little. A judgement."""
DIRECTLY_MIN: Final = 5
"""What is put to rest goes there within so many minutes. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Stage:
    """One job of making a mass: minutes to begin with and for each kilogram, or a rest's band (middle, slow)."""

    kind: str
    says: str
    because: str
    begin_min: float = 0.0
    per_kg_min: float = 0.0
    rests_min: tuple[int, int] | None = None
    uses: Mapping[str, int] = field(default_factory=lambda: BOWL)
    most_min: int | None = None


GANACHE: Final = Stage(
    kind="join",
    says="Warm and join",
    because="the chocolate must meet warm cream",
    begin_min=15,
    per_kg_min=8,
    uses=POT,
)
"""A judgement."""
_BOILED: Final = Stage(kind="heat", says="Boil", because="the pan is not left", begin_min=30, per_kg_min=12, uses=POT)
"""A judgement."""
MAKING: Final[Mapping[str, tuple[Stage, ...]]] = MappingProxyType(
    {
        "cream-ganache": (GANACHE,),
        "whipped-ganache": (
            GANACHE,
            Stage(kind="rest", says="Rests cold:", because="cold fat whips", rests_min=OVERNIGHT_MIN, uses=IN_FRIDGE),
            Stage(
                kind="whip", says="Whip", because="whipped ganache is piped within minutes", begin_min=5, per_kg_min=5
            ),
        ),
        "butter-ganache": (GANACHE,),
        "condensed-milk-fudge": (
            Stage(
                kind="melt",
                says="Melt together",
                because="it thickens as it cools",
                begin_min=15,
                per_kg_min=8,
                uses=POT,
            ),
        ),
        "simmered-fudge": (
            Stage(kind="heat", says="Simmer", because="the pan is not left", begin_min=25, per_kg_min=10, uses=POT),
        ),
        "boiled-fudge": (
            Stage(kind="heat", says="Boil", because="the pan is not left", begin_min=35, per_kg_min=10, uses=POT),
            Stage(
                kind="cool", says="Cools untouched:", because="stirred hot it grains", rests_min=(40, 70), uses=IN_POT
            ),
            Stage(
                kind="beat",
                says="Beat",
                because="beaten while lukewarm",
                begin_min=12,
                per_kg_min=6,
                uses=IN_POT,
                most_min=30,
            ),
        ),
        "fondant": (
            Stage(
                kind="heat",
                says="Warm and work",
                because="the enzyme goes in lukewarm",
                begin_min=20,
                per_kg_min=8,
                uses=POT,
            ),
        ),
        "nut-paste": (
            Stage(
                kind="join",
                says="Melt and join",
                because="it must cool into its temper",
                begin_min=25,
                per_kg_min=10,
                uses=POT,
            ),
        ),
        "marzipan": (Stage(kind="join", says="Knead", because="warm hands oil it", begin_min=20, per_kg_min=10),),
        "soft-cheese": (
            Stage(
                kind="join",
                says="Mix",
                because="it is out of the cold for two hours in all",
                begin_min=10,
                per_kg_min=5,
            ),
        ),
        "sugar-butter": (
            Stage(
                kind="beat",
                says="Beat",
                because="the chocolate goes in still liquid",
                begin_min=20,
                per_kg_min=8,
                uses=POT,
            ),
        ),
        "filling": (Stage(kind="join", says="Bind", because="bound warm", begin_min=15, per_kg_min=8, uses=POT),),
        "modelling": (
            Stage(
                kind="join", says="Fold together", because="both at one warmth", begin_min=12, per_kg_min=4, uses=POT
            ),
            Stage(kind="rest", says="Rests:", because="it firms overnight", rests_min=OVERNIGHT_MIN, uses=COOL_PLACE),
            Stage(kind="beat", says="Knead", because="kneaded until it is supple", begin_min=8, per_kg_min=6),
        ),
        "caramel": (_BOILED,),
        "fruit-jelly": (_BOILED,),
        "hard-sugar": (_BOILED,),
        "aerated": (
            _BOILED,
            Stage(
                kind="beat", says="Whip", because="whipped while it is warm", begin_min=12, per_kg_min=6, most_min=10
            ),
        ),
        "curd": (
            Stage(kind="heat", says="Thicken", because="the egg is not left", begin_min=20, per_kg_min=10, uses=POT),
            Stage(kind="cool", says="Cools in ice water:", because="cold within two hours", rests_min=(30, 60)),
        ),
        "dry-mix": (Stage(kind="join", says="Mix", because="it keeps dry", begin_min=8, per_kg_min=2),),
    }
)
"""A judgement."""
SOON: Final[Mapping[str, int]] = MappingProxyType(
    {"whipped-ganache": KEPT_WARM_MIN, "boiled-fudge": KEPT_WARM_MIN, "simmered-fudge": 20, "condensed-milk-fudge": 20,
     "soft-cheese": 20, "caramel": 15, "fruit-jelly": KEPT_WARM_MIN, "hard-sugar": KEPT_WARM_MIN,
     "aerated": KEPT_WARM_MIN}
)  # fmt: skip
"""How soon what is made is used [min]; else it waits covered for a day at most. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Made:
    """A mass that is made: its recipe, the grams, its jobs, and what its use comes after."""

    recipe: Recipe
    mass_g: float
    jobs: tuple[Job, ...]
    then: After


def mass_jobs(
    recipe: Recipe, mass_g: float, prefix: str, confections: tuple[int, ...], waits: Waits, *,
    pot_g: float | None, effort: float, holds: frozenset[str],
) -> Made:  # fmt: skip
    """Return the jobs that make so much of a recipe, one after the other.

    :param prefix: what the ids begin with.
    :param pot_g: what the pot holds: more is made in several goes.
    """
    goes = 1 if pot_g is None else max(1, ceil(mass_g / pot_g))
    jobs: list[Job] = []
    for stage in MAKING[recipe.family]:
        last = jobs[-1] if jobs else None
        if stage.rests_min is not None:
            minutes, hands_on = waits.usual(stage.rests_min), False
        else:
            minutes, hands_on = _hands_min(recipe, mass_g, stage, goes, effort, is_first=last is None), True
        jobs.append(
            Job(
                id=f"{prefix}.{stage.kind}",
                kind=stage.kind,
                title=f"{stage.says} {recipe.name}",
                minutes=minutes,
                hands_on=hands_on,
                because=stage.because,
                confections=confections,
                after=() if last is None else (_after(last, stage, hands_on),),
                uses=stage.uses,
                holds=holds,
                recipe=recipe.name,
            )
        )
    then = After(id=jobs[-1].id, most_min=SOON.get(recipe.family, WAITS_MIN))
    return Made(recipe=recipe, mass_g=mass_g, jobs=tuple(jobs), then=then)


def _hands_min(recipe: Recipe, mass_g: float, stage: Stage, goes: int, effort: float, *, is_first: bool) -> int:
    weighing = hands_min("weigh", len(recipe.lines), effort) if is_first else 0
    return stepped(weighing + effort * (goes * stage.begin_min + stage.per_kg_min * mass_g / 1000))


def _after(last: Job, stage: Stage, hands_on: bool) -> After:
    return After(id=last.id, most_min=stage.most_min if hands_on else DIRECTLY_MIN)
