"""The run of a recipe: its steps by the family's method and the schools chosen."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.cooking import plan_or_none
from hearth_bowl.core.families import FAMILY
from hearth_bowl.core.ingredient import Ingredient
from hearth_bowl.core.kitchen import Kitchen
from hearth_bowl.core.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe import Recipe
from hearth_bowl.core.stove import cautions
from hearth_bowl.core.stove.choices import checked_choices
from hearth_bowl.core.stove.step import Step
from hearth_bowl.core.stove.temper_steps import shell_steps
from hearth_bowl.core.tempering import WINDOWS, tempering_kind

JOIN_C: Final = (35.0, 45.0)
SCALD_C: Final = (80.0, 88.0)
BUTTER_C: Final = (32.0, 40.0)
LATE_C: Final = (28.0, 35.0)
FRIDGE_BELOW_C: Final = 30.0
BEAT_C: Final = (43.0, 50.0)
INVERTASE_BELOW_C: Final = 60.0
CONDENSED_ABOVE_C: Final = 60.0
ALCOHOLIC_PCT: Final = 5.0
PASSES: Final = "It looks curdled and grainy at first, then suddenly smooth and glossy: keep stirring."


@dataclass(frozen=True, slots=True, kw_only=True)
class Cook:
    """What the steps are made from: the recipe, the chosen method and schools, the kitchen, and a shell if any."""

    recipe: Recipe
    method: str
    choices: Mapping[str, str]
    kitchen: Kitchen
    shell: Ingredient | None
    moulded: bool

    def lines(self, *stages: str) -> tuple[int, ...]:
        """Return the positions of the lines of some stages."""
        return tuple(position for position, line in enumerate(self.recipe.lines) if line.stage in stages)

    def chocolate(self) -> tuple[int, ...]:
        """Return the positions of chocolate and compound."""
        return tuple(
            position for position, line in enumerate(self.recipe.lines) if line.ingredient.kind in CHOCOLATE_KINDS
        )

    @property
    def ceiling_c(self) -> float | None:
        """Return the lowest ceiling of the chocolates in it."""
        kinds = [tempering_kind(self.recipe.lines[position].ingredient) for position in self.chocolate()]
        return min((WINDOWS[kind].never_above_c for kind in kinds), default=None)


def run_steps(
    recipe: Recipe,
    given: Mapping[str, str],
    kitchen: Kitchen,
    method: str | None = None,
    shell: Ingredient | None = None,
    moulded: bool = False,
) -> tuple[Step, ...]:
    """Return the steps of a run. Every line of the recipe goes in at just one step.

    :param shell: the chocolate of shells or coats, where the fit has some; moulded shells are made first.
    :raises BadInput: naming a choice.
    """
    cook = Cook(
        recipe=recipe,
        method=method or recipe.method or FAMILY[recipe.family].methods[0].key,
        choices=checked_choices(given),
        kitchen=kitchen,
        shell=shell,
        moulded=moulded,
    )
    own = _MAKERS.get(recipe.family, _folded)(cook)
    steps = [*(shell_steps(cook.shell, cook.choices["temper"]) if shell and moulded else ()), *own]
    steps = _all_lines_go_in(cook, steps)
    steps += _ending(cook)
    if shell and not moulded:
        steps += [*shell_steps(shell, cook.choices["temper"]), _dip()]
    return tuple(steps)


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


def _ganache(cook: Cook) -> list[Step]:
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
                do=_melting(heat),
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
                attended=False,
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
            why="Between 35 and 45 °C fat and water hold together; colder or hotter they part.",
            passes=PASSES,
            positions=chocolate + early,
        )
    )
    return steps + _later(cook)


def _joining(cook: Cook) -> str:
    if cook.method == "into-melted":
        return "Add the hot cream to the melted chocolate in three goes, stirring from the centre."
    if cook.method == "in-the-pan":
        return "Take the pan off the ring, tip the chocolate in, and stir from the centre."
    wait = "let it stand, then stir" if cook.choices["wait"] == "stand" else "stir at once"
    return f"Pour the cream over the chocolate, {wait}, from the centre."


def _melting(heat: str) -> str:
    return {
        "pan": "Melt it in a pan on the lowest ring, off and on, stirring.",
        "microwave": "First burst 30 s unless you know this oven with this mass, then shorter ones; stir after each "
        "and stop while lumps remain.",
        "water-bath": "Over water that steams but does not boil, the bowl not touching it, stirring.",
    }[heat]


def _later(cook: Cook) -> list[Step]:
    steps = []
    butter, late, folded = cook.lines("stir-in-cool"), cook.lines("late"), cook.lines("fold-in")
    if butter and cook.choices["butter"] == "late":
        steps.append(
            Step(
                key="stir-in-cool",
                title="Stir in the butter",
                do="When it has cooled, stir in what is soft, piece by piece.",
                heat="cool",
                target_c=BUTTER_C,
                cue="it softens on the spoon and vanishes without oil",
                why="Warmer, butter melts to oil; cooler, it stays in lumps.",
                positions=butter,
            )
        )
    spirits = any(cook.recipe.lines[p].ingredient.composition_pct["ethanol"] > ALCOHOLIC_PCT for p in late)
    if late:
        steps.append(
            Step(
                key="late",
                title="Stir in what comes late",
                do="A spoon at a time, at the mix's own warmth.",
                heat="cool",
                target_c=LATE_C,
                cue="still glossy after each spoon",
                why="Cold or much at once splits it; late, aroma stays.",
                caution=cautions.SPIRIT if spirits else "",
                positions=late,
            )
        )
    if folded:
        steps.append(
            Step(
                key="fold-in",
                title="Fold in",
                do="Fold in what should stay whole.",
                cue="evenly through, nothing broken",
                why="Late, crunchy things stay crunchy.",
                positions=folded,
            )
        )
    return steps


def _no_boil_fudge(cook: Cook) -> list[Step]:
    heat = "microwave" if cook.method == "microwave" else cook.choices["heat"]
    melted = tuple(sorted(set(cook.lines("warm", "melt", "") + cook.chocolate())))
    return [
        Step(
            key="melt",
            title="Melt it together",
            do=_melting(heat),
            heat="melt",
            target_c=(45.0, 55.0),
            ceiling_c=min(CONDENSED_ABOVE_C, cook.ceiling_c or CONDENSED_ABOVE_C),
            cue="a few lumps left: stirring melts them",
            why="Over 60 °C condensed milk tightens and the fat oils out; each chocolate has its own ceiling.",
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
        *_later(cook),
    ]


def _boiled_fudge(cook: Cook) -> list[Step]:
    plan = plan_or_none(cook.recipe, cook.kitchen)
    end_c = plan.cooked.to_c if plan else 114.0
    start_c = plan.now.boiling_c if plan else 102.0
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
    return steps + [step for step in _later(cook) if step.key != "stir-in-cool"]


def _fondant(cook: Cook) -> list[Step]:
    enzyme = any(line.ingredient.key == "invertase" for line in cook.recipe.lines)
    steps = [
        Step(
            key="warm",
            title="Warm it soft",
            do="Warm it in its bowl over steaming water, stirring.",
            heat="warm",
            target_c=(45.0, 58.0),
            ceiling_c=65.0,
            cue="it flows from the spoon",
            why="Over 65 °C its crystals dissolve and come back coarse.",
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
                ask="Is it below 60 °C?",
                why="Above 65 to 70 °C the enzyme dies in minutes.",
                positions=tuple(p for p, line in enumerate(cook.recipe.lines) if line.ingredient.key == "invertase"),
            )
        )
    return steps + _later(cook)


def _nut_paste(cook: Cook) -> list[Step]:
    melted = tuple(sorted(set(cook.lines("melt", "warm", "") + cook.chocolate())))
    steps = [
        Step(
            key="melt",
            title="Melt it",
            do=_melting(cook.choices["heat"]),
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
    return steps + _later(cook)


def _folded(cook: Cook) -> list[Step]:
    """Return the steps of what is mixed rather than cooked: melt what melts, then the rest in its stages."""
    steps = []
    melted = tuple(sorted(set(cook.chocolate() + cook.lines("melt"))))
    egg = any("egg" in line.ingredient.allergens for line in cook.recipe.lines)
    if melted:
        steps.append(
            Step(
                key="melt",
                title="Melt the chocolate gently",
                do=_melting(cook.choices["heat"]),
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
    return steps + [step for step in _later(cook) if step.key != "stir-in-cool"]


def _whipped(cook: Cook) -> list[Step]:
    return [
        *_ganache(cook),
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


def _ending(cook: Cook) -> list[Step]:
    rest = cook.choices["rest"]
    if cook.recipe.family == "dry-mix":
        return []
    return [
        Step(
            key="pour",
            title="Into its vessel",
            do="Fill it as the fit says; tap out the air.",
            ask="Is the shell set, and the filling below 28 °C?" if cook.moulded and cook.shell else "",
            why="Too warm it melts the shell."
            if cook.moulded and cook.shell
            else "Once it stiffens it will not level.",
        ),
        Step(
            key="set",
            title="Leave it to set",
            do={
                "cool-first": "Cool it to 30 °C loosely covered, then into the fridge.",
                "fridge": "Into the fridge, loosely covered.",
                "room": "In a cool room, loosely covered, overnight.",
            }[rest],
            heat="cool",
            target_c=(16.0, 20.0),
            ask="Is it below 30 °C and loosely covered?" if rest != "room" else "",
            why="A hot mass sweats in the fridge and warms what stands beside it.",
            caution=cautions.LOCAL_RULES,
            attended=False,
        ),
    ]


def _dip() -> Step:
    return Step(
        key="dip",
        title="Dip",
        do="Dip cold but not frozen pieces, tap off, set them on paper; decorate before the coat sets.",
        cue="glossy, no streaks after some minutes",
        why="Frozen hard, the coat cracks; warm, it slides off.",
    )


_MAKERS: Final[Mapping[str, Callable[[Cook], list[Step]]]] = MappingProxyType(
    {
        "cream-ganache": _ganache,
        "whipped-ganache": _whipped,
        "condensed-milk-fudge": _no_boil_fudge,
        "simmered-fudge": _boiled_fudge,
        "boiled-fudge": _boiled_fudge,
        "fondant": _fondant,
        "nut-paste": _nut_paste,
    }
)
