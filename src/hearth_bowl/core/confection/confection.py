"""What a confection is: its form, and its parts in the order of making, each of a recipe, an ingredient or a blend."""

from collections.abc import Mapping
from dataclasses import dataclass, fields, replace
from types import MappingProxyType
from typing import Any, Final, Literal, Self, get_args

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.fit.ask import KIND_WORDS, MOST_COLOURS, MOST_LOSS_PCT, MOST_OVERRUN_PCT, kind_of
from hearth_bowl.core.fit.vessel import Box, Vessel
from hearth_bowl.core.geometry.pieces import MOST_PIECES
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.recipe import Recipe, check_name
from hearth_bowl.core.recipe.steps import CardStep

Role = Literal["layer", "filling", "centre", "core", "shell", "coat", "rolling", "topping"]
ROLES: Final[tuple[Role, ...]] = get_args(Role)
ROLES_OF: Final[Mapping[str, tuple[Role, ...]]] = MappingProxyType(
    {
        "pan": ("layer", "coat", "rolling", "topping"),
        "mould": ("shell", "filling", "coat", "topping"),
        "cup": ("shell", "filling", "topping"),
        "scoop": ("centre", "core", "coat", "rolling", "topping"),
        "pieces": ("centre", "core", "coat", "rolling", "topping"),
        "cake": ("centre", "filling", "coat", "topping"),
    }
)
"""What each form may have, in the usual order of making."""
ONCE: Final = frozenset({"centre", "core", "shell"})
INNER: Final = frozenset({"layer", "filling", "centre"})
"""Of these a form has at least one, but a mould or cup with a shell, which may stay hollow."""
AMOUNTS: Final = ("g_each", "ml_each", "mm", "share_pct", "mass_g")
AMOUNTS_OF: Final[Mapping[Role, tuple[str, ...]]] = MappingProxyType(
    {
        "layer": AMOUNTS,
        "filling": AMOUNTS,
        "centre": ("g_each", "ml_each", "mm", "mass_g"),
        "core": ("g_each", "ml_each"),
        "shell": (),
        "coat": ("g_each", "mm"),
        "rolling": ("g_each",),
        "topping": ("g_each", "ml_each", "mass_g"),
    }
)
"""How much of a part may be said by; nothing said is what is usual of it, or it gives way."""
USUAL_G_EACH: Final[Mapping[str, float]] = MappingProxyType(
    {"core": 2.0, "topping": 1.0, "rolling": 0.8, "filling": 3.0}
)
"""Usual grams of a part in one piece, where nobody says how much. A judgement."""
MOST_PARTS: Final = 12  # a limit, by definition
MOST_EXTRAS: Final = 20  # a limit, by definition
MOST_EACH: Final = 20  # a limit, by definition
MOST_BLENDED: Final = 6  # a limit, by definition
FORM_FIELDS: Final[Mapping[str, frozenset[str]]] = MappingProxyType(
    {
        "pan": frozenset({"pieces", "spares", "piece_mm", "trim_mm", "kerf_mm"}),
        "mould": frozenset({"pieces", "spares", "halves", "colours", "owned", "whole_moulds"}),
        "cup": frozenset({"pieces", "spares", "owned", "whole_moulds"}),
        "scoop": frozenset({"pieces", "spares"}),
        "pieces": frozenset({"pieces", "spares"}),
        "cake": frozenset({"pieces", "spares"}),
    }
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Blend:
    """Several ingredients melted or mixed together, by parts."""

    parts: tuple[tuple[Ingredient, float], ...]


Of = Recipe | Ingredient | Blend


@dataclass(frozen=True, slots=True, kw_only=True)
class AnyPart:
    """One part: its role, what it is of, and how much of it by at most one of `AMOUNTS`. What it is of is the thing
    itself here, and its number where it is stored.

    `g_each` and `ml_each` are of one finished piece, `share_pct` of the cavity's room or the pan's depth, `mass_g` what
    is weighed in. Lengths mm. `coated`: so many are coated now, the others later. None is what is usual. `text` are the
    words of a card that it comes from, `doubts` what is unsure of it.
    """

    role: Role
    of: object
    g_each: float | None = None
    ml_each: float | None = None
    mm: float | None = None
    share_pct: float | None = None
    mass_g: float | None = None
    lumps: bool = False
    on_top: bool = False
    overrun_pct: float | None = None
    loss_pct: float | None = None
    wall_mm: float | None = None
    cap_mm: float | None = None
    headroom_mm: float | None = None
    dip_bowl_mm: float | None = None
    coated: int | None = None
    text: str = ""
    doubts: tuple[str, ...] = ()

    @property
    def amount(self) -> str | None:
        """Return by what its amount is said; None where it gives way or is as usual."""
        return next((name for name in AMOUNTS if getattr(self, name) is not None), None)

    def with_amount(self, name: str | None = None, value: float | None = None) -> Self:
        """Return the part by one amount of `AMOUNTS` alone, or by none: it gives way, or is as usual."""
        amounts: dict[str, Any] = dict.fromkeys(AMOUNTS)
        if name is not None:
            amounts[name] = value
        return replace(self, **amounts)


@dataclass(frozen=True, slots=True, kw_only=True)
class Extra:
    """Something that goes with each piece and is not eaten: a foil, a paper, a stick."""

    name: str
    each: int = 1


@dataclass(frozen=True, slots=True, kw_only=True)
class AnyForm:
    """What it is made in or portioned by, and how many. `owned` of the vessel are there; lengths mm.

    `loss_pct` and `loss_g` stay in bowl, bag and knife of each part that is a recipe, unless the part says its own.
    """

    vessel: object
    name: str = ""
    pieces: int | None = None
    spares: int = 0
    halves: bool = False
    colours: int = 1
    owned: int = 1
    whole_moulds: bool = False
    piece_mm: tuple[float, float] | None = None
    trim_mm: float = 0.0
    kerf_mm: float = 0.0
    loss_pct: float | None = None
    loss_g: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Part(AnyPart):
    """A part of a recipe, an ingredient or a blend."""

    of: Of


@dataclass(frozen=True, slots=True, kw_only=True)
class Form(AnyForm):
    """A form of a vessel."""

    vessel: Vessel


@dataclass(frozen=True, slots=True, kw_only=True)
class Confection:
    """A form with its parts, in the order of making."""

    name: str
    form: Form
    parts: tuple[Part, ...]
    extras: tuple[Extra, ...] = ()
    steps: tuple[CardStep, ...] = ()
    """What a card tells to do with the piece."""


def checked_confection(confection: Confection) -> Confection:
    """Return a confection whose form may have its parts, with all that is said of them in range.

    :raises BadInput: naming the field, as the file has it.
    """
    check_name(confection.name)
    if isinstance(confection.form.vessel, Box):
        allowed = "a pan, mould, cup, scoop, pieces or cake"
        raise BadInput(("form", "vessel", "kind"), "a box holds finished pieces", allowed, "not-for-this")
    kind = kind_of(confection.form.vessel)
    _check_form(confection.form, kind)
    if not 1 <= len(confection.parts) <= MOST_PARTS:
        raise BadInput(("parts",), f"{len(confection.parts)} parts", f"1 to {MOST_PARTS}", "out-of-range")
    seen: set[str] = set()
    for position, part in enumerate(confection.parts):
        try:
            _check_part(part, kind, seen)
        except BadInput as problem:
            raise problem.under("parts", position) from None
        seen.add(part.role)
    if not seen & INNER and "shell" not in seen:
        named = " or ".join(role for role in ROLES_OF[kind] if role in INNER)
        raise BadInput(("parts",), f"nothing is in {KIND_WORDS[kind]}", f"at least one {named}", "empty")
    if len(confection.extras) > MOST_EXTRAS:
        raise BadInput(("extras",), f"{len(confection.extras)} extras", f"up to {MOST_EXTRAS}", "out-of-range")
    for position, extra in enumerate(confection.extras):
        if not 0 <= extra.each <= MOST_EACH:
            raise BadInput(("extras", position, "each"), f"{extra.each}", f"0 to {MOST_EACH}", "out-of-range")
    return confection


def check_makes(kind: str) -> None:
    """Check that a confection can be made in a kind of vessel.

    :raises BadInput: at `vessel`: a box holds finished pieces.
    """
    if kind not in FORM_FIELDS:
        raise BadInput(("vessel",), "a box holds finished pieces", "a pan, mould, cup, scoop, pieces or cake")


def _check_form(form: Form, kind: str) -> None:
    usual = Form(vessel=form.vessel)
    for field in fields(form):
        if field.name in ("vessel", "name", "loss_pct", "loss_g") or field.name in FORM_FIELDS[kind]:
            continue
        if getattr(form, field.name) != getattr(usual, field.name):
            allowed = "leave it out"
            raise BadInput(("form", field.name), f"does not apply to {KIND_WORDS[kind]}", allowed, "not-for-this")
    for name, least, most in (
        ("pieces", 1, MOST_PIECES), ("spares", 0, MOST_PIECES), ("colours", 1, MOST_COLOURS), ("owned", 1, 1000),
    ):  # fmt: skip
        count = getattr(form, name)
        if count is not None and not least <= count <= most:
            raise BadInput(("form", name), f"{count}", f"{least} to {most}", "out-of-range")
    if form.spares and form.pieces is None:
        raise BadInput(("form", "spares"), "spare pieces without a number", "a number of pieces too", "missing")
    if form.loss_pct is not None:
        check_number(("form", "loss_pct"), form.loss_pct, 0, MOST_LOSS_PCT, "%")
    check_number(("form", "loss_g"), form.loss_g, 0, 1e6, "g")
    for name in ("trim_mm", "kerf_mm"):
        check_number(("form", name), getattr(form, name), 0, 1000, "mm")
    for side in form.piece_mm or ():
        check_number(("form", "piece_mm"), side, 1, 1000, "mm")


WALL_CHOCOLATE_SHARE: Final = 0.8
"""Chocolate from which a recipe makes a shell: a ganache does not hold a wall. A judgement."""


def _check_walls(part: Part, kind: str) -> None:
    """Check that a shell is of chocolate, and that a piece is coated in what an ingredient says it may be coated in.

    :raises BadInput: at `of`.
    """
    if part.role == "shell":
        if not holds_a_wall(part.of):
            raise BadInput(("of",), f"{_called(part.of)} makes no shell.", "chocolate or compound", "not-for-this")
    elif part.role == "coat" and kind != "cake":
        of = part.of.parts if isinstance(part.of, Blend) else ((part.of, 1.0),)
        wrong = next((one for one, _ in of if isinstance(one, Ingredient) and not one.may_be_coat), None)
        if wrong is not None:
            allowed = "chocolate, compound, caramel, or a recipe"
            raise BadInput(("of",), f"{wrong.name} makes no coat.", allowed, "not-for-this")


def holds_a_wall(of: Of) -> bool:
    """Return whether a shell can be of it: chocolate or compound, or a recipe of nearly nothing else or boiled hard."""
    if isinstance(of, Blend):
        return all(one.is_chocolate for one, _ in of.parts)
    if isinstance(of, Ingredient):
        return of.is_chocolate
    chocolate_g = sum(grams for line, grams in of.weighed if line.ingredient.is_chocolate)
    return of.family in BOILED_WALLS or chocolate_g >= WALL_CHOCOLATE_SHARE * of.mass_g


def _called(of: Of) -> str:
    return ", ".join(one.name for one, _ in of.parts) if isinstance(of, Blend) else of.name


BOILED_WALLS: Final = frozenset({"hard-sugar"})
"""Families that hold a wall without chocolate: boiled sugar. Common practice."""
_RANGES: Final = (
    ("g_each", 0.0, 1e5, "g", True), ("ml_each", 0.0, 1e5, "ml", True), ("mm", 0.0, 1000.0, "mm", True),
    ("share_pct", 0.0, 100.0, "%", True), ("mass_g", 0.0, 1e6, "g", True),
    ("overrun_pct", 0.0, MOST_OVERRUN_PCT, "%", False), ("loss_pct", 0.0, MOST_LOSS_PCT, "%", False),
    ("wall_mm", 0.0, 1000.0, "mm", False), ("cap_mm", 0.0, 1000.0, "mm", False),
    ("headroom_mm", 0.0, 1000.0, "mm", False), ("dip_bowl_mm", 30.0, 500.0, "mm", False),
    ("coated", 0, MOST_PIECES, "", False),
)  # fmt: skip
"""A judgement."""
_ROLE_FIELDS: Final[Mapping[str, frozenset[str]]] = MappingProxyType(
    {
        "lumps": frozenset({"filling"}),
        "on_top": frozenset({"filling"}),
        "overrun_pct": frozenset({"layer", "filling", "centre"}),
        "wall_mm": frozenset({"shell"}),
        "cap_mm": frozenset({"shell"}),
        "headroom_mm": frozenset({"shell", "filling"}),
        "dip_bowl_mm": frozenset({"coat"}),
        "coated": frozenset({"coat"}),
    }
)


def _check_part(part: Part, kind: str, seen: set[str]) -> None:
    if part.role not in ROLES_OF[kind]:
        allowed = ", ".join(ROLES_OF[kind])
        raise BadInput(("role",), f"{KIND_WORDS[kind]} has no {part.role}", allowed, "not-for-this")
    if part.role in ONCE and part.role in seen:
        raise BadInput(("role",), f"a second {part.role}", f"one {part.role}", "not-allowed")
    for name, low, most, unit, above in _RANGES:
        value = getattr(part, name)
        if value is not None:
            check_number((name,), value, low, most, unit, above=above)
    for name, roles in _ROLE_FIELDS.items():
        if getattr(part, name) not in (None, False) and part.role not in roles:
            raise BadInput((name,), f"does not apply to a {part.role}", "leave it out", "not-for-this")
    said = [name for name in AMOUNTS if getattr(part, name) is not None]
    if len(said) > 1:
        raise BadInput((said[1],), f"{said[0]} and {said[1]} are both given", "one of them", "not-allowed")
    if said and said[0] not in AMOUNTS_OF[part.role]:
        allowed = ", ".join(AMOUNTS_OF[part.role]) or "its wall, cap and headroom"
        raise BadInput((said[0],), f"a {part.role} is not measured by {said[0]}", allowed, "not-for-this")
    _check_walls(part, kind)
    if isinstance(part.of, Blend):
        if not 1 <= len(part.of.parts) <= MOST_BLENDED:
            raise BadInput(("of", "blend"), f"{len(part.of.parts)} in it", f"1 to {MOST_BLENDED}", "out-of-range")
        for position, (_, share) in enumerate(part.of.parts):
            check_number(("of", "blend", position, "parts"), share, 0, 1e6, above=True)
