"""Stacked fillings in one cavity or cup, the first at its floor: in ml, mm or shares, with the one that gives way."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from math import ceil
from typing import Final, Literal

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.fit.ask import MOST_OVERRUN_PCT, WalledAsk
from hearth_bowl.core.fit.made import PACKED_SHARE, Made, batch_for_g, made_of, scaled
from hearth_bowl.core.fit.moulded import in_halves, walls_of
from hearth_bowl.core.fit.vessel import Cup, Mould
from hearth_bowl.core.geometry.cavities import Weighed, divide
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD, crossing
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.recipe.recipe import Recipe

MOST_FILLINGS: Final = 4  # a limit, by definition
NEAR_LEVEL_ML: Final = 1e-9  # numerical, by definition
Texture = Literal["soft", "firm", "crunchy"]
Curve = Callable[[float], float]


@dataclass(frozen=True, slots=True, kw_only=True)
class FillingAmount:
    """How much of a filling, by one of: ml, mm of depth, a share of the room, or none: then it gives way.

    `lumps` are whole pieces (nuts, marshmallows) that pack to 55 %; the filling above runs into their gaps. What
    stands `on_top` is piped above the brim, by ml; `overrun_pct` is the air in it.
    """

    ml: float | None = None
    mm: float | None = None
    share_pct: float | None = None
    on_top: bool = False
    overrun_pct: float | None = None
    texture: Texture = "soft"
    lumps: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class FillingAsk:
    """A filling: its recipe, how much of it, and the mass as it is eaten where something boils off first.

    `made` is how heavy it lies, where that is known otherwise.
    """

    recipe: Recipe
    amount: FillingAmount
    finished: Mixture | None = None
    made: Made | None = None

    def lies(self, overrun_pct: float) -> Made:
        """Return how heavy it lies, whipped so much unless it says its own."""
        own = self.amount.overrun_pct
        return self.made or made_of(self.recipe, overrun_pct if own is None else own, self.finished)


@dataclass(frozen=True, slots=True, kw_only=True)
class StackedFilling:
    """One filling of each cavity, from one depth below the rim to another [mm], a top at 0; its batch for all pieces.

    `ml` is the room between its levels, `net_ml` what of the recipe itself is in the cavity.
    """

    from_mm: float
    to_mm: float
    ml: float
    net_ml: float
    each_g: float
    batch_g: float
    loss_g: float
    scale: float
    amounts_g: tuple[float, ...]
    gives_way: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Stack:
    """All fillings of a mould's cavities or of cups, what stays empty below the cap, and what to mind."""

    fillings: tuple[StackedFilling, ...]
    empty_ml: float
    pieces: int
    pours: int
    notes: tuple[str, ...]


def fit_stack(vessel: Mould | Cup, fillings: Sequence[FillingAsk], ask: WalledAsk) -> Stack:
    """Return the fillings of every piece.

    :raises BadInput: below `fillings`: more than one gives way, or together they are more than the cavity holds.
    """
    if not 1 <= len(fillings) <= MOST_FILLINGS:
        raise BadInput(("fillings",), f"{len(fillings)} fillings", f"1 to {MOST_FILLINGS}", "out-of-range")
    if isinstance(vessel, Cup):
        mould = Mould(shape="cup", cavities=vessel.count, cavity=Weighed(vessel.volume_ml))
    else:
        mould = vessel
    walls = walls_of(ask)
    per_piece = 2 if in_halves(ask) else 1
    volumes = divide(mould.cavity, walls.wall_mm, walls.cap_mm, walls.headroom_mm)
    room_ml, top_mm = volumes.fill_ml, walls.cap_mm + walls.headroom_mm
    floor_mm = mould.cavity.depth_mm - walls.wall_mm

    def level_mm(filled_ml: float) -> float:
        """Return the depth below the rim at which so much lies below."""
        if filled_ml <= 0:
            return floor_mm
        up = crossing(
            lambda up: mould.cavity.void_ml(walls.wall_mm, floor_mm - up) - filled_ml, 0.0, floor_mm, NEAR_LEVEL_ML
        )
        return 0.0 if up is None else floor_mm - up

    inside = _inside(fillings, room_ml)
    rooms = _rooms(inside, room_ml, lambda y: mould.cavity.void_ml(walls.wall_mm, y), level_mm, top_mm)
    pieces = (ask.pieces or max(1, mould.cavities // per_piece)) + ask.spares
    cavities = pieces * per_piece
    stacked, filled_ml, gaps_ml = [], 0.0, 0.0
    for filling, ml in zip(inside, rooms, strict=True):
        made = filling.lies(ask.overrun_pct)
        net_ml = (PACKED_SHARE * ml if filling.amount.lumps else ml) + gaps_ml
        gaps_ml = (1 - PACKED_SHARE) * ml if filling.amount.lumps else 0.0
        stacked.append(
            _filling(filling, made, ask, (level_mm(filled_ml), level_mm(filled_ml + ml)), ml, net_ml, cavities)
        )
        filled_ml += ml
    for filling in fillings[len(inside) :]:
        made, ml = filling.lies(ask.overrun_pct), filling.amount.ml or 0.0
        stacked.append(_filling(filling, made, ask, (0.0, 0.0), ml, ml, cavities))
    return Stack(
        fillings=tuple(stacked),
        empty_ml=max(0.0, room_ml - filled_ml) + gaps_ml,
        pieces=pieces,
        pours=ceil(cavities / mould.cavities - FLOOR_GUARD),
        notes=_notes(fillings),
    )


def _inside(fillings: Sequence[FillingAsk], room_ml: float) -> list[FillingAsk]:
    """Return the fillings below the brim, shares turned into ml; what stands on top comes last, by ml.

    :raises BadInput: below `fillings`.
    """
    inside: list[FillingAsk] = []
    for position, filling in enumerate(fillings):
        path = ("fillings", position)
        if filling.amount.overrun_pct is not None:
            check_number((*path, "overrun_pct"), filling.amount.overrun_pct, 0, MOST_OVERRUN_PCT, "%")
        if filling.amount.on_top:
            if filling.amount.ml is None:
                raise BadInput((*path, "ml"), "what stands on top is piped by its volume", "ml", "missing")
            check_number((*path, "ml"), filling.amount.ml, 0, 1000, "ml", above=True)
            continue
        if len(inside) < position:
            raise BadInput((*path, "on_top"), "it is on a top", "tops come last", "not-allowed")
        inside.append(filling if filling.amount.share_pct is None else _by_share(filling, room_ml, path))
    if not inside:
        raise BadInput(("fillings",), "nothing is in it, only on top", "at least one filling inside", "empty")
    return inside


def _by_share(filling: FillingAsk, room_ml: float, path: tuple[str | int, ...]) -> FillingAsk:
    share_pct = check_number((*path, "share_pct"), filling.amount.share_pct, 0, 100, "%", above=True)
    if filling.amount.ml is not None or filling.amount.mm is not None:
        raise BadInput((*path, "share_pct"), "a share and a measure are both given", "one of them")
    return replace(filling, amount=replace(filling.amount, ml=share_pct / 100 * room_ml))


def _rooms(
    fillings: Sequence[FillingAsk], room_ml: float, void_ml: Curve, level_mm: Curve, top_mm: float
) -> list[float]:
    """Return the room of each filling: those by ml or mm first, the one that gives way takes the rest."""
    way = [
        position for position, filling in enumerate(fillings) if filling.amount.ml is None and filling.amount.mm is None
    ]
    if len(way) > 1:
        path = ("fillings", way[1], "ml")
        raise BadInput(path, "two fillings give way", "ml or mm for all but one", "missing")
    for position, filling in enumerate(fillings):
        for name in ("ml", "mm"):
            if getattr(filling.amount, name) is not None:
                check_number(("fillings", position, name), getattr(filling.amount, name), 0, 1000, name, above=True)
        if filling.amount.ml is not None and filling.amount.mm is not None:
            raise BadInput(("fillings", position, "mm"), "ml and mm are both given", "one of the two")
    if way:
        below = _fixed(fillings[: way[0]], 0.0, void_ml, level_mm)
        above = _from_top(fillings[way[0] + 1 :], room_ml, void_ml, level_mm, top_mm)
        rooms = [*below, room_ml - sum(below) - sum(above), *above]
        too_much = rooms[way[0]] <= 0
    else:
        rooms = _fixed(fillings, 0.0, void_ml, level_mm)
        too_much = sum(rooms) > room_ml * (1 + FLOOR_GUARD)
    if too_much:
        fixed = [position for position in range(len(rooms)) if position not in way]
        largest = max(fixed, key=lambda position: rooms[position])
        name = "ml" if fillings[largest].amount.ml is not None else "mm"
        limit = f"{room_ml:.3g} ml in all below cap and headroom"
        raise BadInput(("fillings", largest, name), "more than the cavity holds", limit, "out-of-range")
    return rooms


def _gives_way(filling: FillingAsk) -> bool:
    return filling.amount.ml is None and filling.amount.mm is None


def _fixed(fillings: Sequence[FillingAsk], filled_ml: float, void_ml: Curve, level_mm: Curve) -> list[float]:
    """Return the rooms of fillings laid on each other from below."""
    rooms: list[float] = []
    for filling in fillings:
        if filling.amount.ml is not None:
            room = filling.amount.ml
        else:
            low_mm = level_mm(filled_ml + sum(rooms))
            room = void_ml(max(0.0, low_mm - (filling.amount.mm or 0.0))) - (filled_ml + sum(rooms))
        rooms.append(room)
    return rooms


def _from_top(
    fillings: Sequence[FillingAsk], room_ml: float, void_ml: Curve, level_mm: Curve, top_mm: float
) -> list[float]:
    """Return the rooms of fillings that lie above the one that gives way: reckoned down from the cap."""
    rooms: list[float] = []
    for filling in reversed(fillings):
        high_ml = room_ml - sum(rooms)
        if filling.amount.ml is not None:
            room = filling.amount.ml
        else:
            high_mm = level_mm(high_ml) if rooms else top_mm
            room = high_ml - void_ml(high_mm + (filling.amount.mm or 0.0))
        rooms.insert(0, room)
    return rooms


def _filling(
    filling: FillingAsk,
    made: Made,
    ask: WalledAsk,
    levels_mm: tuple[float, float],
    ml: float,
    net_ml: float,
    cavities: int,
) -> StackedFilling:
    each_g = net_ml * made.density_g_per_ml
    batch_g = batch_for_g(cavities * each_g, ask, made)
    scale, amounts_g = scaled(filling.recipe, batch_g)
    return StackedFilling(
        from_mm=levels_mm[0],
        to_mm=levels_mm[1],
        ml=ml,
        net_ml=net_ml,
        each_g=each_g,
        batch_g=batch_g,
        loss_g=batch_g * made.left_share - cavities * each_g,
        scale=scale,
        amounts_g=amounts_g,
        gives_way=_gives_way(filling),
    )


def _notes(fillings: Sequence[FillingAsk]) -> tuple[str, ...]:
    notes = []
    for below, above in pairwise(fillings):
        if {below.amount.texture, above.amount.texture} == {"soft", "crunchy"}:
            notes.append("A crunchy filling beside a soft one softens in days: coat it in cocoa butter, or eat soon.")
    if len(fillings) > 1 and fillings[-1].amount.texture == "soft":
        notes.append("The last filling is soft: let it skin over cold before the cap, or the cap sinks into it.")
    if any(filling.amount.lumps for filling in fillings):
        notes.append("Lumps pack to about 55 %: what comes on them runs into their gaps.")
    return tuple(dict.fromkeys(notes))
