"""What is asked of a vessel: one kind of ask for each kind of vessel, with its defaults. Nothing else knows them."""

from collections.abc import Mapping
from dataclasses import dataclass, fields
from types import MappingProxyType
from typing import Any, Final, Literal

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.fit.rolling import ROLLING
from hearth_bowl.core.fit.vessel import Box, Cup, Mould, Pieces, Scoop, Vessel
from hearth_bowl.core.geometry.cakes import Cake
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.geometry.pieces import MOST_PIECES
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS

MOST_LOSS_PCT: Final = 90.0  # a judgement
MOST_MASS_G: Final = 1e6  # a judgement
MOST_COLOURS: Final = 12  # a judgement
MOST_OVERRUN_PCT: Final = 300.0  # a judgement
NO_SHELL: Final = "none"
MOULD_SHELL: Final = "dark60"
"""What a mould's shell is of unless told otherwise; nothing else has a shell then. A judgement."""
USUAL_COAT_MM: Final = 1.2
"""Usual coats are 0.8 to 1.5 mm: common practice."""
USUAL_LOSS_PCT: Final = 5.0
"""What stays in bowl, bag and knife of a batch that is poured or piped: common practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class _AnyAsk:
    """What any vessel may be asked. Masses g; None where nothing is asked.

    `loss_pct` and `loss_g` together stay in bowl, bag and knife; `overrun_pct` is the volume that whipping adds.
    """

    mass_g: float | None = None
    loss_pct: float = USUAL_LOSS_PCT
    loss_g: float = 0.0
    overrun_pct: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class _CountedAsk(_AnyAsk):
    """What is asked of a vessel that gives pieces: `pieces` are those wanted, `spares` more on top."""

    pieces: int | None = None
    spares: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class _DippedAsk(_CountedAsk):
    """What is asked of pieces that may be dipped: `shell` is their coat, `coated` of them are dipped now."""

    shell: str = NO_SHELL
    coat_mm: float = USUAL_COAT_MM
    coated: int | None = None
    dip_bowl_mm: float = 110.0


@dataclass(frozen=True, slots=True, kw_only=True)
class PanAsk(_DippedAsk):
    """A slab: its thickness [mm], and how it is cut."""

    kind: Literal["pan"] = "pan"
    shell: str = NO_SHELL
    thickness_mm: float | None = None
    piece_mm: tuple[float, float] | None = None
    trim_mm: float = 0.0
    kerf_mm: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class MouldAsk(_CountedAsk):
    """Moulded pieces: shell, its wall, cap and headroom [mm]; of joined `halves` both are of one of the `colours`."""

    kind: Literal["mould"] = "mould"
    shell: str = MOULD_SHELL
    wall_mm: float = 2.0
    cap_mm: float = 1.5
    headroom_mm: float = 0.5
    halves: bool = False
    colours: int = 1
    mix_g_per_cup: float | None = None
    mug_mm: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class CupAsk(_CountedAsk):
    """Cups: open, without a shell and filled to the brim unless told otherwise."""

    kind: Literal["cup"] = "cup"
    shell: str = NO_SHELL
    wall_mm: float = 2.0
    cap_mm: float = 0.0
    headroom_mm: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class ScoopAsk(_DippedAsk):
    """Scooped pieces: `core_g` is a nut or jam inside, on top of the scoop; `rolling` what they are rolled in."""

    kind: Literal["scoop"] = "scoop"
    core_g: float = 0.0
    rolling: str | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class PiecesAsk(_DippedAsk):
    """Pieces of a weight: `core_g` is a nut or jam inside, part of the weight; `rolling` what they are rolled in."""

    kind: Literal["pieces"] = "pieces"
    core_g: float = 0.0
    rolling: str | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class CakeAsk(_AnyAsk):
    """A cake to fill and coat."""

    kind: Literal["cake"] = "cake"


Ask = PanAsk | MouldAsk | CupAsk | ScoopAsk | PiecesAsk | CakeAsk
WalledAsk = MouldAsk | CupAsk
PortionAsk = ScoopAsk | PiecesAsk
DippedAsk = PanAsk | ScoopAsk | PiecesAsk
ASKS: Final[Mapping[str, type[Ask]]] = MappingProxyType(
    {"pan": PanAsk, "mould": MouldAsk, "cup": CupAsk, "scoop": ScoopAsk, "pieces": PiecesAsk, "cake": CakeAsk}
)


def asks(kind: str, name: str) -> bool:
    """Return whether something may be asked of a kind of vessel, such as a number of pieces or a shell; nothing of
    what holds finished pieces."""
    return kind in ASKS and any(field.name == name for field in fields(ASKS[kind]))


KIND_WORDS: Final[Mapping[str, str]] = MappingProxyType(
    {
        "pan": "a slab",
        "mould": "a mould",
        "cup": "cups",
        "scoop": "scooped pieces",
        "pieces": "rolled pieces",
        "cake": "a cake",
    }
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Usual:
    """A usual value and what it is for."""

    value: float
    says: str


USUAL_WALLS: Final = (
    Usual(value=1.5, says="melts open in hot milk"),
    Usual(value=2.0, says="eaten as it is"),
    Usual(value=2.5, says="kept or sent"),
)
"""Usual walls of a shell [mm], by what the piece is for: common practice."""


def _kind_of_ask(kind: str) -> type[Ask]:
    if kind not in ASKS:
        allowed = "a pan, mould, scoop, cup, cake or pieces; boxes go by --boxes and --per-box"
        raise BadInput(("kind",), "a box holds finished pieces, not a mix", allowed, "not-for-this")
    return ASKS[kind]


def kind_of(vessel: Vessel) -> str:
    """Return the kind of a vessel as files have it."""
    match vessel:
        case Pan():
            return "pan"
        case Mould():
            return "mould"
        case Cup():
            return "cup"
        case Scoop():
            return "scoop"
        case Pieces():
            return "pieces"
        case Cake():
            return "cake"
        case Box():
            return "box"


def ask_kind(vessel: Vessel) -> str:
    """Return the kind of ask that a vessel takes.

    :raises BadInput: at `kind` for a box, which holds finished pieces.
    """
    kind = kind_of(vessel)
    _kind_of_ask(kind)
    return kind


def asked_alike(ask: Ask, kind: str) -> Ask:
    """Return the ask of another kind of vessel with what both kinds know, but for what is asked of one vessel alone."""
    here = {one.name for one in fields(ask)}
    both = {one.name for one in fields(_kind_of_ask(kind))} & here - TARGETS - {"kind"}
    return ask_for(kind, {name: getattr(ask, name) for name in both})


TARGETS: Final = frozenset({"mass_g", "pieces", "spares", "thickness_mm", "piece_mm", "coated"})
"""What is asked of one vessel: so many pieces, so thick, so much."""


def ask_for(kind: str, given: Mapping[str, Any]) -> Ask:
    """Return the ask of a kind of vessel from plain values; what is not given is as usual.

    :raises BadInput: naming a field that this kind has not, or one that is out of range.
    """
    maker = _kind_of_ask(kind)
    known = {one.name for one in fields(maker)}
    said = {name: value for name, value in given.items() if value is not None and name != "kind"}
    for name, value in said.items():
        if name not in known and value is not False:
            allowed = "leave it out; asked may be " + ", ".join(sorted(known - {"kind"}))
            raise BadInput((name,), f"does not apply to {KIND_WORDS[kind]}", allowed, "not-for-this")
    sides = said.get("piece_mm")
    if sides is not None:
        if len(sides) != 2:
            raise BadInput(("piece_mm",), f"{len(sides)} sides", "two sides", "not-allowed")
        said["piece_mm"] = (sides[0], sides[1])
    return check_ask(maker(**{name: value for name, value in said.items() if name in known}))


def check_ask(ask: Ask) -> Ask:
    """Return an ask when all of it can be asked, whatever the vessel's measures.

    :raises BadInput: naming the field.
    """
    for name, low, most, unit, above in RANGES:
        value = getattr(ask, name, None)
        for number in value if isinstance(value, tuple) else (value,):
            if number is not None:
                check_number((name,), number, low, most, unit, above=above)
    for name, least, most in (("pieces", 1, MOST_PIECES), ("spares", 0, MOST_PIECES), ("colours", 1, MOST_COLOURS)):
        count = getattr(ask, name, None)
        if count is not None and not (isinstance(count, int) and least <= count <= most):
            raise BadInput((name,), f"{count} {name}", f"{least} to {most}", "out-of-range")
    if getattr(ask, "spares", 0) and getattr(ask, "pieces", None) is None:
        raise BadInput(("spares",), "spare pieces without a number", "a number of pieces too", "missing")
    rolling = getattr(ask, "rolling", None)
    if rolling is not None and rolling not in ROLLING:
        raise BadInput(("rolling",), f"unknown rolling coat {rolling[:60]!r}", ", ".join(ROLLING), "unknown")
    chocolate_of(ask)
    return ask


RANGES: Final = (
    ("loss_pct", 0.0, MOST_LOSS_PCT, "%", False),
    ("loss_g", 0.0, MOST_MASS_G, "g", False),
    ("core_g", 0.0, 1000.0, "g", False),
    ("overrun_pct", 0.0, MOST_OVERRUN_PCT, "%", False),
    ("dip_bowl_mm", 30.0, 500.0, "mm", False),
    *(
        (name, 0.0, 1000.0, "mm", False)
        for name in ("trim_mm", "kerf_mm", "wall_mm", "cap_mm", "headroom_mm", "coat_mm")
    ),
    ("mass_g", 0.0, MOST_MASS_G, "g", True),
    ("thickness_mm", 0.0, 1000.0, "mm", True),
    ("mix_g_per_cup", 0.0, 1000.0, "g", True),
    ("mug_mm", 0.0, 500.0, "mm", True),
    ("piece_mm", 1.0, 1000.0, "mm", False),
)
"""(field, least, most, unit, whether the least itself is not allowed): what any kitchen may ask; judgements."""


def refuse_both(ask: Ask, other: str) -> None:
    """Refuse a mass given together with another target.

    :raises BadInput: at `mass_g`.
    """
    if ask.mass_g is not None and getattr(ask, other) is not None:
        words = {"pieces": "a number of pieces", "thickness_mm": "a thickness"}[other]
        raise BadInput(("mass_g",), f"a mass and {words} are both given", "one of the two")


def wanted(ask: Ask) -> int | None:
    """Return the pieces to make, spares among them, or None where no number is asked."""
    if isinstance(ask, CakeAsk) or ask.pieces is None:
        return None
    return ask.pieces + ask.spares


def chocolate_of(ask: Ask) -> Ingredient | None:
    """Return the chocolate of an ask's shells or coats; None where there is none.

    :raises BadInput: at `shell`.
    """
    if isinstance(ask, CakeAsk) or ask.shell == NO_SHELL:
        return None
    try:
        chocolate = find(ask.shell)
    except BadInput as problem:
        raise problem.under("shell") from None
    if chocolate.kind not in CHOCOLATE_KINDS:
        raise BadInput(("shell",), f"{chocolate.label} is no chocolate", "a chocolate or compound, or none")
    return chocolate
