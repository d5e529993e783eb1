"""Steps of fudges: melted without a boil, simmered, and boiled and beaten."""

from typing import Final

from hearth_bowl.core.mass.cooking import plan_or_none
from hearth_bowl.core.stove.step import Step
from hearth_bowl.store.old_steps import cautions
from hearth_bowl.store.old_steps.cook import Cook, later_steps, melting

BEAT_C: Final = (43.0, 50.0)  # handbook, section L
CONDENSED_ABOVE_C: Final = 60.0  # handbook, section L
USUAL_END_C: Final = 114.0  # handbook, section L
USUAL_BOIL_C: Final = 102.0
"""Where a pan cannot be reckoned: a usual fudge. Handbook, section L."""


def no_boil_fudge(cook: Cook) -> list[Step]:
    """Return the steps of a fudge of condensed milk."""
    heat = "microwave" if cook.method == "microwave" else cook.choices["heat"]
    melted = tuple(sorted(set(cook.lines("warm", "melt", "") + cook.chocolate())))
    return [
        Step(
            key="melt",
            title="Melt it together",
            do=melting(heat),
            heat="melt",
            target_c=(45.0, 55.0),
            ceiling_c=min(CONDENSED_ABOVE_C, cook.ceiling_c or CONDENSED_ABOVE_C),
            cue="a few lumps left: stirring melts them",
            why="Over ⟦60 °C⟧ condensed milk tightens and the fat oils out; each chocolate has its own ceiling.",
            caution=cautions.MICROWAVED if heat == "microwave" else "",
            positions=melted,
        ),
        Step(
            key="join",
            title="Stir it smooth",
            do="Stir from the centre until it pulls from the bowl.",
            heat="cool",
            target_c=(38.0, 50.0),
            cue="thick, glossy, it pulls from the bowl's side",
            ask="Is it smooth, with no fat at its edge?",
            why="Now it is one mass or it is not: oil seen later stays.",
            passes="It stiffens all at once: that is the fudge coming together.",
        ),
        *later_steps(cook),
    ]


def boiled_fudge(cook: Cook) -> list[Step]:
    """Return the steps of a fudge that is boiled down: to its end here, at this altitude."""
    plan = plan_or_none(cook.recipe, cook.kitchen)
    end_c = plan.cooked.to_c if plan else USUAL_END_C
    start_c = plan.now.boiling_c if plan else USUAL_BOIL_C
    simmered = cook.recipe.family == "simmered-fudge"
    steps = [
        Step(
            key="dissolve",
            title="Dissolve the sugar",
            do="Low heat, stirring, until every grain is gone; wash the pan's wall down with a wet brush.",
            heat="warm",
            target_c=(75.0, start_c - 3),
            ceiling_c=start_c - 0.5,
            call="Feel for grit",
            ask="No grit between finger and spoon?",
            why="One grain left seeds coarse crystals through the whole pan.",
            caution=cautions.BOILING_SUGAR,
            positions=tuple(p for p in cook.lines("warm", "boil", "") if p not in cook.chocolate()),
        ),
        Step(
            key="boil",
            title="Simmer it down" if simmered else "Boil to the end",
            do="Boil steadily; stir only where it would catch." if not simmered else "Simmer, stirring slowly.",
            heat="boil",
            target_c=(end_c - 0.5, end_c + 0.5),
            cue="a drop in cold water rolls to a soft ball"
            if not simmered
            else "thick as syrup, the spoon leaves a track",
            why="The end temperature is how much water is left: your altitude is reckoned in.",
            passes="It foams up high, then sinks: turn the ring down, do not add cold things.",
            caution=cautions.BOILING_SUGAR,
        ),
    ]
    if simmered:
        steps.append(
            Step(
                key="join",
                title="Melt the chocolate in",
                do="Off the heat, stir in the chocolate.",
                heat="cool",
                target_c=(45.0, 70.0),
                cue="smooth and glossy",
                why="On the ring it would scorch.",
                positions=tuple(sorted(set(cook.chocolate() + cook.lines("melt", "pour-over")))),
            )
        )
    else:
        steps.append(
            Step(
                key="cool-still",
                title="Leave it still",
                do="Off the ring, on something cold; do not stir, do not scrape.",
                heat="cool",
                target_c=BEAT_C,
                cue="the pan's base is just warm to the hand",
                why="Stirring hot starts coarse crystals.",
                attended=False,
                positions=cook.lines("stir-in-cool"),
            )
        )
        steps.append(
            Step(
                key="beat",
                title="Beat it",
                do="Beat without a stop until it loses its shine.",
                minutes=8,
                cue="it thickens and turns from glossy to satin",
                why="Many small crystals at once make it smooth.",
                passes="For minutes nothing happens, then it goes quickly: have the tin ready.",
            )
        )
    return steps + [step for step in later_steps(cook) if step.key != "stir-in-cool"]
