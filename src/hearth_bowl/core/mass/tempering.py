"""Tempering: the windows of each kind, and the seed by the heat balance. Source tempering-windows (±1 °C by maker)."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.latent_heat import solid_fat_kj_per_kg
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Line, checked_recipe

Range = tuple[float, float]
SEED_SHARE_BAND_PCT: Final = 4.0
"""Shown as ± so many points; losses to the bowl lower the share by 2 to 4. Handbook, section G."""
NUT_OIL_PCT: Final = 5.0  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class Window:
    """The temperatures of one kind [°C]: the packet wins. `usual_from_c` and `usual_to_c` are where a seed goes in
    and where it works; heat capacities of the melt and of the seed [J/kgK]."""

    name: str
    melt_c: Range
    never_above_c: float
    cool_to_c: Range | None
    work_c: Range
    seed_lost_above_c: float | None
    usual_from_c: float = 0.0
    usual_to_c: float = 0.0
    cp_melt: float = 1700.0
    cp_seed: float = 1550.0


WINDOWS: Final[Mapping[str, Window]] = MappingProxyType(
    {
        "dark": Window(
            name="Dark chocolate",
            melt_c=(45, 50),
            never_above_c=55,
            cool_to_c=(27, 28.5),
            work_c=(31, 32.5),
            seed_lost_above_c=34,
            usual_from_c=45,
            usual_to_c=32,
            cp_melt=1650,
            cp_seed=1500,
        ),
        "milk": Window(
            name="Milk chocolate",
            melt_c=(40, 45),
            never_above_c=48,
            cool_to_c=(26, 27.5),
            work_c=(29, 30.5),
            seed_lost_above_c=32.5,
            usual_from_c=43,
            usual_to_c=30,
        ),
        "white": Window(
            name="White chocolate",
            melt_c=(40, 43),
            never_above_c=45,
            cool_to_c=(25, 26.5),
            work_c=(28, 29.5),
            seed_lost_above_c=31.5,
            usual_from_c=41,
            usual_to_c=29,
        ),
        "gianduja": Window(
            name="Gianduja",
            melt_c=(40, 45),
            never_above_c=48,
            cool_to_c=(23, 25),
            work_c=(25, 27.5),
            seed_lost_above_c=29,
            usual_from_c=43,
            usual_to_c=27,
        ),
        "compound": Window(
            name="Compound coating",
            melt_c=(40, 45),
            never_above_c=50,
            cool_to_c=None,
            work_c=(36, 42),
            seed_lost_above_c=None,
        ),
    }
)
"""Common practice."""


MOST_SEED: Final = 30 / 70
"""Seed per melted chocolate: 30 % of the whole is as much as can be stirred in. Practice, fair."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Seed:
    """The seed for a melt: its share of the total [%] and its grams, None without a mass.

    `come_down_c` is what the melt is first brought down to, stirred over cool water, where the share is capped.
    """

    from_c: float
    to_c: float
    seed_c: float
    share_pct: float
    seed_g: float | None
    come_down_c: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Tempering:
    """The window of a chocolate, and its seed where it needs one."""

    kind: str
    window: Window
    seed: Seed | None

    @property
    def needs_tempering(self) -> bool:
        """Return whether it is real chocolate: compound sets without."""
        return self.seed is not None


def tempering_kind(chocolate: Ingredient) -> str:
    """Return which window a chocolate has, by what it is made of.

    :raises BadInput: at `chocolate` when it is none.
    """
    if chocolate.kind not in CHOCOLATE_KINDS:
        raise BadInput(("chocolate",), f"{chocolate.label} is no chocolate", "a chocolate or compound", "not-for-this")
    made_of = chocolate.composition_pct
    if chocolate.kind == "compound":
        return "compound"
    if made_of["other_fat"] >= NUT_OIL_PCT and chocolate.other_fat_kind == "oil":
        return "gianduja"
    if made_of["msnf"] + made_of["lactose"] + made_of["milk_fat"] <= 1:
        return "dark"
    return "milk" if made_of["cocoa_nonfat"] > 1 else "white"


def temper(
    chocolate: Ingredient,
    from_c: float | None = None,
    to_c: float | None = None,
    seed_c: float = 20.0,
    mass_g: float | None = None,
) -> Tempering:
    """Return how a chocolate is tempered, and the seed for `mass_g` of it melted.

    f = cl (T1 - T2)/(cs (T2 - Ts) + q), share = f/(1 + f): the heat the melt gives is the heat the seed takes, q its
    solid fat. Losses to the bowl lower it by 2 to 4 points. No more than 30 % can be stirred in: above that the melt
    first comes down to T1' = T2 + (3/7)(cs (T2 - Ts) + q)/cl.

    :raises BadInput: naming the temperature or mass.
    """
    kind = tempering_kind(chocolate)
    window = WINDOWS[kind]
    if mass_g is not None:
        check_number(("mass_g",), mass_g, 0, 1e6, "g", above=True)
    check_number(("seed_c",), seed_c, -20, 30, "°C")
    if window.seed_lost_above_c is None:
        return Tempering(kind=kind, window=window, seed=None)
    melted_c = window.usual_from_c if from_c is None else from_c
    work_c = window.usual_to_c if to_c is None else to_c
    check_number(("from_c",), melted_c, window.melt_c[0] - 10, window.never_above_c, "°C")
    check_number(("to_c",), work_c, window.work_c[0] - 3, window.seed_lost_above_c, "°C")
    if work_c >= melted_c:
        raise BadInput(("to_c",), "not cooler than it is melted", f"below ⟦{melted_c:g} °C⟧")
    if seed_c >= work_c:
        raise BadInput(("seed_c",), "the seed is warmer than the work", f"below ⟦{work_c:g} °C⟧")
    seed = mix(checked_recipe(name="seed", family="filling", use=None, lines=[Line(ingredient=chocolate, amount=100)]))
    heat = window.cp_seed * (work_c - seed_c) + 1000 * solid_fat_kj_per_kg(seed, seed_c)
    ratio = window.cp_melt * (melted_c - work_c) / heat
    come_down_c = None
    if ratio > MOST_SEED:
        ratio, come_down_c = MOST_SEED, work_c + MOST_SEED * heat / window.cp_melt
    return Tempering(
        kind=kind,
        window=window,
        seed=Seed(
            from_c=melted_c,
            to_c=work_c,
            seed_c=seed_c,
            share_pct=100 * ratio / (1 + ratio),
            seed_g=None if mass_g is None else mass_g * ratio,
            come_down_c=come_down_c,
        ),
    )
