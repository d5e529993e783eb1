"""The steps of a run: the acts of its method, as a batch keeps them."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.method.act import Act
from hearth_bowl.core.method.cautions import caution_words
from hearth_bowl.core.method.choices import CHOICES, checked_choices
from hearth_bowl.core.method.method import method_of_confection, method_of_recipe
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.step import Heat, Step, StepTake

HEAT_OF: Final[Mapping[str, Heat]] = MappingProxyType(
    {
        "melt": "melt", "heat": "warm", "cook": "warm", "boil": "boil", "cool": "cool", "rest": "cool",
        "set": "cool", "join": "cool", "whip": "cool", "pour": "cool", "fill": "cool", "temper": "cool", "hold": "work",
        "shell": "work", "cap": "work", "dip": "work",
    }
)  # fmt: skip
"""How the temperature goes at a kind of act that has a target; else it is only told."""
WARMED: Final = frozenset({"temper-warm"})
"""Acts of tempering that warm."""


@dataclass(frozen=True, slots=True, kw_only=True)
class LineAct:
    """Act of a whole run as its line shows it: its title, least and most minutes, and the mix that it belongs to by
    its position; None for the piece. `turn` is the filling of the moulds that it is of, None where there is one."""

    act_id: str
    title: str
    minutes: tuple[float, float]
    attended: bool
    mass: int | None
    turn: int | None = None


def line_of(worked: Worked, given: Mapping[str, str], kitchen: Kitchen, kitchen_c: float = 20.0) -> tuple[LineAct, ...]:
    """Return all acts of a confection in an order in which one cook can do them, each line weighed at its act.

    :raises BadInput: naming a choice.
    """
    return tuple(
        LineAct(
            act_id=act.id,
            title=act.title,
            minutes=(act.minutes[0], act.minutes[2]),
            attended=act.hands,
            mass=act.mass,
            turn=turn_of(act.id) if act.mass is None and (worked.turns or 1) > 1 else None,
        )
        for act in method_of_confection(worked, given, kitchen, kitchen_c).acts
        if _is_step(act)
    )


def turn_of(act_id: str) -> int | None:
    """Return the filling of the moulds that an act is of; None for tempering, which serves several."""
    name, _, last = act_id.rpartition(".")
    return int(last) if last.isdigit() and not name.startswith(("temper", "smear")) else None


def _is_step(act: Act) -> bool:
    return act.id.split(".")[-1] != "weigh"


def run_steps(
    recipe: Recipe,
    given: Mapping[str, str],
    kitchen: Kitchen,
    worked: Worked | None = None,
    kitchen_c: float = 20.0,
    *,
    with_piece: bool = True,
) -> tuple[Step, ...]:
    """Return the steps of a run of a recipe: alone, or within the confection that it is made for.

    Each line is weighed at the act at which it goes in, so weighing beforehand is no step. Other mixes of the
    confection have steps of their own.

    :param with_piece: whether what is done with the pieces is among them.
    :raises BadInput: naming a choice.
    """
    if worked is None:
        acts: Sequence[Act] = method_of_recipe(recipe, given, kitchen, kitchen_c).acts
        own = 0
    else:
        own = next((at for at, batch in enumerate(worked.batches) if batch.recipe == recipe), 0)
        made_g = {own: recipe.mass_g} if worked.batches else {}
        acts = method_of_confection(worked, given, kitchen, kitchen_c, made_g=made_g).acts
    masses = (None, own) if with_piece else (own,)
    return tuple(_steps([act for act in acts if act.mass in masses and _is_step(act)], own))


def choices_that_matter(
    recipe: Recipe, given: Mapping[str, str], kitchen: Kitchen, worked: Worked | None = None
) -> tuple[str, ...]:
    """Return the choices of which another school, all else as given, makes other steps or another way to melt.

    :raises BadInput: naming a choice.
    """
    chosen = checked_choices(given)
    steps = run_steps(recipe, chosen, kitchen, worked)
    return tuple(
        name
        for name, schools in CHOICES.items()
        if (name == "heat" and any(step.heat == "melt" for step in steps))
        or any(
            run_steps(recipe, {**chosen, name: school}, kitchen, worked) != steps
            for school in schools
            if school != chosen[name]
        )
    )


def _steps(acts: Sequence[Act], own: int) -> list[Step]:
    found: list[Step] = []
    seen: set[int] = set()
    keys: set[str] = set()
    for act in acts:
        positions = tuple(take.position for take in act.takes if take.position is not None)
        new = tuple(position for position in positions if position not in seen)
        seen.update(new)
        step = _step(act, key_of(act, own), new)
        assert step.key not in keys, step.key
        keys.add(step.key)
        found.append(step)
    return found


def key_of(act: Act, own: int) -> str:
    """Return what a step is called: the act's id without the mix that the run is of; a second making is numbered."""
    key = act.id.removeprefix(f"m{own}.")
    if act.mass is None or not key[:1].isdigit():
        return key
    go, _, rest = key.partition(".")
    return rest if go == "1" else f"{rest}.{go}"


def _step(act: Act, key: str, positions: tuple[int, ...]) -> Step:
    low, _, high = act.minutes
    heat = HEAT_OF.get(act.kind, "none") if act.target_c is not None else "none"
    return Step(
        key=key,
        title=act.title,
        do=act.do,
        heat="warm" if key.split(".")[0] in WARMED else heat,
        target_c=act.target_c,
        minutes=act.gate_min,
        cue=act.cue,
        ceiling_c=act.ceiling_c,
        ask=act.ask,
        why=act.why,
        passes=act.passes,
        caution=caution_words(act.cautions),
        call=act.call,
        usual_min=(low, high),
        attended=act.hands,
        out_of_cold=act.out_of_cold,
        positions=positions,
        in_fridge="fridge_shelves" in act.uses,
        act_id=act.id,
        from_card=act.from_card,
        takes=tuple(
            StepTake(name=take.ingredient.name, g=take.g, seed_g=take.seed_g)
            for take in act.takes
            if take.position is None
        ),
    )
