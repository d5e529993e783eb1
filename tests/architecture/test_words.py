"""Words that no page, sentence or message uses, and lengths that texts keep to."""

import re
import unittest
from typing import Final

from hearth_bowl.paths import ROOT
from tests.architecture.words import Text, all_texts

NEVER: Final = (ROOT / "tests" / "architecture" / "never.txt").read_text().split("\n")[:-1]
"""Phrases that are hard to understand, a pattern a line."""
BUTTONS: Final = re.compile(
    r"(?:Take|Take it|Take it out|There|Begin|Go on|Keep|Keep it|Read it|Add it|Start it|Put it in|Put it there"
    r"|Ask for that|It is right|That is done|Make it|Mark|Stop it|Release|Accept|OK|Submit|Share it)"
)
"""Words that do not say what a button does."""
APART: Final = (
    "/migrations/",
    "/old_steps/",
    "/vocabulary/",
    "sources.py",
    "/written/",
    "/card/",
    "schema",
    "stove/events.py",
)
"""Where words are data: cards as people write them, steps of old batches, titles of sources, keys of verdicts."""


def breaks(text: Text) -> str | None:
    """Return what a text breaks."""
    if any(part in str(text.path) for part in APART):
        return None
    if "/web/" in str(text.path) and BUTTONS.fullmatch(text.words.strip()):
        return "a button names what it does"
    return next((found.group() for one in NEVER if (found := re.search(one, text.words, re.IGNORECASE))), None)


class Words(unittest.TestCase):
    def test_no_text_uses_words_that_are_hard_to_understand(self) -> None:
        found = [
            f"{text.path.relative_to(ROOT)}:{text.line}: {why}: {text.words}"
            for text in all_texts()
            if (why := breaks(text))
        ]
        self.assertEqual(found, [])

    def test_every_place_of_texts_is_read(self) -> None:
        words = {text.words for text in all_texts()}
        self.assertLessEqual({"Use these amounts in the recipe", "Worked out the way food labels do it."}, words)
        self.assertTrue(
            any(breaks(Text(ROOT / "web" / "x.tsx", 1, said)) for said in ("Reckoned as labels do.", "Take it"))
        )


if __name__ == "__main__":
    unittest.main()
