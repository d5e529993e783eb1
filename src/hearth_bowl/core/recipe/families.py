"""Families: in which order things go in, how each is made by the schools that differ, and what decides success."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final


@dataclass(frozen=True, slots=True, kw_only=True)
class Method:
    """One way of making it, with its trade-off in one sentence."""

    key: str
    name: str
    trade_off: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Family:
    """What is particular to a family: its stages in order, the uses it is made for, its methods (the first is ours
    unless told otherwise), and the rule that decides."""

    stages: tuple[str, ...]
    uses: tuple[str, ...]
    methods: tuple[Method, ...]
    rule: str
    also: tuple[Method, ...] = ()
    """Where good cooks differ besides, to be done with any of the methods."""
    sets: str = ""
    """How it sets, in words of its own, where fat and water say nothing of it."""
    choking: bool = False
    """Whether its pieces are hard, springy or sticky enough to choke on."""


POUR_OVER: Final = Method(
    key="pour-over",
    name="Pour over and wait",
    trade_off="Gentle on the chocolate, but a small bowl may be too cool to melt it all.",
)
MELT_TOGETHER: Final = Method(
    key="melt-together", name="Melt together", trade_off="One bowl and no waiting; watch that it does not get too hot."
)
INTO_MELTED: Final = Method(
    key="into-melted",
    name="Cream into melted chocolate",
    trade_off="The surest emulsion from the centre out; two bowls to warm.",
)
IN_THE_PAN: Final = Method(
    key="in-the-pan",
    name="Chocolate into the pan",
    trade_off="Least washing up; the hot pan goes on heating, so take it off the ring first.",
)
SCALD: Final = Method(key="scald", name="Scald the cream", trade_off="Keeps its water, so that the weights stay true.")
FULL_BOIL: Final = Method(
    key="full-boil", name="Boil the cream", trade_off="Cleaner and keeps longer, but loses water: weigh it back."
)
BUTTER_LATE: Final = Method(
    key="butter-late",
    name="Butter once cooled",
    trade_off="Keeps the butter's texture and the emulsion calm: our default.",
)
BUTTER_EARLY: Final = Method(
    key="butter-early",
    name="Butter at the start",
    trade_off="Nothing to remember later; a little softer and easier to split.",
)
NO_BOIL: Final = Method(
    key="no-boil",
    name="Melt with the condensed milk",
    trade_off="No thermometer needed; over ⟦60 °C⟧ it tightens and oils out.",
)
MICROWAVE: Final = Method(
    key="microwave",
    name="In the microwave, in bursts",
    trade_off="Quick; short bursts and stirring, for it scorches unseen.",
)
BY_DEGREES: Final = Method(
    key="by-degrees",
    name="Cook to a temperature",
    trade_off="Repeatable; needs a tested thermometer and your altitude.",
)
BY_MASS: Final = Method(
    key="by-mass", name="Cook until this much is gone", trade_off="Needs only a scale: the weight lost is water."
)
BY_CUE: Final = Method(
    key="by-cue", name="Cook to a soft ball", trade_off="No instruments, but a matter of practice: note which you used."
)

BROWNED: Final = frozenset({"caramel", "hard-sugar"})
"""Families whose sugar is cooked until it may brown. By definition."""
FAMILY: Final[Mapping[str, Family]] = MappingProxyType(
    {
        "cream-ganache": Family(
            stages=("warm", "pour-over", "stir-in-cool", "fold-in", "late"),
            uses=("pour", "glaze", "dollop", "pipe", "fill-shell", "coat-cake", "roll", "cut", "frame"),
            methods=(POUR_OVER, MELT_TOGETHER, INTO_MELTED, IN_THE_PAN),
            also=(SCALD, FULL_BOIL, BUTTER_LATE, BUTTER_EARLY),
            rule="The ratio for its use, and ⟦35 to 45 °C⟧ while it comes together.",
        ),
        "whipped-ganache": Family(
            stages=("warm", "pour-over", "late"),
            uses=("whip",),
            methods=(POUR_OVER, INTO_MELTED),
            rule="The true ratio is the one after the late cream. Rest it cold, whip briefly, pipe within minutes.",
        ),
        "butter-ganache": Family(
            stages=("melt", "stir-in-cool", "late"),
            uses=("roll", "cut", "frame"),
            methods=(BUTTER_LATE, MELT_TOGETHER),
            rule="The chocolate must still be liquid when it goes into the butter; portion it before it stiffens.",
        ),
        "condensed-milk-fudge": Family(
            stages=("warm", "melt", "fold-in", "late"),
            uses=("roll", "cut"),
            methods=(NO_BOIL, MICROWAVE),
            rule="The ratio goes by the kind of chocolate; no boil, and never above ⟦60 °C⟧.",
        ),
        "simmered-fudge": Family(
            stages=("warm", "boil", "melt", "fold-in", "late"),
            uses=("cut",),
            methods=(BY_MASS, BY_DEGREES),
            rule="Every grain of sugar dissolves before the boil; then that much water is boiled off.",
        ),
        "boiled-fudge": Family(
            stages=("warm", "boil", "stir-in-cool", "fold-in", "late"),
            uses=("cut",),
            methods=(BY_DEGREES, BY_CUE, BY_MASS),
            rule="The end temperature, corrected for altitude; cool it still, then beat. Glucose syrup keeps it fine.",
        ),
        "fondant": Family(
            stages=("warm", "stir-in-cool", "late"),
            uses=("fill-shell", "roll"),
            methods=(
                Method(
                    key="invertase",
                    name="With invertase",
                    trade_off="Turns liquid over one to two weeks: the shell must hold meanwhile.",
                ),
                Method(key="plain", name="Without", trade_off="Stays a soft paste and can be eaten at once."),
            ),
            rule="Below ⟦60 °C⟧ when the invertase goes in; a shell without thin spots.",
        ),
        "nut-paste": Family(
            stages=("melt", "stir-in-cool", "fold-in"),
            uses=("fill-shell", "roll", "cut", "frame"),
            methods=(
                Method(
                    key="tempered", name="Temper it", trade_off="Sets clean and keeps its gloss; two degrees decide."
                ),
                Method(key="cool", name="Only cool it", trade_off="Simple; softer, and may turn grey."),
            ),
            rule="Almost no water: keep every drop and steam away. Its solid fat makes it stand.",
        ),
        "marzipan": Family(
            stages=("warm", "stir-in-cool", "fold-in"),
            uses=("roll", "cut", "model"),
            methods=(
                Method(key="pasteurised", name="Pasteurised egg white", trade_off="The safe way: our default."),
                Method(key="syrup", name="Warm glucose syrup", trade_off="No egg at all; firmer as it cools."),
            ),
            rule="Stiff enough to roll; any egg pasteurised.",
        ),
        "soft-cheese": Family(
            stages=("stir-in-cool", "fold-in"),
            uses=("roll",),
            methods=(
                Method(key="chill", name="Chill, then dip", trade_off="Cold but not frozen hard, or the coat cracks."),
            ),
            rule="Always in the fridge: soft cheese decides how long it keeps.",
        ),
        "sugar-butter": Family(
            stages=("stir-in-cool", "melt", "late"),
            uses=("roll", "cut"),
            methods=(BUTTER_LATE, MELT_TOGETHER),
            rule="Beat butter and sugar first; the chocolate still liquid when it goes in.",
        ),
        "filling": Family(
            stages=("warm", "melt", "fold-in", "late"),
            uses=("roll", "cut"),
            methods=(MELT_TOGETHER,),
            rule="Small amounts by spoon go wrong easily: weigh them. Water next to chocolate needs a barrier.",
        ),
        "modelling": Family(
            stages=("melt", "fold-in"),
            uses=("model",),
            methods=(
                Method(
                    key="fold",
                    name="Fold at the same temperature",
                    trade_off="Both at ⟦30 to 35 °C⟧: fold until it just leaves the bowl, or oil beads out.",
                ),
            ),
            rule="Syrup by the kind of chocolate; rest it, then knead.",
        ),
        "dry-mix": Family(
            stages=("fold-in",),
            uses=("drink",),
            methods=(Method(key="sieve", name="Sieve together", trade_off="Fine and free of lumps; keep it dry."),),
            rule="Grams for each cup of milk.",
        ),
        "caramel": Family(
            stages=("boil", "stir-in-cool", "fold-in", "late"),
            uses=("cut", "fill-shell", "pipe", "pour", "dollop", "glaze"),
            methods=(
                Method(
                    key="wet",
                    name="Boil it all together",
                    trade_off="Even and easy to stop at a temperature; paler, and it catches unless it is stirred.",
                ),
                Method(
                    key="dry",
                    name="Melt the sugar dry first",
                    trade_off="Deep caramel taste; the warm cream makes it erupt, and it burns within seconds.",
                ),
            ),
            rule="The end of the boil is its water: firm to bite with 7 to 10 %, flowing with 14 to 18 %.",
            sets="Sets by its water: to cut after a night at room temperature, wrapped at once.",
            choking=True,
        ),
        "fruit-jelly": Family(
            stages=("boil", "late"),
            uses=("cut", "fill-shell"),
            methods=(
                Method(
                    key="pectin",
                    name="Pectin",
                    trade_off="Short, clean bite; acid goes in last, then it is cast at once.",
                ),
                Method(key="agar", name="Agar", trade_off="Boiled two minutes, sets from ⟦40 to 35 °C⟧; less clear."),
            ),
            rule="About its weight of sugar, boiled to 22 to 26 % water; acid last, cast at once above ⟦85 °C⟧.",
            sets="Sets by pectin: firm after a night at room temperature.",
            choking=True,
        ),
        "aerated": Family(
            stages=("boil", "stir-in-cool", "fold-in", "late"),
            uses=("cut", "pipe", "fill-shell"),
            methods=(
                Method(
                    key="gelatine",
                    name="With gelatine",
                    trade_off="Marshmallow: soft and springy; not for vegetarians.",
                ),
                Method(
                    key="egg-white",
                    name="On egg white",
                    trade_off="Nougat: firmer the hotter its syrup; take pasteurised or dried white.",
                ),
            ),
            rule="The syrup's water decides how firm it is; what goes in goes in before it is whipped stiff.",
            sets="Sets by gelatine or its syrup: firm after 4 to 12 hours at room temperature.",
            choking=True,
        ),
        "curd": Family(
            stages=("warm", "stir-in-cool", "late"),
            uses=("fill-shell", "dollop", "pipe"),
            methods=(
                Method(key="water-bath", name="Over a water bath", trade_off="Slow and safe from scrambling."),
                Method(key="pan", name="In the pan", trade_off="Quick; it scrambles at the pan's floor first."),
            ),
            rule="Stirred over a bath to ⟦82 to 84 °C⟧ in its middle, never a boil; below ⟦10 °C⟧ within two hours.",
            sets="Sets by its egg: thick enough to pipe once it is cold.",
        ),
        "hard-sugar": Family(
            stages=("boil", "fold-in", "late"),
            uses=("cut", "pour"),
            methods=(BY_DEGREES, BY_CUE),
            rule="Boiled to 2 to 3 % water, poured at once; dry air and an airtight box.",
            sets="Sets hard within minutes, and draws water from the air: into an airtight box at once.",
            choking=True,
        ),
    }
)
