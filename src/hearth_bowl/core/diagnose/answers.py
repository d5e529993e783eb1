"""Answers: each cause with what is said and done of it."""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.diagnose import dosed, handwork
from hearth_bowl.core.diagnose.answer import Answer, Answering
from hearth_bowl.core.diagnose.bowl import Bowl

ANSWERS: Final[Mapping[str, Answering]] = MappingProxyType(
    {
        "still-coming-together": handwork.coming_together,
        "not-yet-set": handwork.not_set,
        "lumps-unmelted": handwork.lumps,
        "too-much-fat-for-water": dosed.split,
        "too-hot": dosed.too_hot,
        "too-cold": handwork.too_cold,
        "scorched": handwork.scorched,
        "water-drops": dosed.seized,
        "sugar-not-dissolved": dosed.grained,
        "stirred-while-hot": dosed.grained,
        "crystals-from-the-pan": dosed.grained,
        "no-doctor-sugar": dosed.grained,
        "too-much-water-left": dosed.wetter,
        "too-little-water-left": dosed.drier,
        "liquid-not-counted": dosed.softened,
        "too-little-chocolate": dosed.too_soft,
        "too-much-chocolate": dosed.too_firm,
        "pan-too-full": handwork.pan_full,
        "overworked": dosed.overworked,
        "off-temper": handwork.off_temper,
        "too-thin": handwork.plain(
            "The wall is too thin.",
            "Chill it for ten minutes and give it a second coat, thickest at the rim and along the edges.",
            "Held against the light no bright spot shows.",
            instead="broken up and stirred into a ganache",
        ),
        "too-thick": handwork.thick,
        "condensation": handwork.plain(
            "Moist air settled on it while it was cold. Damp patches dry. Sugar spots stay and do no harm.",
            "Leave it covered until it is at room temperature, then let it dry in moving air. Never wipe it. Eat"
            " pieces that weep soon.",
            "The surface is dry to the touch.",
            instead="rolled in cocoa, which hides the spots",
        ),
        "chilled-too-fast": handwork.plain(
            "It was chilled too fast.",
            "Let it come to room temperature, covered. Coat it again in tempered chocolate, and set it at ⟦12 to 16 °C⟧"
            " or for"
            " 15 min in the fridge, not in the freezer.",
            "The new coat sets shiny and whole.",
            (12.0, 16.0),
        ),
        "seam-or-thin-spot": handwork.seam,
        "overfilled": handwork.plain(
            "It was filled too high, so that its cap could not close.",
            "Scrape the filling back to 1.5 mm below the rim, wipe the rim clean, let it set, and cap it again.",
            "The cap is flat and closes all round.",
        ),
        "frozen-centre": handwork.plain(
            "The centre was too cold when it was coated: it grew as it warmed.",
            "Let the other centres stand until they are at ⟦12 to 16 °C⟧. Those that cracked get a second thin coat.",
            "The coat stays whole as they come to room temperature.",
            (12.0, 16.0),
        ),
        "moisture-moved": handwork.moist,
        "warm-when-cut": handwork.plain(
            "It was too warm for the knife.",
            "Chill it to ⟦10 to 18 °C⟧. Cut with a long blade, warmed in hot water and wiped dry for each cut.",
            "Each cut stands with a clean edge.",
            (10.0, 18.0),
            instead="rolled into balls in cocoa",
        ),
        "blade-not-wiped": handwork.plain(
            "What clung to the blade was drawn along.",
            "Dip the blade in hot water and wipe it dry before each cut; press straight down, do not saw.",
            "Each cut stands with a clean edge.",
            (10.0, 18.0),
        ),
        "unmixed-fats": handwork.plain(
            "Fats that do not go together are in it: it stays soft and streaks. Good to eat, never to mould.",
            "Keep it cool and use it as a filling or in a sauce; the next is made with one kind of chocolate alone.",
            "Chilled, it holds.",
            instead="a soft filling or a sauce",
        ),
        "air-trapped": handwork.plain(
            "Air was caught in it.",
            "Open the hollow with a warm knife, fill it up with the mix at its working temperature, tap it on the"
            " board, and"
            " close it again.",
            "Cut through, the next one is full.",
        ),
        "some-lost": handwork.lost,
        "spoiled": handwork.spoiled,
        "out-of-the-cold": handwork.out_of_the_cold,
        "not-food": handwork.not_food,
    }
)
"""What is answered for each cause: the usual help in practice, dosed by the handbook's formulas."""


def answer_of(bowl: Bowl, stage: str, causes: list[str]) -> Answer:
    """Return what is done for the likeliest cause that its own reckoning supports."""
    for cause in causes:
        answer = ANSWERS[cause](bowl, stage)
        if answer is not None:
            return answer
    return dosed.softened(bowl, stage)
