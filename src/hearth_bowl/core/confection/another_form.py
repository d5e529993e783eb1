"""The same confection in another form, its parts in the roles that the other form knows; or in another chocolate."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from types import MappingProxyType
from typing import Any, Final, TypeVar

from hearth_bowl.core.confection.confection import (
    AMOUNTS,
    AMOUNTS_OF,
    INNER,
    ONCE,
    ROLES_OF,
    USUAL_G_EACH,
    AnyPart,
    Role,
)

P = TypeVar("P", bound=AnyPart)

BECOMES: Final[Mapping[Role, tuple[Role, ...]]] = MappingProxyType(
    {
        "layer": ("filling", "centre"),
        "filling": ("layer", "centre"),
        "centre": ("filling", "layer"),
        "core": ("filling", "topping"),
        "shell": ("coat",),
        "coat": ("shell",),
        "rolling": ("topping",),
    }
)
"""What a part becomes where the form does not know its role, the first that it knows: a judgement."""
STAYS: Final = ("g_each", "ml_each", "share_pct")
"""Amounts that mean the same in every form; a thickness, and a mass that is used up, belong to the form before."""
SAID_BY_GRAMS: Final = frozenset({"core", "topping"})
"""Roles that have no amount of their own unless it is given."""
WALLS: Final = ("wall_mm", "cap_mm", "headroom_mm", "dip_bowl_mm", "coated")


def parts_in_form(
    parts: Sequence[P], kind: str, holds_a_wall: Callable[[P], bool]
) -> tuple[tuple[P, ...], tuple[int, ...]]:
    """Return the parts as another kind of form has them, in its order of making, and the places of those left out.

    One mass gives way, the first that says no amount: what was said of it belonged to the form before.

    :param kind: pan, mould, cup, scoop, pieces or cake.
    :param holds_a_wall: whether a shell can be of a part: what coats a cake may be too soft for one, and is left out.
    """
    kept: list[P] = []
    left_out = []
    seen: set[str] = set()
    for position, part in enumerate(parts):
        role = role_in(part.role, kind, seen)
        if role is None or (role == "shell" and not holds_a_wall(part)):
            left_out.append(position)
            continue
        seen.add(role)
        kept.append(part if role == part.role and kind != "cake" else _as_role(part, role, kind))
    masses = [at for at, part in enumerate(kept) if part.role in INNER]
    giving = [at for at in masses if kept[at].amount is None]
    if masses and not giving:
        kept[masses[0]] = kept[masses[0]].with_amount()
    for at in giving[1:] if kind != "cake" else ():
        kept[at] = kept[at].with_amount("share_pct", 100.0 / (len(masses) + 1))
    order = ROLES_OF[kind]
    return tuple(sorted(kept, key=lambda part: order.index(part.role))), tuple(left_out)


def parts_in_chocolate(parts: Sequence[P], of: object) -> tuple[P, ...]:
    """Return the parts with another chocolate round them: every shell and coat is of it."""
    return tuple(replace(part, of=of) if part.role in ("shell", "coat") else part for part in parts)


def role_in(role: Role, kind: str, seen: set[str]) -> Role | None:
    """Return the role that a part has in a form, or None where it has none there or what it may have once is there."""
    known = ROLES_OF[kind]
    return next((to for to in (role, *BECOMES.get(role, ())) if to in known and not (to in ONCE and to in seen)), None)


def _as_role(part: P, role: Role, kind: str) -> P:
    may = {name for name in STAYS if name in AMOUNTS_OF[role]} & ({"g_each"} if kind == "cake" else set(STAYS))
    given: dict[str, Any] = {name: getattr(part, name) if name in may else None for name in AMOUNTS}
    given |= dict.fromkeys(WALLS)
    if role in SAID_BY_GRAMS and all(given[name] is None for name in AMOUNTS):
        given["g_each"] = USUAL_G_EACH[role]
    return replace(part, role=role, on_top=False, lumps=False, **given)
