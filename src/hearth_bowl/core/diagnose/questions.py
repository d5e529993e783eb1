"""Questions: at most three, each the one whose answer tells the causes apart best (the most information expected)."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from math import log2
from typing import Any, Final

from hearth_bowl.core.diagnose.bowl import Bowl
from hearth_bowl.core.diagnose.evidence import CLEAR, COOL_JOIN_C, SURE, WARM_ROOM_C, Evidence
from hearth_bowl.core.diagnose.facts import Facts
from hearth_bowl.core.errors import BadInput

MOST_QUESTIONS: Final = 3  # a limit, by definition
SURE_ENOUGH: Final = 0.85
"""From this share of one cause on nothing more is asked. A judgement."""
LEAST_BITS: Final = 0.05  # a judgement
NOT_SURE: Final = "not sure"


@dataclass(frozen=True, slots=True, kw_only=True)
class Means:
    """What an answer means: facts by name, evidence of its own, or liquid that was not counted [g of water]."""

    facts: Mapping[str, Any] = field(default_factory=dict)
    evidence: tuple[Evidence, ...] = ()
    extra_water_g: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Question:
    """A question of some stages, why it is asked, and what each answer means; "not sure" is always one."""

    key: str
    text: str
    why: str
    options: Mapping[str, Means]
    stages: frozenset[str]


def _says(words: str, supports: str = "", against: str = "", factor: float = SURE) -> tuple[Evidence, ...]:
    return (
        Evidence(
            says=words,
            supports=frozenset(supports.split()),
            against=frozenset(against.split()),
            factor=factor,
            against_factor=factor,
        ),
    )


def _yes_no(name: str, yes: Any = True, no: Any = False) -> dict[str, Means]:
    return {"yes": Means(facts={name: yes}), "no": Means(facts={name: no})}


def _about(words: str, causes: str, no_words: str = "", also_no: str = "") -> dict[str, Means]:
    return {
        "yes": Means(evidence=_says(words, supports=causes, factor=SURE)),
        "no": Means(evidence=_says(no_words, supports=also_no, against=causes, factor=CLEAR)),
    }


def _question(key: str, text: str, why: str, stages: str, options: Mapping[str, Means]) -> Question:
    return Question(key=key, text=text, why=why, options=options, stages=frozenset(stages.split()))


FIXED: Final = (
    _question(
        "sugar_dissolved",
        "Was all the sugar dissolved before it boiled, with no grit between the fingers?",
        "Sugar that boils undissolved seeds the grain.",
        "dissolve boil cool beat set cut keep",
        _yes_no("sugar_dissolved"),
    ),
    _question(
        "stirred_while_cooling",
        "Was it stirred or moved while it was still hot, before it was beaten?",
        "Stirring a hot syrup starts coarse crystals.",
        "cool beat set cut keep",
        _yes_no("stirred_while_cooling"),
    ),
    _question(
        "drops_of_water",
        "Did water or steam get in, or was a tool or bowl damp?",
        "A few drops make melted chocolate stiff and grainy.",
        "melt join dip",
        _yes_no("drops_of_water", 1.0, 0.0),
    ),
    _question(
        "tempered",
        "Was the chocolate tempered, and did a test set shiny within five minutes?",
        "Out of temper it is dull, soft, and does not shrink from its mould.",
        "dip set unmould keep",
        _yes_no("tempered"),
    ),
    _question(
        "minutes",
        "Has it been stirred for more than ten minutes?",
        "A ganache looks curdled first; most come together within a few minutes.",
        "join melt",
        _yes_no("minutes", 15.0, 2.0),
    ),
    _question(
        "stood",
        "Has it stood for a whole day?",
        "It goes on setting for 12 to 24 hours.",
        "cool set roll cut unmould",
        _yes_no("minutes", 1500.0, 150.0),
    ),
    _question(
        "shell_mm",
        "Is the shell thinner than about a millimetre where it gave way?",
        "A thin wall breaks, sticks and leaks.",
        "set dip unmould keep",
        _yes_no("shell_mm", 0.9, 2.0),
    ),
    _question(
        "liquid_besides",
        "Did a liquid go in that the recipe does not count, such as liqueur, coffee or thinner cream?",
        "Any liquid thins it like water.",
        "join cool beat set roll cut keep",
        {
            "no": Means(evidence=_says("no other liquid went in", against="liquid-not-counted")),
            "about a spoon": Means(
                evidence=_says("an extra spoon of liquid went in", supports="liquid-not-counted"), extra_water_g=15.0
            ),
            "several spoons": Means(
                evidence=_says("some extra spoons of liquid went in", supports="liquid-not-counted"), extra_water_g=45.0
            ),
        },
    ),
    _question(
        "grains_melt",
        "Do the grains melt between warm fingers?",
        "Grains of fat or chocolate melt, grains of sugar stay.",
        "melt join cool beat set cut keep",
        {
            "yes": Means(
                evidence=_says(
                    "its grains melt between the fingers",
                    supports="lumps-unmelted too-cold overworked still-coming-together",
                    against="sugar-not-dissolved stirred-while-hot crystals-from-the-pan",
                    factor=CLEAR,
                )
            ),
            "no": Means(
                evidence=_says(
                    "its grains stay hard between the fingers",
                    supports="sugar-not-dissolved stirred-while-hot crystals-from-the-pan",
                    against="lumps-unmelted too-cold overworked",
                    factor=CLEAR,
                )
            ),
        },
    ),
    _question(
        "crystals_on_the_wall",
        "Were there crystals on the wall of the pan or on the spoon?",
        "One crystal that falls back seeds the whole pan.",
        "boil cool beat set cut keep",
        _about("crystals stood on the wall of the pan", "crystals-from-the-pan"),
    ),
    _question(
        "pan_full",
        "Was the pan more than a third full?",
        "A boiling mass rises to three times its height.",
        "dissolve boil",
        _about("the pan was more than a third full", "pan-too-full", also_no="too-hot"),
    ),
    _question(
        "worked_long",
        "Was it whipped, kneaded or beaten until it stood stiff?",
        "Worked too long its fat comes out, or its grain.",
        "beat roll join set",
        _about("it was worked until it stood stiff", "overworked"),
    ),
    _question(
        "filled_high",
        "Was it filled to the rim, with less than a millimetre left for the cap?",
        "A cap needs room to close.",
        "set unmould keep",
        _about("it was filled to the rim", "overfilled", also_no="seam-or-thin-spot"),
    ),
    _question(
        "centres_from_the_freezer",
        "Were the centres hard from the fridge or freezer when they were coated?",
        "A cold centre grows as it warms, and its coat cracks.",
        "dip set keep",
        _about("the centres were hard with cold", "frozen-centre", also_no="too-thin"),
    ),
    _question(
        "blade",
        "Was the blade warm, and wiped after each cut?",
        "What clings to the blade is drawn through the next cut.",
        "cut",
        {
            "yes": Means(evidence=_says("the blade was wiped", against="blade-not-wiped", supports="warm-when-cut")),
            "no": Means(evidence=_says("the blade was not wiped", supports="blade-not-wiped")),
        },
    ),
    _question(
        "freezer",
        "Was it chilled in the freezer?",
        "Too quick a chill leaves it dull, and moist when it comes out.",
        "set dip unmould keep",
        _about("it was chilled in the freezer", "chilled-too-fast condensation"),
    ),
    _question(
        "beside_moist",
        "Does it lie beside something moist, or open to the air?",
        "Water wanders to what is drier.",
        "set keep roll unmould",
        _about("it is beside something moist", "moisture-moved"),
    ),
    _question(
        "thin_bowl",
        "Does it run thin again when the bowl is warmed a little?",
        "Cold chocolate is thick; chocolate with water in it stays thick.",
        "melt dip",
        {
            "yes": Means(evidence=_says("warmed, it runs thin again", supports="too-cold", against="water-drops")),
            "no": Means(evidence=_says("warmed, it stays thick", supports="too-thick water-drops", against="too-cold")),
        },
    ),
)
"""Numerical, by definition."""


def questions_for(bowl: Bowl, stage: str, now_c: float | None) -> list[Question]:
    """Return the questions that can be asked at a stage, and whose answer is not known."""
    facts = bowl.facts
    found = [question for question in FIXED if stage in question.stages and not _is_known(question, facts)]
    name, tightens_c = bowl.tightens
    if facts.hottest_c is None and not bowl.is_cooked and bowl.chocolate_g > 0 and stage in ("melt", "join", "cool"):
        found.append(
            _question(
                "hotter",
                f"Did it get hotter than ⟦{tightens_c:.0f} °C⟧?",
                f"{name[0].upper()}{name[1:]} tightens and oils out from there.",
                stage,
                _yes_no("hottest_c", tightens_c + 10, tightens_c - 5),
            )
        )
    if facts.coldest_c is None and now_c is None and stage in ("join", "beat", "cool"):
        found.append(
            _question(
                "cool_to_the_lip",
                f"Does it feel cool to the lip, below about ⟦{COOL_JOIN_C:.0f} °C⟧?",
                "Cold, its fat sets before the liquid takes it in.",
                stage,
                _yes_no("coldest_c", 22.0, 36.0),
            )
        )
    if now_c is None and stage in ("cut", "roll"):
        found.append(
            _question(
                "firm_and_cold",
                "Is it firm and cool to the touch right through?",
                "A warm slab smears and clings.",
                stage,
                {
                    "yes": Means(evidence=_says("it is cool right through", against="warm-when-cut not-yet-set")),
                    "no": Means(evidence=_says("it is not cool right through", supports="warm-when-cut not-yet-set")),
                },
            )
        )
    if facts.room_c is None and stage in ("dip", "set", "unmould", "keep", "cut"):
        found.append(
            _question(
                "warm_room",
                f"Is the room warmer than about ⟦{WARM_ROOM_C:.0f} °C⟧?",
                "In a warm room chocolate does not set well, and what is cold turns moist.",
                stage,
                _yes_no("room_c", 28.0, 20.0),
            )
        )
    return found


ASKED_FIRST: Final = {
    (sign, stage): ("tempered", "freezer")
    for sign in ("dull", "streaked", "will-not-release")
    for stage in ("set", "dip", "unmould")
}
"""Questions that a confectioner asks first of a sign at a stage: of a dull shell, its temper, then its cooling."""


def _place(key: str, first: Sequence[str]) -> int:
    return first.index(key) if key in first else len(first)


def _is_known(question: Question, facts: Facts) -> bool:
    named = {name for means in question.options.values() for name in means.facts}
    return any(getattr(facts, name) is not None for name in named)


ALL_KEYS: Final = (*(question.key for question in FIXED), "hotter", "cool_to_the_lip", "firm_and_cold", "warm_room")


def answered(bowl: Bowl, stage: str, now_c: float | None, answers: Mapping[str, str]) -> tuple[Bowl, list[Evidence]]:
    """Return the bowl with what was answered, and the evidence that it gives besides.

    :raises BadInput: below `answers`: a question that there is not, or an answer that it has not.
    """
    evidence: list[Evidence] = []
    for key, answer in answers.items():
        if key not in ALL_KEYS:
            raise BadInput(("answers", key), "no such question", ", ".join(ALL_KEYS), "unknown")
        question = next((one for one in questions_for(bowl, stage, now_c) if one.key == key), None)
        if question is None or answer == NOT_SURE:
            continue
        if answer not in question.options:
            raise BadInput(
                ("answers", key), f"unknown answer {answer[:40]!r}", ", ".join((*question.options, NOT_SURE)), "unknown"
            )
        means = question.options[answer]
        evidence += means.evidence
        bowl = replace(
            bowl, facts=replace(bowl.facts, **means.facts), extra_water_g=bowl.extra_water_g + means.extra_water_g
        )
    return bowl, evidence


def next_question(
    bowl: Bowl,
    stage: str,
    now_c: float | None,
    asked: Mapping[str, str],
    weigh: Callable[[Bowl, Means], Mapping[str, float]],
    signs: Sequence[str] = (),
) -> Question | None:
    """Return the question that decides most, None where nothing more is worth asking.

    :param weigh: what each cause weighs, not summing to 1, if an answer means so much.
    """
    base = weigh(bowl, Means())
    total = sum(base.values())
    if len(asked) >= MOST_QUESTIONS or max(base.values()) >= SURE_ENOUGH * total:
        return None
    first = [key for sign in signs for key in ASKED_FIRST.get((sign, stage), ())]
    for question in sorted(questions_for(bowl, stage, now_c), key=lambda one: _place(one.key, first)):
        if question.key in first and question.key not in asked:
            return question
    best: tuple[float, Question] | None = None
    for question in questions_for(bowl, stage, now_c):
        if question.key in asked:
            continue
        after = [
            weigh(replace(bowl, facts=replace(bowl.facts, **means.facts)), means) for means in question.options.values()
        ]
        bits = _bits(base, after)
        if bits > LEAST_BITS and (best is None or bits > best[0]):
            best = bits, question
    return None if best is None else best[1]


def _bits(base: Mapping[str, float], after: list[Mapping[str, float]]) -> float:
    """Return how much the answer is expected to tell of the cause [bits]: their mutual information."""
    total = sum(base.values())
    joint = []
    for cause, weight in base.items():
        ratios = [option[cause] / weight for option in after]
        joint.append([weight / total * ratio / sum(ratios) for ratio in ratios])
    options = [sum(row[position] for row in joint) for position in range(len(after))]
    bits = 0.0
    for row in joint:
        of_cause = sum(row)
        for value, of_option in zip(row, options, strict=True):
            if value > 0:
                bits += value * log2(value / (of_cause * of_option))
    return bits
