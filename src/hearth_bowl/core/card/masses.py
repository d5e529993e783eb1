"""Masses: which lines of a card are one mix, and which of its steps are whose."""

import re
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Final

from hearth_bowl.core.card.roles import INNER, Placed
from hearth_bowl.core.card.sections import Card, CardLine
from hearth_bowl.core.recipe.steps import ON_THE_PIECE, CardStep
from hearth_bowl.core.recipe.written.method_steps import act_of
from hearth_bowl.core.recipe.written.proposals import family_of
from hearth_bowl.core.recipe.written.recipe import Row
from hearth_bowl.core.recipe.written.vocabulary.headings import FOR, SAME_MASS

FEWEST: Final = 2
"""Lines with an amount from which what stands apart may be a mix of its own. A judgement."""


@dataclass(slots=True)
class Mass:
    """One mix: its lines, its role where the card says one, the heading that it stands under, and what is unsure."""

    rows: list[Row]
    role: str | None = None
    heading: str = ""
    why: str | None = None
    each: tuple[str, float] | None = None
    """How much of it goes with each piece, by `g_each` or `ml_each`, where the card says so."""

    @property
    def called(self) -> str:
        """Return what its heading calls it: filling, of `For the filling:`."""
        plain = re.sub(r"\([^)]*\)", "", self.heading.strip("*#_: ").lower()).strip()
        return re.sub(rf"^{FOR}\s+", "", plain).removeprefix("the ")

    @property
    def keys(self) -> set[str]:
        """Return the library keys of its lines."""
        return {row.read.key for row in self.rows if row.read.key is not None}


def masses_of(card: Card, places: Sequence[Placed]) -> list[Mass]:
    """Return the mixes of a card, in its order: by headings, else by empty lines between mixes that stand alone."""
    groups = {line.number: line.group for line in card.lines}
    found: list[Mass] = []
    for one in places:
        if one.role is not None and one.role not in INNER and not _is_core_mix(one, places):
            continue
        role, heading = one.role, one.row.heading
        mass = next((mass for mass in found if mass.heading == heading and mass.role == role), None)
        if mass is None and role is None and heading and found and not _stands_alone(heading, places):
            mass = found[-1]
        if mass is None:
            mass = Mass([], role, heading)
            found.append(mass)
            if role is None and heading and len(found) > 1:
                mass.why = f"it stands under “{heading[:60].rstrip(': ')}”: taken as a mix of its own"
        mass.rows.append(one.row)
    found = [mass for mass in found if any(row.read.ingredient is not None for row in mass.rows)]
    if not found:
        return [
            Mass([one.row], "filling") for one in places if one.role == "core" and one.row.read.ingredient is not None
        ]
    if len(found) == 1 and not found[0].heading:
        found = _by_empty_lines(found[0], groups)
    return found


def _is_core_mix(one: Placed, places: Sequence[Placed]) -> bool:
    """Return whether a core is a mix of several things under its own heading: a yolk of mango and chocolate."""
    return one.role == "core" and bool(one.row.heading) and sum(
        other.role == "core" and other.row.heading == one.row.heading for other in places
    ) >= FEWEST  # fmt: skip


def is_split(masses: Sequence[Mass]) -> bool:
    """Return whether a card's mixes have roles of their own."""
    return len(masses) > 1 or masses[0].role == "layer"


def _stands_alone(heading: str, places: Sequence[Placed]) -> bool:
    """Return whether what stands under a heading that names no part is a mix of its own."""
    under = [one.row for one in places if one.row.heading == heading and one.role is None]
    stated = [row for row in under if row.read.amount is not None]
    return SAME_MASS.search(heading) is None and len(stated) >= FEWEST


def _by_empty_lines(mass: Mass, groups: dict[int, int]) -> list[Mass]:
    """Return the mixes that empty lines part: of families that differ, or with an ingredient twice."""
    parted: list[list[Row]] = []
    for row in mass.rows:
        if parted and groups.get(parted[-1][-1].number) == groups.get(row.number):
            parted[-1].append(row)
        else:
            parted.append([row])
    masses = [Mass(rows) for rows in parted]
    if len(masses) < FEWEST or any(sum(row.read.amount is not None for row in one.rows) < FEWEST for one in masses):
        return [mass]
    families = [family_of("", frozenset(one.keys)) for one in masses]
    if len(set(families)) < len(masses) and not set.intersection(*(one.keys for one in masses)):
        return [mass]
    for one in masses[1:]:
        one.why = "an empty line stands before it: taken as a mix of its own"
    return masses


@dataclass(slots=True)
class Parted:
    """A card's steps by the mix that they are of, by position, and those that are done to the piece."""

    of_mass: dict[int, list[CardStep]] = field(default_factory=dict)
    of_piece: list[CardStep] = field(default_factory=list)


def method_of(masses: Sequence[Mass], told: Sequence[tuple[CardLine, Sequence[CardStep]]]) -> Parted:
    """Return which steps are whose: by the words before a colon, by the ingredients that they name, else as before.

    What sets before anything was done to the piece is the mix at rest.
    """
    found = Parted()
    now = 0
    on_the_piece = False
    for line, steps in told:
        spoken = _spoken_of(line.text, masses)
        now, on_the_piece = (now, on_the_piece) if spoken is None else (spoken, False)
        for step in steps:
            if spoken is None:
                best = _best(masses, step, now)
                if best != now:
                    now, on_the_piece = best, False
            elsewhere = bool(step.ingredients) and not any(mass.keys & set(step.ingredients) for mass in masses)
            rests = step.kind == "set" and not found.of_piece and bool(found.of_mass)
            if rests:
                found.of_mass.setdefault(now, []).append(step)
            elif step.kind in ON_THE_PIECE or elsewhere or (step.kind == "pour" and _ends(step)):
                on_the_piece = True
                found.of_piece.append(step)
            elif (
                on_the_piece
                and not step.ingredients
                and step.kind in (None, "cool", "rest", "warm", "melt", "temper", "join")
            ):
                found.of_piece.append(step)
            else:
                on_the_piece = False
                found.of_mass.setdefault(now, []).append(step)
    return found


def _ends(step: CardStep) -> bool:
    return (
        re.search(
            (
                r"\b(?:tins?|pan|tray|frame|dish|mou?lds?|form|moule|cadre|stampo|teglia|molde|forma"
                r"|layer|schicht|couche|strato|capa|camada)\b"
            ),
            step.text,
            re.I,
        )
        is not None
    )


def _spoken_of(text: str, masses: Sequence[Mass]) -> int | None:
    """Return of which mix a line of the method speaks: “For the filling: ...”, “Make the caramel ...”."""
    head = re.match(rf"^[\W\d]*(?:{FOR}\s+|make (?:the )?)(?P<of>[^:,.]{{2,40}})", text, re.IGNORECASE)
    if head is None or act_of(text) not in (None, "join", "portion"):
        head = re.match(r"^[\W\d]*(?P<of>[^:,.\d]{2,40}):\s", text)
    if head is None:
        return None
    words = head["of"].lower()
    return next(
        (at for at, mass in enumerate(masses) if mass.called and any(one in words for one in _words(mass.called))), None
    )


def _words(called: str) -> list[str]:
    return [word for word in re.findall(r"[a-zà-ÿ]{4,}", called) if word not in ("layer", "with")] or [called]


def _best(masses: Sequence[Mass], step: CardStep, now: int) -> int:
    """Return the mix of which a step names the most that the mix of now has not; of equals the one of now."""
    named = set(step.ingredients)
    scores = [len(named & mass.keys) for mass in masses]
    return now if not named or scores[now] == max(scores) else scores.index(max(scores))
