"""Steps of caramel, fruit jelly, whipped syrups, curd and hard sugar, after section L of the handbook of this craft.

Temperatures are usual practice, fair; the ends of the boils are worked out from the water that is to be left.
"""

from typing import Final

from hearth_bowl.core.mass.cooking import cooked_positions, plan_or_none
from hearth_bowl.core.stove.step import Step
from hearth_bowl.store.old_steps import cautions
from hearth_bowl.store.old_steps.cook import Cook

CURD_C: Final = (82.0, 84.0)  # handbook of this craft
CURD_CEILING_C: Final = 85.0
"""Egg thickens from 82 °C and scrambles above 85 °C. Handbook, section L."""
DISSOLVE_FROM_C: Final = 75.0  # handbook of this craft
CAST_ABOVE_C: Final = 85.0
"""Above this a pectin jelly still flows. Handbook, section L."""
WATER_PCT: Final = 99.0
"""Water of plain water, in which gelatine is soaked: by definition."""
WHIPPED_C: Final = (40.0, 45.0)  # handbook of this craft
BLOOM_MIN: Final = 10.0
"""Whipped syrup is poured at this temperature; gelatine swells for so long. Handbook, section L."""


def boiled_sugar(cook: Cook) -> list[Step]:
    """Return the steps of what is boiled to its end and poured: caramel, fruit jelly, hard sugar."""
    return [_dissolved(cook), _boiled(cook), *_after_the_boil(cook)]


def whipped_syrup(cook: Cook) -> list[Step]:
    """Return the steps of a syrup whipped with gelatine or egg white."""
    pan = set(cooked_positions(cook.recipe))
    lines = range(len(cook.recipe.lines))
    gelatine = tuple(p for p in lines if cook.recipe.lines[p].ingredient.gelatine and p not in pan)
    water = tuple(
        p for p in cook.lines("stir-in-cool") if cook.recipe.lines[p].ingredient.composition_pct["water"] > WATER_PCT
    )
    raw = any(line.ingredient.raw_egg for line in cook.recipe.lines)
    steps = []
    if gelatine:
        steps.append(
            Step(
                key="bloom",
                title="Soak the gelatine",
                do="Stir it into its cold water and leave it until it has swollen.",
                minutes=BLOOM_MIN,
                cue="swollen through, no dry grain",
                why="Dry gelatine clumps in hot syrup.",
                positions=(*gelatine, *water),
            )
        )
    folded = cook.lines("fold-in")
    late = tuple(p for p in lines if p not in pan and p not in (*gelatine, *water, *folded))
    return [
        *steps,
        _dissolved(cook),
        _boiled(cook),
        Step(
            key="beat",
            title="Whip the syrup",
            do="Pour the syrup into the soaked gelatine below ⟦100 °C⟧, or in a thin stream onto the whites; whip it.",
            heat="cool",
            target_c=WHIPPED_C,
            cue="pale and thick, it falls in a ribbon that stays",
            why="Hotter it runs flat, cooler it no longer pours.",
            caution=cautions.RAW_EGG if raw else cautions.BOILING_SUGAR,
            positions=late,
        ),
        *([_folded(folded)] if folded else []),
    ]


def curd(cook: Cook) -> list[Step]:
    """Return the steps of a curd: thickened to 82 to 84 °C in its middle, sieved, butter in, cooled quickly."""
    early, butter = cook.lines("warm", "boil", "melt", ""), cook.lines("stir-in-cool")
    late = tuple(p for p in range(len(cook.recipe.lines)) if p not in (*early, *butter))
    steps = [
        Step(
            key="cook-egg",
            title="Thicken the egg",
            do="Over steaming water, stirring all the time, until its middle reads the target. Never let it boil.",
            heat="warm",
            target_c=CURD_C,
            ceiling_c=CURD_CEILING_C,
            cue="it coats the spoon, and a drawn line stays",
            ask="Does its middle read ⟦82 °C⟧ or more?",
            why="Below, the egg is raw; above, it scrambles.",
            caution=cautions.EGG_COOKED,
            positions=early,
        )
    ]
    if butter:
        steps.append(
            Step(
                key="sieve",
                title="Sieve it, blend the butter in",
                do="Press it through a sieve, then blend in the butter in pieces.",
                heat="cool",
                target_c=(55.0, 60.0),
                cue="smooth and glossy",
                why="Hotter, the butter melts to oil.",
                positions=butter,
            )
        )
    steps.append(
        Step(
            key="chill",
            title="Cool it quickly",
            do="Stand the bowl in ice water, film on its surface: below ⟦10 °C⟧ within two hours.",
            heat="cool",
            target_c=(4.0, 10.0),
            why="Warm curd is where germs grow.",
            caution=cautions.LOCAL_RULES,
            positions=late,
        )
    )
    return steps


def _dissolved(cook: Cook) -> Step:
    plan = plan_or_none(cook.recipe, cook.kitchen)
    start_c = plan.now.boiling_c if plan else 100.0
    dry = cook.method == "dry"
    return Step(
        key="dissolve",
        title="Dissolve the sugar",
        do="Melt the sugar dry to amber, ⟦170 to 180 °C⟧, then warm cream in, a little at a time, standing back."
        if dry
        else "Low heat, stirring, until every grain is gone. Pectin goes in mixed with sugar, at ⟦40 to 50 °C⟧."
        if cook.recipe.family == "fruit-jelly"
        else "Low heat, stirring, until every grain is gone; wash the wall of the pan down with a wet brush.",
        heat="warm",
        target_c=(min(DISSOLVE_FROM_C, start_c - 5), start_c - 3),
        call="Feel for grit",
        ask="No grit between finger and spoon?",
        why="One grain left seeds coarse crystals.",
        caution=cautions.HOT_CREAM if dry else cautions.BOILING_SUGAR,
        positions=tuple(cooked_positions(cook.recipe)),
    )


def _boiled(cook: Cook) -> Step:
    plan = plan_or_none(cook.recipe, cook.kitchen)
    end_c = plan.cooked.to_c if plan else 118.0
    return Step(
        key="boil",
        title="Boil to the end",
        do="Boil steadily; stir from ⟦110 °C⟧ on, it catches." if cook.recipe.family == "caramel" else "Boil steadily.",
        heat="boil",
        target_c=(end_c - 0.5, end_c + 0.5),
        cue="a drop in cold water shows how firm it will be",
        why="The end temperature is how much water is left, at your altitude.",
        passes="It foams up high, then sinks: turn the heat down.",
        caution=cautions.BOILING_SUGAR,
    )


def _after_the_boil(cook: Cook) -> list[Step]:
    pan = set(cooked_positions(cook.recipe))
    folded = cook.lines("fold-in")
    late = tuple(p for p in range(len(cook.recipe.lines)) if p not in pan and p not in folded)
    steps = [_folded(folded)] if folded else []
    if late:
        jelly = cook.recipe.family == "fruit-jelly"
        steps.append(
            Step(
                key="late",
                title="Acid in last" if jelly else "Stir in what comes late",
                do=f"Off the heat, stir it in, and cast at once above ⟦{CAST_ABOVE_C:g} °C⟧."
                if jelly
                else "Off the heat.",
                why="With its acid in, it sets within a minute." if jelly else "It spits: stand back.",
                caution=cautions.BOILING_SUGAR,
                positions=late,
            )
        )
    return steps


def _folded(positions: tuple[int, ...]) -> Step:
    return Step(
        key="fold-in",
        title="Fold in",
        do="Fold in what should stay whole, with few turns.",
        cue="evenly through, nothing broken",
        positions=positions,
    )
