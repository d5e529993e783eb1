"""Causes: what may have happened, at which stages it can show, and how likely each is by sign and family.

The weights are judgements after the usual causes of the craft: how often of a hundred cases, before anything is known.
They follow the list of what goes wrong in common confectionery practice; no count of cases stands behind them.
"""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

CAUSES: Final[Mapping[str, str]] = MappingProxyType(
    {
        "still-coming-together": "it is still coming together",
        "not-yet-set": "it has not set yet",
        "lumps-unmelted": "lumps are not melted yet",
        "too-much-fat-for-water": "there is too much fat for its water",
        "too-hot": "it got too hot",
        "too-cold": "it is, or was, too cold",
        "scorched": "it is burnt",
        "water-drops": "a little water got into the chocolate",
        "sugar-not-dissolved": "the sugar was not dissolved before the boil",
        "stirred-while-hot": "it was stirred while hot",
        "crystals-from-the-pan": "crystals came down from the wall of the pan",
        "no-doctor-sugar": "no sugar in it keeps the grain fine",
        "too-much-water-left": "too much water is left in it",
        "too-little-water-left": "too little water is left in it",
        "liquid-not-counted": "some liquid went in that was not counted",
        "too-little-chocolate": "there is too little chocolate for its kind",
        "too-much-chocolate": "there is too much chocolate for its liquid",
        "pan-too-full": "the pan was too full",
        "overworked": "it was worked too long",
        "off-temper": "the chocolate was out of temper",
        "too-thin": "it is too thin there",
        "too-thick": "it is too thick",
        "condensation": "moist air settled on the cold surface",
        "chilled-too-fast": "it was chilled too fast",
        "seam-or-thin-spot": "a seam or thin spot gave way",
        "overfilled": "it was filled past its rim",
        "frozen-centre": "the centre was too cold when it was coated",
        "moisture-moved": "moisture moved from one part to the other",
        "warm-when-cut": "it was too warm when it was cut",
        "blade-not-wiped": "the blade was not wiped",
        "unmixed-fats": "fats that do not go together are in it",
        "air-trapped": "air was caught in it",
        "some-lost": "some of it is gone",
        "spoiled": "it has spoiled",
        "out-of-the-cold": "it was out of the cold too long",
        "not-food": "something that is no food is in it",
    }
)
"""Every cause by its key, in words."""

SHOWS_AT: Final[Mapping[str, str]] = MappingProxyType(
    {
        "still-coming-together": "join melt",
        "not-yet-set": "cool beat set roll cut unmould",
        "lumps-unmelted": "melt join cool beat",
        "water-drops": "melt join dip",
        "sugar-not-dissolved": "dissolve boil join cool beat set cut keep",
        "stirred-while-hot": "cool beat set cut keep",
        "crystals-from-the-pan": "boil cool beat set cut keep",
        "pan-too-full": "dissolve boil",
        "overworked": "beat roll join set keep",
        "too-much-water-left": "beat cool set roll cut unmould keep",
        "too-little-water-left": "join beat cool set roll cut keep",
        "condensation": "set dip unmould keep",
        "chilled-too-fast": "set dip unmould keep",
        "seam-or-thin-spot": "set unmould keep",
        "overfilled": "set unmould keep",
        "frozen-centre": "dip set keep",
        "moisture-moved": "set keep roll cut unmould",
        "warm-when-cut": "cut roll",
        "blade-not-wiped": "cut",
    }
)
"""The stages at which a cause can show; of the others at any. Judgements."""
ELSEWHERE: Final = 0.12
"""At another stage a cause counts so much of what it would. A judgement."""

GROUPS: Final[Mapping[str, frozenset[str]]] = MappingProxyType(
    {
        "cooked": frozenset({"boiled-fudge", "simmered-fudge"}),
        "fondant": frozenset({"fondant"}),
        "caramel": frozenset({"caramel", "hard-sugar"}),
        "jelly": frozenset({"fruit-jelly"}),
        "aerated": frozenset({"aerated"}),
        "curd": frozenset({"curd"}),
        "whipped": frozenset({"whipped-ganache"}),
        "condensed": frozenset({"condensed-milk-fudge"}),
        "dough": frozenset({"marzipan", "modelling", "soft-cheese", "dry-mix"}),
        "beaten": frozenset({"butter-ganache", "sugar-butter"}),
        "paste": frozenset({"nut-paste"}),
    }
)
"""Families that behave alike; the others (cream ganache, fillings) are the plain case."""
PLAIN: Final = "plain"
LIKE: Final[Mapping[str, str]] = MappingProxyType(
    {"fondant": "cooked", "caramel": "cooked", "jelly": "cooked", "aerated": "cooked"}
)
"""The group whose row counts where a group of boiled sugar has none of its own; else the plain one. A judgement."""


def group_of(family: str) -> str:
    """Return the group of families that a family belongs to."""
    return next((name for name, families in GROUPS.items() if family in families), PLAIN)


def _weights(text: str) -> Mapping[str, float]:
    rows = (part.rsplit(" ", 1) for part in text.split(", "))
    return MappingProxyType({cause: float(weight) for cause, weight in rows})


LIKELY: Final[Mapping[str, Mapping[str, Mapping[str, float]]]] = MappingProxyType(
    {
        sign: MappingProxyType({group: _weights(text) for group, text in rows.items()})
        for sign, rows in {
            "curdled": {
                "plain": "still-coming-together 40, too-much-fat-for-water 18, too-cold 16, too-hot 14,"
                " liquid-not-counted 3",
                "whipped": "overworked 55, too-cold 12, too-much-fat-for-water 15, still-coming-together 12, too-hot 6",
                "condensed": "too-hot 34, still-coming-together 26, too-cold 14, too-much-fat-for-water 16",
                "beaten": "too-cold 55, still-coming-together 20, too-much-fat-for-water 10, too-hot 10",
                "cooked": "too-hot 40, still-coming-together 20, too-much-fat-for-water 20, scorched 5",
                "curd": "too-hot 78, too-cold 10, still-coming-together 8",
                "dough": "overworked 45, too-cold 25, too-much-water-left 15, too-hot 10",
            },
            "grainy": {
                "plain": "still-coming-together 34, lumps-unmelted 16, too-cold 13, too-hot 13,"
                " too-much-fat-for-water 12,"
                " water-drops 10, sugar-not-dissolved 4",
                "whipped": "overworked 62, too-cold 12, too-much-fat-for-water 10, still-coming-together 8",
                "condensed": "too-hot 32, still-coming-together 18, lumps-unmelted 18, too-cold 10,"
                " sugar-not-dissolved 8, too-much-fat-for-water 8",
                "cooked": "sugar-not-dissolved 27, stirred-while-hot 26, crystals-from-the-pan 16, no-doctor-sugar 15,"
                " too-little-water-left 8, overworked 4, lumps-unmelted 4, still-coming-together 3",
                "caramel": "crystals-from-the-pan 30, sugar-not-dissolved 28, no-doctor-sugar 24, stirred-while-hot 14",
                "jelly": "sugar-not-dissolved 46, too-little-water-left 22, lumps-unmelted 16, no-doctor-sugar 10",
                "aerated": "sugar-not-dissolved 36, crystals-from-the-pan 28, no-doctor-sugar 24, overworked 8",
                "curd": "too-hot 72, lumps-unmelted 12, too-cold 6, sugar-not-dissolved 6",
                "beaten": "too-cold 34, lumps-unmelted 24, sugar-not-dissolved 20, water-drops 8, too-hot 8",
                "paste": "water-drops 36, lumps-unmelted 22, off-temper 18, too-hot 14",
                "dough": "overworked 34, lumps-unmelted 26, too-hot 18, too-little-water-left 12, water-drops 8",
            },
            "gritty": {
                "plain": "lumps-unmelted 32, sugar-not-dissolved 24, too-hot 16, still-coming-together 12,"
                " water-drops 8",
                "cooked": "sugar-not-dissolved 38, stirred-while-hot 24, crystals-from-the-pan 14, no-doctor-sugar 14,"
                " too-little-water-left 6",
                "caramel": "sugar-not-dissolved 34, crystals-from-the-pan 30, no-doctor-sugar 22, stirred-while-hot 12",
                "curd": "too-hot 60, sugar-not-dissolved 20, lumps-unmelted 12",
                "condensed": "sugar-not-dissolved 32, lumps-unmelted 26, too-hot 24, still-coming-together 8",
                "beaten": "sugar-not-dissolved 48, lumps-unmelted 26, too-cold 14",
            },
            "oily": {
                "plain": "too-much-fat-for-water 42, too-hot 24, too-cold 12, still-coming-together 8, overworked 5",
                "whipped": "overworked 46, too-much-fat-for-water 26, too-hot 12, too-cold 8",
                "condensed": "too-hot 46, too-much-fat-for-water 22, too-much-chocolate 14, too-cold 8,"
                " still-coming-together 6",
                "cooked": "too-hot 24, too-much-fat-for-water 26, too-little-water-left 24, overworked 10, too-cold 5",
                "beaten": "too-hot 40, too-much-fat-for-water 20, too-cold 20, overworked 8",
                "paste": "too-hot 34, unmixed-fats 26, off-temper 22, overworked 8",
                "dough": "overworked 56, too-hot 28, too-cold 6",
            },
            "split": {
                "plain": "too-much-fat-for-water 44, too-hot 24, too-cold 16, still-coming-together 10",
                "whipped": "overworked 52, too-much-fat-for-water 24, too-hot 10, too-cold 10",
                "condensed": "too-hot 46, too-much-fat-for-water 24, too-cold 12, too-much-chocolate 10",
                "beaten": "too-cold 46, too-hot 20, too-much-fat-for-water 20",
                "cooked": "too-hot 30, too-much-fat-for-water 28, too-little-water-left 22",
                "dough": "overworked 50, too-hot 30, too-cold 8",
                "paste": "too-hot 30, unmixed-fats 30, off-temper 20",
            },
            "seized": {
                "plain": "water-drops 62, too-hot 14, still-coming-together 10, too-cold 6, too-much-chocolate 4,"
                " lumps-unmelted 3",
                "cooked": "too-little-water-left 40, stirred-while-hot 30, overworked 15, water-drops 10",
            },
            "lumpy": {
                "plain": "lumps-unmelted 58, too-cold 30, water-drops 4, still-coming-together 5",
                "beaten": "too-cold 48, lumps-unmelted 36",
                "whipped": "overworked 40, lumps-unmelted 28, too-cold 20",
                "cooked": "too-cold 26, lumps-unmelted 30, stirred-while-hot 20, crystals-from-the-pan 12",
                "dough": "lumps-unmelted 40, too-cold 30, overworked 12",
            },
            "scorched": {"plain": "scorched 92, too-hot 8"},
            "foamed-over": {"plain": "pan-too-full 68, too-hot 30"},
            "too-soft": {
                "plain": "not-yet-set 30, too-little-chocolate 28, liquid-not-counted 16, too-hot 6, moisture-moved 3",
                "condensed": "not-yet-set 30, too-little-chocolate 30, liquid-not-counted 12, too-hot 4",
                "cooked": "too-much-water-left 62, not-yet-set 16, overworked 4, moisture-moved 5",
                "caramel": "too-much-water-left 74, not-yet-set 8, moisture-moved 8, too-hot 4",
                "jelly": "too-much-water-left 52, not-yet-set 30, overworked 6, too-hot 4",
                "aerated": "too-much-water-left 50, not-yet-set 26, overworked 8, moisture-moved 6",
                "curd": "too-cold 44, not-yet-set 34, liquid-not-counted 10, too-hot 4",
                "whipped": "not-yet-set 30, too-hot 24, too-little-chocolate 22, liquid-not-counted 10",
                "paste": "off-temper 34, not-yet-set 28, unmixed-fats 16, too-little-chocolate 14",
                "beaten": "not-yet-set 34, too-hot 22, too-little-chocolate 20, liquid-not-counted 10",
                "dough": "not-yet-set 24, too-much-water-left 34, too-hot 20, liquid-not-counted 10",
            },
            "too-firm": {
                "plain": "too-much-chocolate 42, too-cold 34, too-little-water-left 10",
                "cooked": "too-little-water-left 66, too-cold 12, overworked 8",
                "caramel": "too-little-water-left 88, too-cold 8",
                "jelly": "too-little-water-left 80, too-cold 6",
                "aerated": "too-little-water-left 70, too-cold 10, moisture-moved 10",
                "curd": "too-cold 50, too-little-water-left 20, too-hot 16",
                "condensed": "too-much-chocolate 40, too-cold 32, too-hot 12, too-little-water-left 8",
                "paste": "too-cold 46, too-much-chocolate 34",
                "dough": "too-cold 42, too-little-water-left 34, overworked 10",
            },
            "crumbly": {
                "plain": "too-cold 40, too-much-chocolate 34, too-little-water-left 8, overworked 6",
                "cooked": "too-little-water-left 48, overworked 16, stirred-while-hot 14, no-doctor-sugar 8,"
                " too-cold 6",
                "condensed": "too-much-chocolate 38, too-cold 30, too-hot 18",
                "dough": "too-little-water-left 44, too-cold 26, overworked 20",
            },
            "sticky": {
                "plain": "too-little-chocolate 26, warm-when-cut 18, condensation 18, moisture-moved 18,"
                " not-yet-set 12,"
                " liquid-not-counted 6",
                "cooked": "too-much-water-left 52, moisture-moved 20, not-yet-set 12, condensation 8",
                "caramel": "too-much-water-left 50, moisture-moved 36, condensation 8",
                "dough": "too-much-water-left 44, moisture-moved 18, too-hot 18, condensation 8",
            },
            "cracked": {
                "plain": "frozen-centre 36, too-cold 22, chilled-too-fast 18, too-thin 12, too-much-chocolate 8",
                "cooked": "too-little-water-left 40, too-cold 26, overworked 12, frozen-centre 10",
                "dough": "too-little-water-left 46, too-cold 26, overworked 12, frozen-centre 6",
            },
            "dull": {
                "plain": "off-temper 40, chilled-too-fast 20, condensation 16, too-cold 12, too-thin 4, overworked 3",
                "cooked": "overworked 30, too-little-water-left 24, stirred-while-hot 20, off-temper 14",
            },
            "streaked": {"plain": "off-temper 52, condensation 18, chilled-too-fast 12, unmixed-fats 8, too-hot 4"},
            "will-not-release": {
                "plain": "off-temper 38, too-thin 22, not-yet-set 20, chilled-too-fast 6, condensation 6, overfilled 4",
                "cooked": "not-yet-set 30, too-much-water-left 40, too-thin 6",
                "condensed": "not-yet-set 36, too-little-chocolate 22, off-temper 16, too-thin 10",
            },
            "leaking": {
                "plain": "seam-or-thin-spot 46, overfilled 22, too-thin 18, frozen-centre 6, too-much-water-left 4",
                "fondant": "seam-or-thin-spot 48, overfilled 30, too-thin 14, air-trapped 6",
            },
            "stringing": {"plain": "too-thick 52, too-cold 34, water-drops 8, off-temper 4"},
            "smeared": {
                "plain": "warm-when-cut 50, blade-not-wiped 32, too-little-chocolate 8, not-yet-set 8",
                "cooked": "warm-when-cut 36, blade-not-wiped 32, too-much-water-left 20, not-yet-set 8",
            },
            "weeping": {
                "plain": "condensation 32, moisture-moved 28, too-much-fat-for-water 12, liquid-not-counted 10",
                "whipped": "overworked 40, too-much-fat-for-water 18, condensation 18, moisture-moved 12",
                "dough": "moisture-moved 34, condensation 26, too-much-water-left 22, overworked 10",
                "cooked": "condensation 34, moisture-moved 28, too-much-water-left 24",
            },
            "gone-soft": {"plain": "moisture-moved 84, condensation 9, too-much-water-left 3"},
            "hollow": {"plain": "air-trapped 44, too-thick 18, too-cold 16, moisture-moved 8, too-thin 6"},
            "spilled": {"plain": "some-lost 100"},
            "mouldy": {"plain": "spoiled 100"},
            "smells-off": {"plain": "spoiled 90, scorched 8, moisture-moved 2"},
            "foreign-body": {"plain": "not-food 100"},
        }.items()
    }
)
"""Sign, group of families, cause: a weight. Where a group has no row of its own, the plain one counts. Judgements."""
UNLISTED: Final = 0.5
"""What a cause weighs that only another of the signs seen names. A judgement."""


def _row(sign: str, group: str) -> Mapping[str, float]:
    """Return the row of a sign for a group of families: its own, else that of the group it is like, else the plain."""
    rows = LIKELY[sign]
    return rows.get(group) or rows.get(LIKE.get(group, PLAIN)) or rows[PLAIN]


def prior(seen: tuple[str, ...], stage: str, family: str) -> dict[str, float]:
    """Return how likely each cause is by the signs alone, before anything is known; not yet summing to 1."""
    rows = [_row(sign, group_of(family)) for sign in seen]
    found: dict[str, float] = {}
    for cause in dict.fromkeys(cause for row in rows for cause in row):
        weight = 1.0
        for row in rows:
            weight *= row.get(cause, UNLISTED)
        stages = SHOWS_AT.get(cause)
        found[cause] = weight if stages is None or stage in stages.split() else weight * ELSEWHERE
    return found
