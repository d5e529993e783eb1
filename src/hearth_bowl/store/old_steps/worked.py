"""Steps of what is worked by hand: nuts roasted and ground, marzipan, modelling chocolate.

Common practice; numbers with no source beside them are judgements.
"""

from typing import Final

from hearth_bowl.core.ingredients.attributes import NUT_GROUPS
from hearth_bowl.core.stove.step import Step
from hearth_bowl.store.old_steps import cautions
from hearth_bowl.store.old_steps.cook import Cook, later_steps, melting

HOLD_C: Final = (70.0, 75.0)  # a judgement
HOLD_MIN: Final = 2.0
"""Usual advice for egg: 70 °C through and through for two minutes. It lessens the risk and certifies nothing.
A judgement."""
JOIN_C: Final = (30.0, 33.0)
"""Chocolate and syrup meet at the same warmth, or the mass seizes or sheds its fat. A judgement."""


def whole_nuts(cook: Cook) -> tuple[int, ...]:
    """Return the positions of nuts that go in whole."""
    return tuple(
        position
        for position, line in enumerate(cook.recipe.lines)
        if line.ingredient.own_body and not NUT_GROUPS.isdisjoint(line.ingredient.allergens)
    )


def roasted(cook: Cook) -> list[Step]:
    """Return how whole nuts become a paste: roasted, skinned, weighed again, ground; nothing where there are none."""
    nuts = whole_nuts(cook)
    if not nuts:
        return []
    return [
        Step(
            key="roast",
            title="Roast and skin the nuts",
            do="On a tray in one layer, ⟦150 to 160 °C⟧, shaken now and then; rub the skins off in a cloth and weigh "
            "again: water and skins take 5 to 8 % of it away.",
            cue="golden through when one is cut",
            ask="Have they cooled before they are ground?",
            why="Hot nuts grind to oil and meal, and a dark one tastes through the whole paste.",
            positions=nuts,
        ),
        Step(
            key="grind",
            title="Grind them",
            do="In short runs, scraping down, with some of the sugar; rest it when it grows warm.",
            cue="it runs from the spoon, no grit between the teeth",
            ceiling_c=55.0,
            why="It passes meal, crumbs and a stiff ball before it runs; over ⟦55 °C⟧ it loses its flavour.",
            passes="A stiff ball that will not move: go on, the oil comes.",
        ),
    ]


def marzipan(cook: Cook) -> list[Step]:
    """Return the steps of marzipan: syrup warmed, egg by its time at temperature where it is raw, kneaded together."""
    lines = cook.recipe.lines
    raw = tuple(position for position, line in enumerate(lines) if line.ingredient.raw_egg)
    warm = tuple(position for position in cook.lines("warm", "boil", "melt") if position not in raw)
    steps = []
    if warm:
        steps.append(
            Step(
                key="warm",
                title="Warm the syrup",
                do="Warm it until it pours.",
                heat="warm",
                target_c=(40.0, 60.0),
                positions=warm,
            )
        )
    if raw:
        steps.append(
            Step(
                key="hold",
                title="Heat the egg with sugar, and hold it",
                do="Over steaming water with a third of the sugar, stirring all the time. The two minutes begin when "
                "all of it is there, not when the water boils.",
                heat="warm",
                target_c=HOLD_C,
                minutes=HOLD_MIN,
                ceiling_c=78.0,
                ask="Has it stood there for the whole time?",
                why="Time at the temperature counts; hotter it sets to flakes. Pasteurised egg needs none of this.",
                caution=cautions.RAW_EGG,
                positions=raw,
            )
        )
    rest = tuple(position for position in range(len(lines)) if position not in (*raw, *warm))
    steps.append(
        Step(
            key="knead",
            title="Bring it together",
            do="Ground nuts and sugar first, then what is wet, little by little; knead just until it holds.",
            cue="smooth, no crumbs",
            ask="Does it hold without shining?",
            why="Worked on, the oil comes out and it will not go back.",
            passes="" if not rest else "Crumbs at first: they close up.",
            positions=rest,
        )
    )
    return steps


def modelling(cook: Cook) -> list[Step]:
    """Return the steps of modelling chocolate: both at the same warmth, folded just together, rested, worked soft."""
    chocolate = cook.chocolate()
    syrup = tuple(position for position in range(len(cook.recipe.lines)) if position not in chocolate)
    return [
        Step(
            key="melt",
            title="Melt the chocolate, and let it cool",
            do=f"{melting(cook.choices['heat'])} Then stir it down to the joining warmth.",
            heat="melt",
            target_c=JOIN_C,
            ceiling_c=cook.ceiling_c,
            cue="liquid, hardly warm to the lip",
            why="Hotter it sheds its fat as soon as the syrup is in.",
            positions=chocolate,
        ),
        Step(
            key="join",
            title="Syrup in, at the same warmth",
            do="Warm the syrup to the same; fold it in with few turns, just until no streak is left.",
            heat="warm",
            target_c=JOIN_C,
            ask="Are both at the same warmth?",
            cue="it thickens and comes off the bowl",
            why="A difference of a few degrees makes it seize or weep.",
            passes="It looks grained for a moment: stop, it smooths as it rests.",
            positions=syrup,
        ),
        Step(
            key="oil",
            title="Look for beads of oil",
            do="Beads of oil on it: stop, do not press them out; let it cool, and knead them in when it is firm.",
            ask="Is it free of oil, or cool again?",
            why="Worked warm, more oil comes and the mass turns to crumbs.",
        ),
        *later_steps(cook),
    ]
