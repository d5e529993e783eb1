"""Ids of tasks: made of a confection's place and the act alone, so that they stay when wishes change.

An order that was begun before acts had tasks of their own keeps its ids: those that there were are used again.
"""

import re
from collections.abc import Collection, Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.method.act import Act

OF_ACT: Final[Mapping[str, str]] = MappingProxyType(
    {
        "shell": "shell", "shell-sets": "set.shell", "fill": "fill", "half-set": "set.fill", "cap": "cap",
        "cap-sets": "set.cap", "unmould": "unmould", "halves": "join.halves", "rest": "rest.last", "dwell": "dwell",
        "pour": "fill", "cut": "cut", "portion": "roll", "balls-set": "set.balls", "dip": "dip",
        "coat-sets": "set.coat", "roll-in": "decorate.rolling", "decorate": "decorate", "toppings": "decorate",
        "topping-sets": "set.topped",
    }
)  # fmt: skip
"""The kind and the place of a task, by the act that it is; other acts are called as they are."""
PER_TURN: Final = frozenset({"shell", "shell-sets", "fill", "half-set", "cap", "cap-sets", "unmould"})
"""Acts that are done for each filling of the moulds."""


CONFECTION: Final = re.compile(r"c\d+\.")
"""How the id of an act of an occasion begins. By definition."""


def task_id(prefix: str, act: Act) -> str:
    """Return the id of the task that an act of a piece is, such as `c0.set.1.shell`.

    :param prefix: of the confection, such as `c0`.
    """
    key, *more = without_mix(act).split(".")
    name = OF_ACT.get(key)
    if key == "rest" and act.mass is not None:
        name = None
    elif key == "set":
        name = "set.slab" if act.in_vessel else "set.cups" if act.mass is None else None
    if name is None:
        return ".".join((prefix, act.kind, key, *more))
    kind, _, place = name.partition(".")
    if key in PER_TURN and act.turn:
        own = more[:-1] if len(more) > 1 else []
        return ".".join(part for part in (prefix, kind, str(act.turn), place, *own) if part)
    return ".".join(part for part in (prefix, kind, place, *more) if part)


def renamed(id_: str, known: Collection[str]) -> str:
    """Return the id that a task has now whose id is of an order from before tasks were made of acts.

    What is not found stays as it is.
    """
    if id_ in known:
        return id_
    prefix, _, rest = id_.partition(".")
    if MIX.fullmatch(prefix) and rest in MIX_BEFORE:
        hands = [one for one in known if one.startswith(f"{prefix}.") and one.partition(".")[2] not in ("rest", "cool")]
        return min(hands, default=id_)
    if not CONFECTION.match(id_):
        return id_
    for before, now in BEFORE:
        if before.fullmatch(rest):
            found = [one for one in known if one.startswith(f"{prefix}.{now}")]
            return min(found, default=id_)
    return id_


MIX: Final = re.compile(r"m\d+")
"""How the id of a mix begins. By definition."""
MIX_BEFORE: Final = frozenset({"join", "heat", "melt", "beat", "whip"})
"""Kinds of tasks that a mix was made by. By definition."""
BEFORE: Final = (
    (re.compile(r"set\.\d+"), "rest.set"),
    (re.compile(r"cool\.\d+(\.\d+)?"), "cool.cool"),
    (re.compile(r"fill(\.\w+)?"), "fill"),
    (re.compile(r"set\.(layer|filling)\.\d+"), "set.layer"),
)
"""Tasks of a piece under their ids of before, and how they begin now. By definition."""


def without_mix(act: Act) -> str:
    """Return an act's id without the confection and the mix that it is of."""
    key = act.id.partition(".")[2]
    if act.mass is not None:
        key = key.removeprefix(f"m{act.mass}.")
        go, _, rest = key.partition(".")
        return rest if go.isdigit() else key
    return key
