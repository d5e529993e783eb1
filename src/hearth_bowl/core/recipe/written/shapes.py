"""Shapes: how the words of an amount look, in patterns that more than one reader needs."""

import re
from typing import Final

from hearth_bowl.core.recipe.typed_amount import NUMBER, TENTHS_ML, UNIT_WORDS, number_of
from hearth_bowl.core.recipe.written.amount_words import (
    CASED_UNITS,
    COUNT_WORDS,
    COUNTED_WORDS,
    FOREIGN_MASS_G,
    FOREIGN_UNITS,
    MEASURES_IN_PINTS,
)

_UNITS: Final = sorted(
    {
        *UNIT_WORDS,
        *FOREIGN_UNITS,
        *FOREIGN_MASS_G,
        *TENTHS_ML,
        *MEASURES_IN_PINTS,
        *COUNTED_WORDS,
        *map(str.lower, CASED_UNITS),
    },
    key=len,
)
COUNTS: Final = "|".join(sorted(COUNT_WORDS, key=len, reverse=True))
UNIT: Final = "|".join(re.escape(word) for word in reversed(_UNITS))
AMOUNT: Final = re.compile(
    rf"^(?:about |approx\.? |approximately |around |roughly |ca\.? |scant |heaped |heaping "
    rf"|rounded |level |generous |a good |a scant "
    rf"|a heaped )*"
    rf"(?P<low>{NUMBER}|(?:{COUNTS})(?![a-zà-ÿ]))\s*"
    rf"(?:(?:-|–|—|to|or|bis|à|a)\s*(?P<high>{NUMBER})\s*)?"
    rf"(?:x\s+|x(?=\d))?(?:(?:small|large|medium|big|heaped|heaping|level|scant|rounded|generous|whole|fresh|good)\s+)*"
    rf"(?P<unit>(?:{UNIT})(?![a-zà-ÿ])\.?)?\s*(?:of\s+|de\s+|d'|di\s+)?(?P<rest>.*)$",
    re.IGNORECASE,
)
PACKS: Final = (
    "tins?|cans?|bars?|blocks?|packs?|packets?|pots?|pkgs?\\.?|box(?:es)?|punnets?|cartons?|tubs?|tubes?|jars?|bottles?|bags?|boîtes?|tablettes?|dosen?"
    "|tafeln?|latas?|becher|packages?|gläser|glas|botes?|lattin[ae]|tavolett[ae]|barattol[oi]|vasett[oi]"
)
SIZE_UNIT: Final = r"kg|g|grams?|ml|cl|dl|fl\.? ?oz|oz|ounces?"
GRAMS: Final = re.compile(rf"(?P<grams>{NUMBER})\s*(?P<unit>kg|g|grams?|gr)\b", re.IGNORECASE)
MILLILITRES: Final = re.compile(rf"(?P<much>{NUMBER})\s*(?P<unit>ml|cl|dl)(?![a-z])", re.IGNORECASE)


def number_of_counted(text: str) -> float:
    """Return a count in figures or in words: 2, half a, a dozen."""
    counted = COUNT_WORDS.get(" ".join(text.lower().split()))
    return number_of(text) if counted is None else counted
