"""Words of headings: which part of a piece what stands under them is, in English and five other kitchens.

Common practice, a judgement.
"""

import re
from typing import Final

ROLE_WORDS: Final[tuple[tuple[str, str], ...]] = (
    ("shell", r"shells?|casings?|hüllen?|hohlkörper|coques?|gusc[io]+|cascas?|cáscaras?"),
    ("rolling", r"roll(?:ing)?|dusting|to roll|wälzen|bestäuben|rouler|rotolare|enrolar|rebozar|polvilhar"),
    (
        "coat",
        r"coat(?:ing)?|dip(?:ping)?|enrobing|glaze|outside|überzug|kuvertüre zum|überziehen|glasur|enrob\w+|glaçage|copertura|cobertura",
    ),
    (
        "topping",
        r"toppings?|(?:for the|on) top|to decorate|decorat\w+|drizzle|garnish|sprinkles?|finish\w*|verzier\w+|dekor\w*|décor\w*|decora\w+",
    ),
    ("core", r"cores?|hearts?|yolks?|kern|cœurs?|cuor[ei]|corazón|coração|gema"),
    ("layer", r"layers?|slab|base|boden|schicht|couche|strato|capa|camada|fond|fondo"),
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
FOR: Final = r"(?:for|to make|für|pour|per|para)(?: (?:the|die|den|das|la|le|les|l'|il|lo|i|gli|el|los|las|o|a|os|as))?"
"""Words before the name of a part."""
PART_NOUNS: Final = (
    r"(?:the )?(?:shells?|casings?|top|dusting|coatings?|coat|toppings?|decorations?|decoration|rolling|dipping|drizzle|glaze|garnish"
    r"|fillings?|cent(?:re|er)s?|ganache|truffles?|fudge|layers?|base|core|yolks?|füllung|überzug|hülle|schale|deko|garniture"
    r"|enrobage|coques?|décor|ripieno|copertura|guscio|decorazione|relleno|cobertura|cáscara|decoración|recheio|casca"
    r"|decoração)"
)
"""Words that are a heading by themselves: they name a part and are no ingredient."""
ORDINALS: Final = (
    r"(?:first|second|third|bottom|top|middle|dark|milk|white|lower|upper) layer|layer \d|schicht \d|(?:erste|zweite|untere"
    r"|obere) schicht|couche \d|(?:première|deuxième|seconde) couche|strato \d|(?:primo|secondo) strato|capa \d"
    r"|(?:primera|segunda) capa|camada \d|(?:primeira|segunda) camada"
)
"""Layers by their number or place."""
SAME_MASS: Final = re.compile(
    r"\b(?:dry|wet|syrup|sirup|sirop|sciroppo|jarabe|calda|to start|to finish|later|stage|part|also|plus|optional|extras?"
    r"|you will need|what you need|equipment|tools?)\b",
    re.IGNORECASE,
)
"""Headings that part the ingredients of one mix: what is under them goes into the same bowl."""
