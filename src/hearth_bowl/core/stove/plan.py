"""The run of a recipe: its steps by the family's method and the schools chosen."""

from collections.abc import Callable, Mapping
from dataclasses import replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove import cautions
from hearth_bowl.core.stove.choices import CHOICES, checked_choices
from hearth_bowl.core.stove.cook import Cook
from hearth_bowl.core.stove.form_steps import (
    WALLED,
    Shaped,
    after_set,
    decorated,
    dry_filled,
    into_any_vessel,
    into_vessel,
    joined,
    placed_on_slab,
    rolled_in,
    shells_first,
)
from hearth_bowl.core.stove.fudge_steps import boiled_fudge, no_boil_fudge
from hearth_bowl.core.stove.ganache_steps import ganache, whipped
from hearth_bowl.core.stove.paste_steps import folded, fondant, nut_paste
from hearth_bowl.core.stove.step import Step, with_usual_time
from hearth_bowl.core.stove.sugar_steps import boiled_sugar, curd, whipped_syrup
from hearth_bowl.core.stove.temper_steps import shell_steps
from hearth_bowl.core.stove.worked_steps import marzipan, modelling

UNSHAPED: Final = Shaped()
AT_ROOM: Final = frozenset({"caramel", "fruit-jelly", "aerated", "hard-sugar"})
"""Families that set at room temperature, never in the fridge. Handbook of this craft, section L."""


def run_steps(
    recipe: Recipe,
    given: Mapping[str, str],
    kitchen: Kitchen,
    method: str | None = None,
    shaped: Shaped = UNSHAPED,
    by_form: bool = True,
) -> tuple[Step, ...]:
    """Return the steps of a run. Every line of the recipe goes in at just one step.

    :param shaped: what the mass becomes, by its form, and the chocolate round it; moulded shells are made first.
    :param by_form: whether steps follow the form; runs begun before they did keep those that they had.
    :raises BadInput: naming a choice.
    """
    cook = Cook(
        recipe=recipe,
        method=method or recipe.method or FAMILY[recipe.family].methods[0].key,
        choices=checked_choices(given),
        kitchen=kitchen,
    )
    shell, moulded = shaped.shell, shaped.kind in WALLED
    own = _MAKERS.get(recipe.family, folded)(cook)
    before = shell_steps(shell, cook.choices["temper"]) if shell and moulded else ()
    steps = _all_lines_go_in(cook, [*before, *(shells_first(shaped) if by_form else ()), *own])
    steps += _ending(cook, into_vessel(shaped, recipe.family) if by_form else into_any_vessel(shaped))
    if by_form and steps and steps[-1].key == "set":
        steps[-1:-1] = placed_on_slab(shaped, recipe)
    if by_form:
        steps += dry_filled(shaped) if recipe.family == "dry-mix" else after_set(shaped, recipe.family)
    if shell and not moulded:
        steps += [*shell_steps(shell, cook.choices["temper"]), _dip(shaped if by_form else UNSHAPED)]
    if by_form:
        steps += [*rolled_in(shaped), *decorated(shaped)]
    cold = by_form and recipe.family == "soft-cheese"
    return tuple(replace(with_usual_time(step), out_of_cold=cold and step.attended) for step in steps)


def choices_that_matter(
    recipe: Recipe, given: Mapping[str, str], kitchen: Kitchen, shaped: Shaped = UNSHAPED
) -> tuple[str, ...]:
    """Return the choices of which another school, all else as given, makes other steps or another way to melt.

    :raises BadInput: naming a choice.
    """
    chosen = checked_choices(given)
    steps = run_steps(recipe, chosen, kitchen, shaped=shaped)
    return tuple(
        name
        for name, schools in CHOICES.items()
        if (name == "heat" and any(step.heat == "melt" for step in steps))
        or any(
            run_steps(recipe, {**chosen, name: school}, kitchen, shaped=shaped) != steps
            for school in schools
            if school != chosen[name]
        )
    )


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


def _dip(shaped: Shaped) -> Step:
    on_top = f"put {joined(shaped.toppings)} on each" if shaped.toppings else "decorate"
    return Step(
        key="dip",
        title="Dip",
        do=f"Dip cold but not frozen pieces, tap off, set them on paper; {on_top} before the coat sets.",
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
