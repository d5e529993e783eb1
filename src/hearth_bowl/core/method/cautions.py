"""Cautions of a method, by code: one sentence or two each, told at the act where it can hurt.

Usual advice; nothing here certifies that a thing is safe.
"""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

CAUTION: Final[Mapping[str, str]] = MappingProxyType(
    {
        "hot-sugar": "Boiling sugar sticks and burns deep: long sleeves, a dry spoon, cold water near. "
        "Fill the pan a third at most.",
        "hot-cream-into-caramel": "Hot caramel erupts when cream goes in: warm the cream, add a little at a time, "
        "stand back.",
        "rising-cream": "Cream rises when it boils: fill the pan a third at most and stay with it.",
        "microwave": "Cream and syrup can boil up after the microwave stops: use a tall jug and short bursts, stir, "
        "and wait.",
        "raw-egg": "Raw egg is a risk: use pasteurised egg, above all for children, the old, the ill and the pregnant.",
        "egg-cooked": "Egg is cooked only when its middle holds ⟦82 °C⟧; below that it can carry Salmonella.",
        "alcohol-flame": "Keep spirit away from flames: take the pan off the ring before the spirit goes in.",
        "gelatine": "Gelatine is made from animals. Say so to those who eat no meat.",
        "steam": "Steam burns: lift a bowl or a lid away from you.",
        "glass": "Glass can crack with heat. Warm it first, and throw the batch away if it breaks.",
        "knife": "A warm, long blade cuts by its weight: keep fingers behind it and wipe it between cuts.",
        "allergen-change": "Wash hands, tools and the table before work without this allergen. "
        "Washing lessens traces; it cannot rule them out.",
        "cold-cheese": "Fresh cheese stays cold, ⟦3 to 5 °C⟧: two hours out of the fridge in all, then throw it away. "
        "Dip it half frozen.",
        "local-rules": "For keeping and selling follow your local food rules.",
    }
)
"""Usual advice in kitchens."""


ADVICE: Final = frozenset({"cold-cheese", "local-rules"})
"""Codes that are said of keeping, not of an act that hurts at once. By definition."""


def caution_words(codes: tuple[str, ...]) -> str:
    """Return the sentences of some cautions, in their order."""
    return " ".join(CAUTION[code] for code in codes)
