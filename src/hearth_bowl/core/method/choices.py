"""The schools: what a run lets one choose, the first of each is ours unless told otherwise."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput


@dataclass(frozen=True, slots=True, kw_only=True)
class School:
    """One way, with its trade-off in one sentence."""

    key: str
    name: str
    trade_off: str


def _schools(*rows: tuple[str, str, str]) -> Mapping[str, School]:
    return MappingProxyType({key: School(key=key, name=name, trade_off=text) for key, name, text in rows})


HEATS: Final = _schools(
    ("pan", "In a pan", "Most even; the hot pan goes on heating when it is off the ring."),
    ("microwave", "Microwave", "Quick; short bursts and stirring, for it scorches unseen."),
    ("water-bath", "Water bath", "Gentle; keep steam and drops away from plain chocolate."),
)
LIQUIDS: Final = _schools(
    ("scald", "Scald the cream", "Keeps its water, so that the weights stay true."),
    ("full-boil", "Boil the cream", "Cleaner and keeps longer, but loses water: weigh it back."),
)
WAITS: Final = _schools(
    ("stand", "Let it stand a minute or two", "The chocolate melts by itself; the bowl cools meanwhile."),
    ("stir", "Stir at once", "Hotter and quicker; more air gets in."),
)
BUTTERS: Final = _schools(
    ("late", "Butter once cooled", "Keeps the butter's texture and the emulsion calm."),
    ("early", "Butter at the start", "Nothing to remember later; a little softer and easier to split."),
)
SPIRITS: Final = _schools(
    ("late", "Spirit late", "Keeps its aroma and nearly all its alcohol."),
    ("early", "Spirit early", "Loses some aroma and only some alcohol: never alcohol-free."),
)
TEMPERS: Final = _schools(
    ("seed", "Seed", "Finished chocolate stirred in: no slab, and the share can be worked out."),
    ("machine", "Machine", "Holds by itself; still test a smear."),
    ("cocoa-butter", "Cocoa-butter seed", "One per cent of tempered cocoa butter: quick, needs its own preparing."),
    ("slab", "On a slab", "Fast in practised hands; needs room and a clean stone."),
    ("none", "Not tempered", "For compound, which sets by itself; plain chocolate will bloom."),
)
RESTS: Final = _schools(
    ("cool-first", "Cool first, then the fridge", "Below ⟦30 °C⟧ before the fridge: no sweat, no warm fridge."),
    ("fridge", "Straight to the fridge", "Quicker when thin; a large hot mass warms what stands beside it."),
    ("room", "Cool room only", "The best crystals and gloss; takes a night."),
    ("tray", "Thin in a tray, same day", "Rollable in two to four hours; softer than after a night."),
)
TARGETS: Final = _schools(
    ("card", "The card's temperature", "What the card says, wherever it is safe."),
    ("ours", "The usual temperature", "What the handbook of this craft says for this family."),
)
CHOICES: Final[Mapping[str, Mapping[str, School]]] = MappingProxyType(
    {
        "heat": HEATS,
        "liquid": LIQUIDS,
        "wait": WAITS,
        "butter": BUTTERS,
        "spirit": SPIRITS,
        "temper": TEMPERS,
        "rest": RESTS,
        "target": TARGETS,
    }
)


def checked_choices(given: Mapping[str, str]) -> dict[str, str]:
    """Return every choice, ours where none was made.

    :raises BadInput: naming the choice.
    """
    for name, value in given.items():
        if name not in CHOICES:
            raise BadInput((name,), "unknown choice", ", ".join(CHOICES), "unknown")
        if value not in CHOICES[name]:
            raise BadInput((name,), f"unknown {name} {value[:60]!r}", ", ".join(CHOICES[name]), "unknown")
    return {name: given.get(name, next(iter(schools))) for name, schools in CHOICES.items()}
