"""Signs: what a cook sees, each with its word, and the stages at which it is looked for."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

STAGES: Final[Mapping[str, str]] = MappingProxyType(
    {
        "melt": "Melting",
        "dissolve": "Dissolving",
        "boil": "Boiling",
        "join": "Coming together",
        "cool": "Cooling",
        "beat": "Beating or whipping",
        "set": "Setting",
        "roll": "Rolling",
        "cut": "Cutting",
        "dip": "Dipping",
        "unmould": "Unmoulding",
        "keep": "Keeping",
    }
)
"""The stages of the work, in order."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Sign:
    """Something seen: its word, what it looks like, and the stages at which it is usual."""

    word: str
    looks: str
    stages: frozenset[str]


def _sign(word: str, looks: str, stages: str) -> Sign:
    return Sign(word=word, looks=looks, stages=frozenset(stages.split()))


SIGNS: Final[Mapping[str, Sign]] = MappingProxyType(
    {
        "curdled": _sign("curdled", "small soft curds in thin liquid", "join cool beat"),
        "grainy": _sign("grainy", "grains against the light", "melt dissolve join cool beat set keep"),
        "gritty": _sign("gritty", "sand between finger and thumb", "dissolve boil join beat set cut keep"),
        "oily": _sign("oily", "pools of fat on top", "melt join cool beat set roll keep"),
        "split": _sign("split", "fat and liquid apart", "join cool beat set"),
        "seized": _sign("seized", "stiff, dull and grainy all at once", "melt join dip"),
        "lumpy": _sign("lumpy", "lumps in what is smooth", "melt join cool beat"),
        "scorched": _sign("scorched", "brown flecks and a burnt smell", "melt dissolve boil"),
        "foamed-over": _sign("foamed over", "foam over the rim", "dissolve boil"),
        "too-soft": _sign("too soft", "runs or will not stand", "cool set roll cut unmould keep"),
        "too-firm": _sign("too firm", "hard to press or to spread", "join cool beat set roll cut keep"),
        "crumbly": _sign("crumbly", "falls apart in the hand", "beat set roll cut keep"),
        "sticky": _sign("sticky", "clings to the fingers", "beat set roll cut unmould keep"),
        "cracked": _sign("cracked", "a crack through coat or slab", "set roll cut dip unmould keep"),
        "dull": _sign("dull", "no shine", "join set dip unmould keep"),
        "streaked": _sign("streaked", "grey streaks or spots", "set dip unmould keep"),
        "will-not-release": _sign("stays in the mould", "held fast in its mould", "set unmould"),
        "leaking": _sign("leaking", "a seam that weeps its filling", "set unmould keep"),
        "stringing": _sign("stringing", "strings from spoon or brush", "melt dip"),
        "smeared": _sign("smeared", "drawn-out edges of a cut", "cut"),
        "weeping": _sign("weeping", "beads of liquid on top", "beat set keep"),
        "gone-soft": _sign("gone soft", "crisp things soft", "set keep"),
        "hollow": _sign("hollow", "a hole inside", "set unmould keep"),
        "spilled": _sign("spilled", "some went over the side", "melt dissolve boil join cool"),
        "mouldy": _sign("mouldy", "fur or coloured spots", "keep"),
        "smells-off": _sign("smells off", "sour, rancid or strange", "melt join set keep"),
        "foreign-body": _sign("something in it", "glass, plastic, a splinter", " ".join(STAGES)),
    }
)
"""Every sign by its key: the words of the craft."""


def signs_at(stage: str) -> tuple[str, ...]:
    """Return the keys of the signs that are usual at a stage, in their order."""
    return tuple(key for key, sign in SIGNS.items() if stage in sign.stages)
