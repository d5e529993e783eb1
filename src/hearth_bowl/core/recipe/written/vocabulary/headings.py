"""Words of headings: which part of a piece what stands under them is, in English and five other kitchens.

Common practice, a judgement.
"""

import re
from typing import Final

ROLE_WORDS: Final = (
    ("shell", r"shells?|casings?|hüllen?|hohlkörper|coques?|gusc[io]+|cascas?|cáscaras?"),
    ("rolling", r"roll(?:ing)?|dusting|wälzen|bestäuben|rouler|rotolare|enrolar|rebozar|polvilhar"),
    (
        "coat",
        r"coat(?:ing)?|dip(?:ping)?|enrobing|glaze|überzug|überziehen|glasur|enrob\w+|glaçage|copertura|cobertura",
    ),
    ("topping", r"toppings?|decorat\w+|drizzle|garnish|sprinkles?|finish\w*|verzier\w+|dekor\w*|décor\w*|decora\w+"),
    ("core", r"cores?|hearts?"),
    ("layer", r"layers?|base|boden|fond|fondo"),
    (
        "filling",
        r"fillings?|cent(?:re|er)s?|insides?|ganache|truffles?|fudge|mass[ae]?|mixture|füllung|trüffel\w*|garniture"
        r"|fourrage|truffes?|ripieno|farcia|tartufi|recheio|trufas?|relleno|masa",
    ),
)
BESIDE_THE_MASS: Final = ("shell", "rolling", "coat", "topping")
"""Parts that are not the mass itself."""
OTHER_PART: Final = re.compile(
    r"\b(?:" + "|".join(words for role, words in ROLE_WORDS if role in BESIDE_THE_MASS) + r")\b", re.IGNORECASE
)
