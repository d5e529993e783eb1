"""Steps of fondant, nut paste, and of what is mixed rather than cooked."""

from typing import Final

from hearth_bowl.core.mass.tempering import WINDOWS
from hearth_bowl.core.stove.step import Step
from hearth_bowl.store.old_steps import cautions
from hearth_bowl.store.old_steps.cook import Cook, later_steps, melting
from hearth_bowl.store.old_steps.worked import roasted

INVERTASE_BELOW_C: Final = 60.0  # a judgement


def fondant(cook: Cook) -> list[Step]:
    """Return the steps of fondant, the invertase below 60 °C."""
    enzyme = any(line.ingredient.enzyme for line in cook.recipe.lines)
    steps = [
        Step(
            key="warm",
            title="Warm it soft",
            do="Warm it in its bowl over steaming water, stirring.",
            heat="warm",
            target_c=(45.0, 58.0),
            ceiling_c=65.0,
            cue="it flows from the spoon",
            why="Over ⟦65 °C⟧ its crystals dissolve and come back coarse.",
            positions=cook.lines("warm", "melt", ""),
        )
    ]
    if enzyme or cook.method == "invertase":
        steps.append(
            Step(
                key="enzyme",
                title="Stir in the invertase",
                do="Measure it by drops or a fine scale; stir it through well.",
                heat="cool",
                target_c=(35.0, INVERTASE_BELOW_C - 2),
                ceiling_c=INVERTASE_BELOW_C,
                ask="Is it below ⟦60 °C⟧?",
                why="Above ⟦65 to 70 °C⟧ the enzyme dies in minutes.",
                positions=tuple(p for p, line in enumerate(cook.recipe.lines) if line.ingredient.enzyme),
            )
        )
    return steps + later_steps(cook)


def nut_paste(cook: Cook) -> list[Step]:
    """Return the steps of a paste almost without water."""
    melted = tuple(sorted(set(cook.lines("melt", "warm", "") + cook.chocolate())))
    steps = [
        Step(
            key="melt",
            title="Melt it",
            do=melting(cook.choices["heat"]),
            heat="melt",
            target_c=(40.0, 45.0),
            ceiling_c=cook.ceiling_c,
            ask="Is everything that touches it dry?",
            cue="a few lumps left: stirring melts them",
            why="Almost no water is in it: a drop or steam seizes it.",
            positions=melted,
        )
    ]
    if cook.method == "tempered":
        steps.append(
            Step(
                key="temper",
                title="Cool it to work",
                do="Stir it cool, on a slab or over cool water.",
                heat="cool",
                target_c=WINDOWS["gianduja"].work_c,
                cue="it thickens a little and a smear sets in minutes",
                ask="Did a test smear set clean?",
                why="Two degrees decide whether it sets clean.",
            )
        )
    return roasted(cook) + steps + later_steps(cook)


def folded(cook: Cook) -> list[Step]:
    """Return the steps of what is mixed rather than cooked: melt what melts, then the rest in its stages."""
    steps = []
    melted = tuple(sorted(set(cook.chocolate() + cook.lines("melt"))))
    egg = any("egg" in line.ingredient.allergens for line in cook.recipe.lines)
    if melted:
        steps.append(
            Step(
                key="melt",
                title="Melt the chocolate gently",
                do=melting(cook.choices["heat"]),
                heat="melt",
                target_c=(30.0, 35.0) if cook.recipe.family == "modelling" else (38.0, 45.0),
                ceiling_c=cook.ceiling_c,
                cue="a few lumps left: stirring melts them",
                ask="Is everything that touches it dry?" if cook.choices["heat"] == "water-bath" else "",
                why="Still liquid when it is joined, and never too hot.",
                positions=melted,
            )
        )
    if cook.lines("warm", "boil"):
        steps.append(
            Step(
                key="warm",
                title="Warm what is warmed",
                do="Warm it gently, stirring.",
                heat="warm",
                target_c=(40.0, 60.0),
                caution=cautions.RAW_EGG if egg else "",
                positions=cook.lines("warm", "boil"),
            )
        )
    soft = cook.lines("stir-in-cool", "")
    if soft:
        steps.append(
            Step(
                key="mix",
                title="Mix it",
                do="Beat soft things first, then bring everything together.",
                cue="even, no streaks",
                caution=cautions.RAW_EGG if egg else "",
                positions=soft,
            )
        )
    return steps + [step for step in later_steps(cook) if step.key != "stir-in-cool"]
