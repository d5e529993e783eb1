"""What lies on the shelf: how many days it has left, how many pieces, and what that teaches. Days are whole days.

An estimate of days is a guide for home use and never certifies that a thing is safe.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil
from typing import Final, Literal, get_args

from hearth_bowl.core.errors import BadInput

Fate = Literal["eaten", "given", "thrown-away"]
FATES: Final[tuple[str, ...]] = get_args(Fate)
Move = Literal["eaten", "given", "thrown-away", "frozen", "thawed"]
MOVES: Final[tuple[str, ...]] = get_args(Move)
THROWN_FROM: Final = 0.1
"""From so large a share thrown away on, fewer are worth making: a judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Moved:
    """What happened so many days after it was made, and to how many pieces."""

    day: int
    what: str
    pieces: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class OnShelf:
    """Where a making stands: pieces left, days left until best before (below 0: past it), and whether it is frozen."""

    pieces_left: int
    days_left: int
    days_in_all: int
    is_frozen: bool


def on_shelf(
    pieces: int, days_low: int, frozen_days: int, thawed_days: int, moves: Sequence[Moved], today: int
) -> OnShelf:
    """Return where a making stands, `today` days after it was made.

    Frozen, its own days stand still and `frozen_days` run; thawed, it has what was left of its own, at most
    `thawed_days`, and never longer than it might have lain frozen.
    """
    gone = sum(move.pieces for move in moves if move.what in FATES)
    ends_at, frozen_at = days_low, None
    for move in sorted(moves, key=lambda move: move.day):
        if move.what == "frozen":
            frozen_at, own_left = move.day, ends_at - move.day
        elif move.what == "thawed" and frozen_at is not None:
            ends_at = min(move.day + min(own_left, thawed_days), frozen_at + frozen_days)
            frozen_at = None
    is_frozen = frozen_at is not None
    end = ends_at if frozen_at is None else frozen_at + frozen_days
    return OnShelf(
        pieces_left=max(0, pieces - gone),
        days_left=end - today,
        days_in_all=frozen_days if is_frozen else days_low,
        is_frozen=is_frozen,
    )


def check_move(what: str, pieces: int, standing: OnShelf, may_freeze: bool, was_frozen: bool) -> None:
    """Check that something can happen to a making.

    :raises BadInput: at `what` or `pieces`.
    """
    if what not in MOVES:
        raise BadInput(("what",), f"unknown: {what[:40]!r}", "one of " + ", ".join(MOVES), "unknown")
    if what in FATES and not 1 <= pieces <= standing.pieces_left:
        allowed = f"1 to {standing.pieces_left}" if standing.pieces_left else "nothing: all of them are gone"
        raise BadInput(("pieces",), f"{pieces} of {standing.pieces_left} that are left", allowed, "out-of-range")
    if what == "frozen":
        if not may_freeze:
            raise BadInput(("what",), "freezing spoils this one", "the place that it is kept in", "not-for-this")
        if standing.is_frozen or was_frozen:
            raise BadInput(("what",), "it is or was frozen already", "once, and never again", "not-for-this")
        if standing.days_left < 0:
            raise BadInput(("what",), "it is past its days", "a making within its days", "not-for-this")
    if what == "thawed" and not standing.is_frozen:
        raise BadInput(("what",), "it is not frozen", "pieces that are in the freezer", "not-for-this")


def next_amount(made: int, thrown: int, times: int) -> str:
    """Return what the fate of the makings of one confection says of the next amount; empty: nothing.

    :param made: pieces of all that are finished with. :param thrown: what of them was thrown away.
    """
    if made <= 0 or times < 1 or thrown / made < THROWN_FROM:
        return ""
    each = ceil((made - thrown) / times)
    when = f"the last {times} times" if times > 1 else "last time"
    return f"{thrown} of {made} were thrown away {when}: about {each} get eaten: make that many."
