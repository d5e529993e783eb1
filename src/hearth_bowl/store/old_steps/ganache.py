"""Steps of ganaches, by the school of joining; whipped ones rest cold first."""

from typing import Final

from hearth_bowl.core.stove.step import Step
from hearth_bowl.store.old_steps import cautions
from hearth_bowl.store.old_steps.cook import Cook, later_steps, melting

JOIN_C: Final = (35.0, 45.0)  # a judgement
SCALD_C: Final = (80.0, 88.0)  # a judgement
PASSES: Final = "It looks curdled and grainy at first, then suddenly smooth and glossy: keep stirring."


def ganache(cook: Cook) -> list[Step]:
    """Return the steps of a ganache."""
    heat, boil = cook.choices["heat"], cook.choices["liquid"] == "full-boil"
    early = cook.lines("stir-in-cool") if cook.choices["butter"] == "early" else ()
    warm = cook.lines("warm", "boil", "")
    warm = tuple(position for position in warm if position not in cook.chocolate())
    chocolate = tuple(sorted(set(cook.chocolate() + cook.lines("pour-over", "melt"))))
    into_melted = cook.method == "into-melted"
    steps = []
    if into_melted or cook.method == "melt-together":
        steps.append(
            Step(
                key="melt",
                title="Melt the chocolate gently",
                do=melting(heat),
                heat="melt",
                target_c=(40.0, 45.0),
                ceiling_c=cook.ceiling_c,
                cue="a few lumps left: stirring melts them",
                ask="Is everything that touches it dry?" if heat == "water-bath" else "",
                why="A drop of water or steam seizes plain chocolate; too hot and it scorches or splits.",
                caution=cautions.MICROWAVED if heat == "microwave" else "",
                positions=chocolate,
            )
        )
    else:
        steps.append(
            Step(
                key="chop",
                title="Chop the chocolate",
                do="Chop it to the size of lentils into a dry bowl that will hold everything.",
                why="Even, small pieces melt by the warmth of the cream alone.",
                positions=chocolate,
            )
        )
    steps.append(
        Step(
            key="warm",
            title="Boil the cream" if boil else "Scald the cream",
            do="Warm it with the sugars in it, stirring." + (" Let it boil up once." if boil else ""),
            heat="boil" if boil else "warm",
            target_c=(99.0, 102.0) if boil else SCALD_C,
            cue="it boils up" if boil else "small bubbles where cream meets the pan, a skin forming",
            why="Hot enough to melt the chocolate; a boil keeps longer but loses water: weigh it back."
            if boil
            else "Hot enough to melt the chocolate and be clean, without boiling its water away.",
            caution=cautions.MICROWAVED if heat == "microwave" else cautions.RISING_CREAM,
            positions=warm,
        )
    )
    steps.append(
        Step(
            key="join",
            title="Join them",
            do=_joining(cook),
            heat="cool",
            target_c=JOIN_C,
            minutes=1.5 if cook.choices["wait"] == "stand" and cook.method == "pour-over" else None,
            ceiling_c=cook.ceiling_c,
            cue="smooth, glossy, and it follows the spoon",
            ask="Is it smooth and glossy, with no fat at its edge?",
            why="Between ⟦35 and 45 °C⟧ fat and water hold together; colder or hotter they part.",
            passes=PASSES,
            positions=chocolate + early,
        )
    )
    return steps + later_steps(cook)


def _joining(cook: Cook) -> str:
    if cook.method == "into-melted":
        return "Add the hot cream to the melted chocolate in three goes, stirring from the centre."
    if cook.method == "in-the-pan":
        return "Take the pan off the ring, tip the chocolate in, and stir from the centre."
    wait = "let it stand, then stir" if cook.choices["wait"] == "stand" else "stir at once"
    return f"Pour the cream over the chocolate, {wait}, from the centre."


def whipped(cook: Cook) -> list[Step]:
    """Return the steps of a whipped ganache."""
    return [
        *ganache(cook),
        Step(
            key="rest-cold",
            title="Rest it cold",
            do="Cover it on its surface and leave it in the fridge.",
            heat="cool",
            target_c=(3.0, 8.0),
            minutes=360,
            why="Cold fat holds the air; warm it will not.",
            attended=False,
        ),
        Step(
            key="whip",
            title="Whip it briefly",
            do="Whip until it just stands, then stop.",
            minutes=1,
            cue="soft peaks that stand",
            why="Seconds too long make it grainy: pipe within minutes.",
        ),
    ]
