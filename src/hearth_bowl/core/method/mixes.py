"""Acts of one mix: the rows of its family for this batch, in order, with grams, targets and minutes filled in."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Final

from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.tempering import WINDOWS, tempering_kind
from hearth_bowl.core.method.act import WORKING, Act, After, Range, Take
from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.families import method_of_family
from hearth_bowl.core.method.rows import BOWL, ByChoice, Minutes, Row, Words


@dataclass(frozen=True, slots=True, kw_only=True)
class Place:
    """Where acts belong: the prefix of their ids, the parts that they serve, and the mix's position."""

    prefix: str
    of: tuple[str, ...]
    mass: int | None = None
    holds: frozenset[str] = frozenset()


def mix_acts(cook: Cook, place: Place) -> list[Act]:
    """Return the acts that make a mix. Each line goes in at one act, or in shares that sum to it."""
    left = dict.fromkeys(range(len(cook.rows)), 1.0)
    rows = [row for row in method_of_family(cook.recipe.family).rows if row.where(cook)]
    acts = [filled_in(row, cook, place, _taken(row, cook, left)) for row in rows]
    asides = {act.id for row, act in zip(rows, acts, strict=True) if row.aside}
    rest = tuple(
        Take(ingredient=cook.rows[p].ingredient, g=share * cook.recipe.amounts_g[p], position=p)
        for p, share in left.items()
        if share > 0
    )
    if rest:
        at = next((i for i, act in enumerate(acts) if act.kind in WORKING), len(acts))
        acts.insert(at, filled_in(REST_IN, cook, place, rest))
    return chained(acts, asides)


REST_IN: Final = Row(
    key="rest-in",
    kind="join",
    title="Stir in what is left",
    do="Stir in the remaining ingredients.",
    cue="even, with no streaks",
    uses=BOWL,
)


def _taken(row: Row, cook: Cook, left: dict[int, float]) -> tuple[Take, ...]:
    """Return what goes in at a row, and take it off what is left."""
    found: dict[int, float] = {}
    for position in row.lines(cook):
        if left[position] > 0:
            found[position] = left[position]
    for position, share in ({} if row.shares is None else row.shares(cook)).items():
        found[position] = min(left[position], share)
    for position, share in found.items():
        left[position] -= share
    return tuple(
        Take(ingredient=cook.rows[p].ingredient, g=share * cook.recipe.amounts_g[p], position=p)
        for p, share in sorted(found.items())
        if share > 0
    )


def filled_in(row: Row, cook: Cook, place: Place, takes: tuple[Take, ...] = (), pieces: float = 0.0) -> Act:
    """Return a row as an act of this batch."""
    minutes = row.minutes
    count = pieces or cook.recipe.mass_g / USUAL_PIECE_G
    band = minutes.at(cook.recipe.mass_g, count) if isinstance(minutes, Minutes) else minutes(cook)
    return Act(
        id=place.prefix + row.key,
        kind=row.kind,
        of=place.of,
        title=said(row.title, cook),
        do=said(row.do, cook),
        cue=row.cue,
        ask=said(row.ask, cook),
        why=row.why,
        passes=row.passes,
        call=row.call,
        target_c=_range(row, cook),
        gate_min=row.gate_min(cook) if callable(row.gate_min) else row.gate_min,
        ceiling_c=row.ceiling_c(cook) if callable(row.ceiling_c) else row.ceiling_c,
        minutes=band if band and band[1] > 0 else USUAL_MIN,
        hands=row.hands,
        takes=takes,
        uses=row.uses,
        out_of_cold=row.out_of_cold,
        holds=place.holds,
        cautions=tuple(code for code in row.cautions if code not in row.caution_where or row.caution_where[code](cook)),
        mass=place.mass,
        soon_min=row.soon_min,
    )


USUAL_MIN: Final = (3.0, 5.0, 8.0)
"""Least, usual and most minutes of an act whose time cannot be worked out. A judgement."""


USUAL_PIECE_G: Final = 12.0
"""A piece of a mix that has no form yet. A judgement."""


def said(words: Words, cook: Cook) -> str:
    """Return words as the chosen school says them."""
    return words.words[cook.choices[words.choice]] if isinstance(words, ByChoice) else words


def _range(row: Row, cook: Cook) -> Range | None:
    return row.target_c(cook) if callable(row.target_c) else row.target_c


def chained(acts: Sequence[Act], asides: Iterable[str] = (), before: tuple[After, ...] = ()) -> list[Act]:
    """Return acts one after the other; what is aside comes after the act before it, and only the last waits for it."""
    apart, found = set(asides), list[Act]()
    last, pending = before, list[str]()
    for at, act in enumerate(acts):
        after = tuple(replace(one, most_min=act.soon_min if act.soon_min is not None else one.most_min) for one in last)
        if at == len(acts) - 1:
            after = (*after, *(After(id=id_) for id_ in pending))
        found.append(replace(act, after=(*act.after, *after)))
        if act.id in apart and at < len(acts) - 1:
            pending.append(act.id)
        else:
            last = (After(id=act.id),)
    return found


def told_once(acts: Sequence[Act]) -> list[Act]:
    """Return acts with each caution at the first act of its mix where it can hurt, and no later."""
    told: set[tuple[int | None, str]] = set()
    found = []
    for act in acts:
        new = tuple(dict.fromkeys(code for code in act.cautions if (act.mass, code) not in told))
        told.update((act.mass, code) for code in new)
        found.append(act if new == act.cautions else replace(act, cautions=new))
    return found


def shell_limit_c(chocolates: Iterable[Ingredient]) -> float | None:
    """Return the warmest that a filling may be in shells of some chocolates: two degrees below their work.

    Handbook, section D.
    """
    kinds = [tempering_kind(one) for one in chocolates]
    return min((WINDOWS[kind].work_c[0] - LIMIT_BELOW_K for kind in kinds), default=None)


LIMIT_BELOW_K: Final = 2.0  # handbook, section D
