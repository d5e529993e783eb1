"""Stages: when an ingredient goes in, by the method's own words.

Common practice; numbers with no source beside them are judgements.
"""

import re
from collections.abc import Sequence
from typing import Final

from hearth_bowl.core.ingredients.library import LIBRARY

SAID: Final[tuple[tuple[str, str], ...]] = (
    ("late", r"\bat the (?:very )?end\b|\blast(?:ly)?\b|\bfinally\b|\bjust before\b"),
    (
        "stir-in-cool",
        r"\boff the heat\b|\b(?:when|once|until) (?:it is |it's |it has )?(?:cool|lukewarm|cooled)|\bbelow \d\d ?°",
    ),
    ("fold-in", r"\bfold(?:ing)?\b"),
    ("pour-over", r"\bpour(?:ed|ing)? (?:it |the [a-z ]{1,30} )?over\b"),
    ("melt", r"\bmelt(?:ed|ing)?\b"),
    ("boil", r"\bboil(?:ing|ed)?\b|\bsoft[- ]ball\b"),
    ("warm", r"\b(?:warm|heat|simmer|scald|steam)(?:ed|ing)?\b"),
    ("stir-in-cool", r"\b(?:stir|beat|mix|whisk)(?:red|en|ing)? in\b"),
)
"""The stage that a sentence speaks of, the first that it does."""
SENTENCE_END: Final = re.compile(r"(?<=[.!;])\s+")
MOST_SENTENCES: Final = 400  # a limit, by definition
SHORTEST_WORD: Final = 3  # a limit, by definition
GENERAL: Final = frozenset({"dark", "milk", "white", "whole", "pure", "made", "liquid", "ground", "extract"})


BOILED: Final = frozenset(
    {"boiled-fudge", "simmered-fudge", "fondant", "caramel", "fruit-jelly", "aerated", "hard-sugar"}
)
"""Families whose syrup is boiled down; in others what comes to the boil is only warmed."""


def stage_of(key: str, steps: Sequence[str], family: str) -> str:
    """Return the stage at which a method puts an ingredient in, or an empty text where it does not say."""
    words = _words_of(key)
    for sentence in _sentences(steps):
        if any(re.search(rf"\b{re.escape(word)}", sentence) for word in words):
            found = next((stage for stage, said in SAID if re.search(said, sentence)), None)
            if found is not None:
                return "warm" if found == "boil" and family not in BOILED else found
    return ""


def _sentences(steps: Sequence[str]) -> list[str]:
    found: list[str] = []
    for step in steps:
        found += [sentence.lower() for sentence in SENTENCE_END.split(step) if sentence]
        if len(found) >= MOST_SENTENCES:
            break
    return found[:MOST_SENTENCES]


def _words_of(key: str) -> list[str]:
    """Return the words by which a method names an ingredient: chocolate, cream, rum."""
    ingredient = LIBRARY[key]
    if ingredient.kind in ("chocolate", "compound"):
        return ["chocolate", "couverture"]
    if ingredient.kind in ("cream", "butter"):
        return [ingredient.kind]
    if ingredient.kind == "condensed-milk":
        return ["condensed milk", "milk"]
    words = re.findall(r"[a-zà-ÿ]+", ingredient.name.lower().split("%")[0])
    told = [word.rstrip("s") for word in words if len(word) >= SHORTEST_WORD and word not in GENERAL]
    return told[:1]
