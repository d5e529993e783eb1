"""The acts of a confection as they are drawn up: its mixes, its form's acts, and who needs which chocolate when."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Final

from hearth_bowl.core.confection.work_out import Worked, WorkedPart
from hearth_bowl.core.method.act import Act, After, Take
from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.endings import ending_of
from hearth_bowl.core.method.endings.ending import Ending
from hearth_bowl.core.method.mixes import Place, filled_in
from hearth_bowl.core.method.rows import Row

WAITS_MIN: Final = 3 * 24 * 60.0
"""How long shells, and what has half set, wait at most. A judgement."""
DIRECTLY_MIN: Final = 5.0
"""How soon something is put to rest. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class ChocolateUse:
    """An act that takes melted chocolate: which part, the share of its grams, and the phase of the work."""

    act: str
    part: WorkedPart
    share: float
    phase: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Mix:
    """A mix of a confection: its batch, the names of the parts that are of it, and its acts, the last one last."""

    cook: Cook
    place: Place
    acts: tuple[Act, ...]

    @property
    def last(self) -> After:
        """Return what comes before its use."""
        return After(id=self.acts[-1].id)

    @property
    def ending(self) -> Ending:
        """Return how it ends."""
        return ending_of(self.cook.recipe.family)


@dataclass(slots=True, kw_only=True)
class Build:
    """What is drawn up so far. `mixes` are by the part's position and the filling of the mould (0: any)."""

    worked: Worked
    mixes: Mapping[tuple[int, int], Mix]
    holds: frozenset[str]
    acts: list[Act] = field(default_factory=list)
    uses: list[ChocolateUse] = field(default_factory=list)
    ids: set[str] = field(default_factory=set)
    waited_for: set[str] = field(default_factory=set)
    """Ids of acts that another comes after."""

    @property
    def name(self) -> str:
        """Return the name of what is made."""
        return self.worked.confection.name

    @property
    def pieces(self) -> int:
        """Return how many pieces are made."""
        return self.worked.pieces

    def parts(self, *roles: str) -> list[tuple[int, WorkedPart]]:
        """Return the parts of some roles, with their positions."""
        return [(at, part) for at, part in enumerate(self.worked.parts) if part.part.role in roles]

    def mix_of(self, at: int, turn: int = 0) -> Mix | None:
        """Return the mix of a part, for a filling of the mould; None for what is bought."""
        return self.mixes.get((at, turn)) or self.mixes.get((at, 0))

    def has(self, id_: str) -> bool:
        """Return whether an act is there already."""
        return id_ in self.ids

    def make(self, mix: Mix, before: Sequence[After] = ()) -> After:
        """Add the acts of a mix where they are not there yet; return what comes before its use.

        :param before: what else its use waits for: a mix that is used at once is not begun sooner.
        """
        new = [act for act in mix.acts if not self.has(act.id)]
        if new and mix.ending.is_used_at_once:
            new[0] = replace(new[0], after=(*new[0].after, *(replace(one, most_min=None) for one in before)))
        self.put(new)
        return mix.last

    def put(self, acts: Sequence[Act]) -> None:
        """Add acts as they are."""
        self.acts += acts
        self.ids.update(act.id for act in acts)
        self.waited_for.update(one.id for act in acts for one in act.after)

    def add(self, act: Act, after: Sequence[After] = ()) -> After:
        """Add an act of the piece after some others; return what comes before the next."""
        soon = None if act.hands else act.soon_min
        edges = {
            one.id: one if one.most_min is not None or soon is None else replace(one, most_min=soon)
            for one in (*act.after, *after)
        }
        self.put([replace(act, after=tuple(edges.values()), holds=act.holds or self.holds)])
        return After(id=act.id)

    def add_rows(
        self, rows: Sequence[Row], mix: Mix, last: Sequence[After], suffix: str = "", *, pieces: float = 0.0,
        takes: tuple[Take, ...] = (), in_vessel: bool = False, turn: int = 0, share: float = 1.0,
    ) -> list[After]:  # fmt: skip
        """Add rows of a mix's ending, one after the other; the first comes after `last`. Return what comes next.

        :param takes: what else goes in at the first row of them.
        """
        found = list(last)
        for row in rows:
            if not row.where(mix.cook):
                continue
            act = filled_in(replace(row, key=row.key + suffix), mix.cook, mix.place, takes, pieces * share)
            takes = ()
            edges = [self._soon(one, row, mix) for one in found]
            found = [self.add(replace(act, in_vessel=in_vessel, turn=turn), edges)]
        return found

    def _soon(self, one: After, row: Row, mix: Mix) -> After:
        """Return how soon a row follows an act of its own mix; a mix that is used a second time waits as it can."""
        is_own = one.id.startswith(mix.place.prefix)
        is_used = one.id in self.waited_for
        return replace(one, most_min=row.soon_min) if is_own and not is_used and row.soon_min is not None else one

    def cooled(self, mix: Mix, rows: Sequence[Row], before: Sequence[After] = ()) -> list[After]:
        """Make a mix, and add what cools it once however often it is used; return what comes before its use."""
        last = [self.make(mix, before)]
        for row in rows:
            id_ = f"{mix.place.prefix}{row.key}"
            last = [After(id=id_)] if self.has(id_) else self.add_rows([row], mix, last)
        return last

    def taken(self, part: WorkedPart, share: float = 1.0) -> tuple[Take, ...]:
        """Return the grams of a part that is bought and no chocolate: what an act takes of it."""
        if part.is_chocolate or any(part is self.worked.parts[at] for at, _ in self.mixes):
            return ()
        return tuple(Take(ingredient=row.ingredient, g=share * row.amount_g) for row in part.weigh)


def part_name(part: WorkedPart) -> str:
    """Return a part as an act names it: its role and its name."""
    return f"{part.part.role}: {part.name}"
