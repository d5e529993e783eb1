"""Steps of an old batch, by its family, its schools and the kind of its vessel."""

from collections.abc import Callable, Mapping
from dataclasses import replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.method.choices import checked_choices
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.step import Step, with_usual_time
from hearth_bowl.store.old_steps import cautions
from hearth_bowl.store.old_steps.cook import Cook
from hearth_bowl.store.old_steps.fudge import boiled_fudge, no_boil_fudge
from hearth_bowl.store.old_steps.ganache import ganache, whipped
from hearth_bowl.store.old_steps.paste import folded, fondant, nut_paste
from hearth_bowl.store.old_steps.sugar import boiled_sugar, curd, whipped_syrup
from hearth_bowl.store.old_steps.temper import shell_steps
from hearth_bowl.store.old_steps.worked import marzipan, modelling

WALLED: Final = ("mould", "cup")
AT_ROOM: Final = frozenset({"caramel", "fruit-jelly", "aerated", "hard-sugar"})
"""Families that set at room temperature, never in the fridge. Handbook of this craft, section L."""


def old_steps(
    recipe: Recipe, given: Mapping[str, str], kitchen: Kitchen, kind: str = "", shell: Ingredient | None = None
) -> tuple[Step, ...]:
    """Return the steps of an old batch.

    :param kind: of its vessel, empty where none was chosen; `shell` the chocolate of its shells or coats.
    :raises BadInput: naming a choice.
    """
    method = recipe.method or FAMILY[recipe.family].methods[0].key
    cook = Cook(recipe=recipe, method=method, choices=checked_choices(given), kitchen=kitchen)
    moulded = kind in WALLED
    own = _MAKERS.get(recipe.family, folded)(cook)
    before = shell_steps(shell, cook.choices["temper"]) if shell and moulded else ()
    steps = _all_lines_go_in(cook, [*before, *own])
    steps += _ending(cook, _into_vessel(is_walled=moulded and shell is not None))
    if shell and not moulded:
        steps += [*shell_steps(shell, cook.choices["temper"]), _DIP]
    return tuple(with_usual_time(step) for step in steps)


def _all_lines_go_in(cook: Cook, steps: list[Step]) -> list[Step]:
    """Let each line go in at the first step that names it, and what no step names at the last but one."""
    seen: set[int] = set()
    placed = []
    for step in steps:
        positions = tuple(position for position in step.positions if position not in seen)
        seen.update(positions)
        placed.append(replace(step, positions=positions))
    rest = tuple(position for position in range(len(cook.recipe.lines)) if position not in seen)
    if rest:
        placed.append(Step(key="rest-in", title="Stir in what is left", do="Fold in the rest.", positions=rest))
    return placed


def _ending(cook: Cook, pour: Step) -> list[Step]:
    rest = "room" if cook.recipe.family in AT_ROOM else cook.choices["rest"]
    if cook.recipe.family == "dry-mix":
        return []
    return [
        pour,
        Step(
            key="set",
            title="Leave it to set",
            do={
                "cool-first": "Cool it to ⟦30 °C⟧ loosely covered, then into the fridge.",
                "fridge": "Into the fridge, loosely covered.",
                "room": "In a cool room, loosely covered, overnight.",
            }[rest],
            heat="cool",
            target_c=(16.0, 20.0),
            ask="Is it below ⟦30 °C⟧ and loosely covered?" if rest != "room" else "",
            why="A hot mass sweats in the fridge and warms what stands beside it.",
            caution=cautions.LOCAL_RULES,
            attended=False,
        ),
    ]


def _into_vessel(*, is_walled: bool) -> Step:
    return Step(
        key="pour",
        title="Into its vessel",
        do="Fill it as the fit says; tap out the air.",
        ask="Is the shell set, and the filling below ⟦28 °C⟧?" if is_walled else "",
        why="Too warm it melts the shell." if is_walled else "Once it stiffens it will not level.",
    )


_DIP: Final = Step(
    key="dip",
    title="Dip",
    do="Dip cold but not frozen pieces, tap off, set them on paper; decorate before the coat sets.",
    cue="glossy, no streaks after some minutes",
    why="Frozen hard, the coat cracks; warm, it slides off.",
)
_MAKERS: Final[Mapping[str, Callable[[Cook], list[Step]]]] = MappingProxyType(
    {
        "cream-ganache": ganache,
        "whipped-ganache": whipped,
        "condensed-milk-fudge": no_boil_fudge,
        "simmered-fudge": boiled_fudge,
        "boiled-fudge": boiled_fudge,
        "fondant": fondant,
        "nut-paste": nut_paste,
        "marzipan": marzipan,
        "modelling": modelling,
        "caramel": boiled_sugar,
        "fruit-jelly": boiled_sugar,
        "hard-sugar": boiled_sugar,
        "aerated": whipped_syrup,
        "curd": curd,
    }
)
