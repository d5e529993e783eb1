"""What is asked of a vessel, and which of it applies to which kind."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.fit.rolling import ROLLING
from hearth_bowl.core.geometry.pieces import MOST_PIECES
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS

MOST_LOSS_PCT: Final = 90.0
MOST_MASS_G: Final = 1e6
MOST_COLOURS: Final = 12
MOST_OVERRUN_PCT: Final = 300.0
USUAL_DIP_BOWL_MM: Final = 110.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Ask:
    """What is asked of a vessel. Lengths mm, masses g; None where nothing is asked, or the kind's usual is meant.

    `pieces` are those wanted, `spares` more on top. `loss_pct` and `loss_g` together stay in bowl, bag and knife.
    Of joined `halves` both are of one of the `colours`.
    `shell` is a mould's or cup's shell, and the coat of anything dipped; `coated` of the pieces are dipped now.
    `core_g` is a nut or jam inside, weighed besides; `overrun_pct` the volume that whipping adds.
    """

    thickness_mm: float | None = None
    pieces: int | None = None
    spares: int = 0
    mass_g: float | None = None
    piece_mm: tuple[float, float] | None = None
    trim_mm: float = 0.0
    kerf_mm: float = 0.0
    wall_mm: float | None = None
    cap_mm: float | None = None
    headroom_mm: float | None = None
    shell: Ingredient | None = None
    halves: bool = False
    colours: int = 1
    coat_mm: float | None = None
    coated: int | None = None
    dip_bowl_mm: float = USUAL_DIP_BOWL_MM
    core_g: float = 0.0
    rolling: str | None = None
    overrun_pct: float = 0.0
    loss_pct: float = 5.0
    loss_g: float = 0.0
    mix_g_per_cup: float | None = None
    mug_mm: float | None = None


def check_ask(ask: Ask) -> None:
    """Check what can be checked without a vessel.

    :raises BadInput: naming the field.
    """
    check_number(("loss_pct",), ask.loss_pct, 0, MOST_LOSS_PCT, "%")
    check_number(("loss_g",), ask.loss_g, 0, MOST_MASS_G, "g")
    check_number(("core_g",), ask.core_g, 0, 1000, "g")
    check_number(("overrun_pct",), ask.overrun_pct, 0, MOST_OVERRUN_PCT, "%")
    check_number(("dip_bowl_mm",), ask.dip_bowl_mm, 30, 500, "mm")
    for name in ("trim_mm", "kerf_mm", "wall_mm", "cap_mm", "headroom_mm", "coat_mm"):
        if getattr(ask, name) is not None:
            check_number((name,), getattr(ask, name), 0, 1000, "mm")
    if ask.pieces is not None and not 1 <= ask.pieces <= MOST_PIECES:
        raise BadInput(("pieces",), f"{ask.pieces} pieces", f"1 to {MOST_PIECES}", "out-of-range")
    if not 0 <= ask.spares <= MOST_PIECES:
        raise BadInput(("spares",), f"{ask.spares} spares", f"0 to {MOST_PIECES}", "out-of-range")
    if not 1 <= ask.colours <= MOST_COLOURS:
        raise BadInput(("colours",), f"{ask.colours} colours", f"1 to {MOST_COLOURS}", "out-of-range")
    if ask.spares and ask.pieces is None:
        raise BadInput(("spares",), "spares of no number of pieces", "a number of pieces too", "missing")
    for name, most, unit in (
        ("mass_g", MOST_MASS_G, "g"),
        ("thickness_mm", 1000, "mm"),
        ("mix_g_per_cup", 1000, "g"),
        ("mug_mm", 500, "mm"),
    ):
        if getattr(ask, name) is not None:
            check_number((name,), getattr(ask, name), 0, most, unit, above=True)
    for side in ask.piece_mm or ():
        check_number(("piece_mm",), side, 1, 1000, "mm")
    if ask.shell is not None and ask.shell.kind not in CHOCOLATE_KINDS:
        raise BadInput(("shell",), f"{ask.shell.label} is no chocolate", "a chocolate or compound, or none")
    if ask.rolling is not None and ask.rolling not in ROLLING:
        raise BadInput(("rolling",), f"unknown rolling coat {ask.rolling[:60]!r}", ", ".join(ROLLING), "unknown")


def refuse(ask: Ask, names: tuple[str, ...], kind: str, instead: str) -> None:
    """Refuse what is asked but does not apply to a kind of vessel.

    :raises BadInput: naming the first such field.
    """
    for name in names:
        if getattr(ask, name) not in (None, False):
            raise BadInput((name,), f"does not apply to {kind}", f"leave it out, or give {instead}")


def refuse_both(ask: Ask, other: str) -> None:
    """Refuse a mass given together with another target.

    :raises BadInput: at `mass_g`.
    """
    if ask.mass_g is not None and getattr(ask, other) is not None:
        words = {"pieces": "a number of pieces", "thickness_mm": "a thickness"}[other]
        raise BadInput(("mass_g",), f"a mass and {words} are both given", "one of the two")


def wanted(ask: Ask) -> int | None:
    """Return the pieces to make, spares among them, or None where no number is asked."""
    return None if ask.pieces is None else ask.pieces + ask.spares


def shell_named(name: str) -> Ingredient | None:
    """Return the chocolate that a shell is made of, or None for `none`.

    :raises BadInput: at `shell`.
    """
    if name == "none":
        return None
    try:
        return find(name)
    except BadInput as problem:
        raise problem.under("shell") from None
