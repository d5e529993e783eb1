"""Microwave bursts: the first by its energy or a record of another mass, then by what is left in lumps."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.latent_heat import solid_fat_kj_per_kg
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.thermal import heat_capacity_j_per_kgk
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Recipe

RISE_K: Final = 12.0
"""Mean rise of a first burst; never above 15, for the hot spots run three times ahead. Handbook, section K."""
MOST_RISE_K: Final = 15.0  # common practice
SHORTEST_S: Final = 5.0  # common practice
LONGEST_S: Final = 30.0  # numerical, by definition
TAKEN_UP: Final = 0.85  # common practice
HALF_LOST_G: Final = 60.0
"""A mass takes up 0.85 a m/(m + 60 g) of the marked power: a small one little. Source burst-practice."""
FIRST_LOOK: Final = 0.8  # handbook, section K
SHARE: Final = 0.5
"""One burst brings half of the heat that is still missing: stirring spreads it before the next. Handbook, section K."""
SAME_MASS: Final = 0.05
"""A record of a mass so near is taken as it was; of another, the first look comes where it cannot be too late.
Handbook, section K."""
MELTED_C: Final = 40.0  # handbook, section K
OWN_FROM: Final = 0.1  # handbook, section K
LONGER, SHORTER = 2.0, 0.5
"""What a kitchen's batches taught of its oven changes a burst by so much at most. Handbook, section K."""
WATERY_FROM: Final = 0.4  # handbook, section K
DRY_BELOW: Final = 0.05  # handbook, section K


@dataclass(frozen=True, slots=True, kw_only=True)
class BurstKind:
    """How a kind of mass takes up power, a, and its heat capacity [J/kgK]."""

    absorbs: float
    cp_j_per_kgk: float


BURST_KINDS: Final[Mapping[str, BurstKind]] = MappingProxyType(
    {
        "chocolate": BurstKind(absorbs=0.5, cp_j_per_kgk=1660),
        "fat": BurstKind(absorbs=0.5, cp_j_per_kgk=2000),
        "ganache": BurstKind(absorbs=0.8, cp_j_per_kgk=2250),
        "watery": BurstKind(absorbs=1.0, cp_j_per_kgk=3300),
    }
)
"""Chocolate and fat absorb poorly and burn first. Source burst-practice, weak: x 0.6 to 1.2."""


@dataclass(frozen=True, slots=True, kw_only=True)
class FirstBurst:
    """The first burst [s]; with a record when it is expected there, and when to look first."""

    first_s: float
    expect_s: float | None
    look_s: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Burst:
    """How long the next burst is, and what to do after it; 0 s is stop."""

    seconds: float
    says: str


def taken_up(kind: str, mass_g: float) -> float:
    """Return eta, the share of an oven's marked power that a mass takes up.

    :raises BadInput: at `kind`.
    """
    if kind not in BURST_KINDS:
        raise BadInput(("kind",), f"unknown kind {kind[:60]!r}", "one of " + ", ".join(BURST_KINDS), "unknown")
    return TAKEN_UP * BURST_KINDS[kind].absorbs * mass_g / (mass_g + HALF_LOST_G)


def first_burst(
    mass_g: float,
    watts: float,
    kind: str = "chocolate",
    cp_j_per_kgk: float | None = None,
    record_g: float | None = None,
    record_s: float | None = None,
) -> FirstBurst:
    """Return the first burst: t = m cp 12 K/(P eta), at most 30 s; and what a record of another mass says.

    A record is of the same oven, level and kind: t1 m/m1 x eta(m1)/eta(m); the first look at 80 % of the plainly
    proportional time, or of that if it is sooner, for boiling over comes before the boil. Latent heat is left out, so
    chocolate rises less than planned.

    :param watts: the marked watts times the power level.
    :raises BadInput: naming the field.
    """
    check_number(("mass_g",), mass_g, 0, 10_000, "g", above=True)
    check_number(("watts",), watts, 50, 3000, "W")
    eta = taken_up(kind, mass_g)
    cp = BURST_KINDS[kind].cp_j_per_kgk if cp_j_per_kgk is None else cp_j_per_kgk
    check_number(("cp",), cp, 500, 5000, "J/kgK")
    first_s = min(LONGEST_S, mass_g / 1000 * cp * RISE_K / (watts * eta))
    if (record_g is None) != (record_s is None):
        missing = "record_g" if record_g is None else "record_s"
        raise BadInput((missing,), "is missing", "a record is a mass and its time: both", "missing")
    if record_g is None or record_s is None:
        return FirstBurst(first_s=first_s, expect_s=None, look_s=None)
    check_number(("record_g",), record_g, 0, 10_000, "g", above=True)
    check_number(("record_s",), record_s, 0, 3600, "s", above=True)
    proportional_s = record_s * mass_g / record_g
    expect_s = proportional_s * taken_up(kind, record_g) / eta
    return FirstBurst(first_s=first_s, expect_s=expect_s, look_s=FIRST_LOOK * min(proportional_s, expect_s))


def burst_kind(recipe: Recipe, mixture: Mixture) -> str:
    """Return which kind of mass stands in the oven, by its water and what it is made of."""
    water = mixture.grams["water"] / mixture.mass_g
    if water >= WATERY_FROM:
        return "watery"
    if water >= DRY_BELOW:
        return "ganache"
    return "chocolate" if any(line.ingredient.kind in CHOCOLATE_KINDS for line in recipe.lines) else "fat"


def next_burst(
    mixture: Mixture,
    kind: str,
    now_c: float,
    unmelted_share: float,
    rated_w: float,
    bursts_before: int,
    record: tuple[float, float] | None = None,
    slower: float = 1.0,
) -> Burst:
    """Return the next burst.

    :param unmelted_share: what is still in lumps, 0 to 1, by eye.
    :param record: a first burst that did well in this oven, (mass [g], s): it is carried to this mass.
    :param slower: by how much longer this oven takes than the book has it, where batches of it taught that.
    :raises BadInput: naming the field.
    """
    check_number(("unmelted_share",), unmelted_share, 0, 1)
    check_number(("rated_w",), rated_w, 200, 2000, "W")
    if unmelted_share <= 0.1:
        return Burst(seconds=0.0, says="Stop: stir until the last lumps are gone.")
    cp = heat_capacity_j_per_kgk(mixture)
    if bursts_before == 0:
        seconds = min(LONGEST_S, first_burst(mixture.mass_g, rated_w, kind, cp).first_s * _bounded(slower))
        if record is not None:
            record_g, record_s = record
            known = first_burst(mixture.mass_g, rated_w, kind, cp, record_g, record_s)
            is_same = abs(mixture.mass_g / record_g - 1) <= SAME_MASS
            seconds = record_s if is_same or known.look_s is None else known.look_s
        return Burst(
            seconds=max(SHORTEST_S, float(round(seconds))), says="Stir, even if nothing seems to have happened."
        )
    mass_kg = mixture.mass_g / 1000
    missing_j = mass_kg * (
        cp * max(0.0, MELTED_C - now_c) * unmelted_share + 1000 * solid_fat_kj_per_kg(mixture, 20.0) * unmelted_share
    )
    most_j = mass_kg * cp * MOST_RISE_K
    seconds = min(SHARE * missing_j, most_j) / (taken_up(kind, mixture.mass_g) * rated_w)
    seconds *= _bounded(slower)
    rounded = max(SHORTEST_S, min(LONGEST_S, 5 * round(seconds / 5)))
    own = f" This oven takes {slower:.2g} times as long as usual." if abs(slower - 1) >= OWN_FROM else ""
    return Burst(seconds=rounded, says=f"Stir well; stop while lumps remain.{own}")


def _bounded(slower: float) -> float:
    return min(max(slower, SHORTER), LONGER)
