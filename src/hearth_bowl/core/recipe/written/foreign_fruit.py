"""The juice and the zest of fruit as French, German, Italian, Portuguese and Spanish kitchens say it, put in English.

Which words these are is common practice, a judgement.
"""

import re
from typing import Final

from hearth_bowl.core.recipe.typed_amount import NUMBER, number_of

_JUICE: Final = r"jus|saft|succo|suco|sumo|zumo|jugo"
_ZEST: Final = r"zestes?|abrieb|schale|scorz[ae](?: grattugiat[ae])?|raspas?|ralladura|cascas?|piel|écorces?"
_FRUIT: Final = (
    ("lime", r"citrons? verts?|limetten?|limette|limes?|limas?"),
    ("lemon", r"citrons?|zitronen?|limon[ei]|limones|limón|limão|limões"),
    ("orange", r"oranges?|orangen?|aranc[ei]|arancia|laranjas?|naranjas?"),
)
_HALF: Final = r"1/2|une? demi-?|demi-?|einer halben|halben?|halber|mezz[ao]|medi[ao]|mei[ao]"
_ONE: Final = r"une?|einer|eine|un[ao]?|uma?"
_COUNTS: Final = ((0.5, _HALF), (1.0, _ONE), (2.0, "deux|zwei|due|duas|dos"))  # by definition
_FRUIT_OF: Final = re.compile(
    rf"\b(?P<first>{_JUICE}|{_ZEST})(?: (?:et|und|e|y) (?:le |la |die |el )?(?P<second>{_JUICE}|{_ZEST}))?"
    r"(?: finement râpée?s?| gerieben\w*| fein)?\s+(?:von |de la |de |d'|di |d’|da |do )?"
    rf"(?P<count>{NUMBER}|"
    + "|".join(words for _, words in _COUNTS)
    + r")\s*(?:bio-?\s?|unbehandelten?r? |große[nr]? )?"
    rf"(?P<fruit>{'|'.join(words for _, words in _FRUIT)})(?P<and_half> et demie?)?(?![a-zà-ÿ])",
    re.IGNORECASE,
)


def fruit_in_english(text: str) -> str:
    """Return a line with what it says of juice and zest in English: `le jus d'un citron` is `juice of 1 lemon`."""
    return _FRUIT_OF.sub(_said, text)


def _said(found: re.Match[str]) -> str:
    said = [word for word in (found["first"], found["second"]) if word]
    what = " and ".join("juice" if re.fullmatch(_JUICE, word, re.IGNORECASE) else "zest" for word in said)
    fruit = next(name for name, words in _FRUIT if re.fullmatch(words, found["fruit"], re.IGNORECASE))
    words = found["count"]
    counted = next((number for number, one in _COUNTS if re.fullmatch(one, words, re.IGNORECASE)), None)
    number = number_of(words) if counted is None else counted
    return f"{what} of {number + (0.5 if found['and_half'] else 0):g} {fruit}"
