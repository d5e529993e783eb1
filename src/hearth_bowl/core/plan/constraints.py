"""Constraints over whole numbers, as data: what a solver is asked, without any solver.

A model is written with sums of variables (`Sum`) compared with each other; `Solver` is what can solve it. The only
adapter is `hearth_bowl.solver`.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from enum import Enum
from typing import Final, Protocol

FAR: Final = 2**31
"""No sum of a model goes beyond this. A limit, by definition."""


@dataclass(frozen=True, slots=True)
class Sum:
    """A sum of variables, each times a whole number, and a constant."""

    terms: tuple[tuple[int, int], ...] = ()
    constant: int = 0

    def __add__(self, other: "Sum | int") -> "Sum":
        if isinstance(other, int):
            return Sum(self.terms, self.constant + other)
        return Sum(self.terms + other.terms, self.constant + other.constant)

    __radd__ = __add__

    def __neg__(self) -> "Sum":
        return self * -1

    def __sub__(self, other: "Sum | int") -> "Sum":
        return self + (-other)

    def __rsub__(self, other: int) -> "Sum":
        return -self + other

    def __mul__(self, factor: int) -> "Sum":
        return Sum(tuple((index, factor * times) for index, times in self.terms), factor * self.constant)

    __rmul__ = __mul__

    def __le__(self, other: "Sum | int") -> "Between":
        left = self - other
        return Between(left.terms, -FAR, -left.constant)

    def __ge__(self, other: "Sum | int") -> "Between":
        left = self - other
        return Between(left.terms, -left.constant, FAR)

    def equals(self, other: "Sum | int") -> "Between":
        """Return that both are the same."""
        left = self - other
        return Between(left.terms, -left.constant, -left.constant)


@dataclass(frozen=True, slots=True)
class Yes:
    """A variable that is yes or no, or its opposite, as a literal of a clause."""

    index: int
    is_not: bool = False

    def __invert__(self) -> "Yes":
        return Yes(self.index, not self.is_not)

    @property
    def number(self) -> Sum:
        """Return 1 where it is yes, else 0."""
        return Sum(((self.index, -1),), 1) if self.is_not else Sum(((self.index, 1),))


@dataclass(frozen=True, slots=True)
class Between:
    """A sum that lies between two bounds, if all of `when` are yes."""

    terms: tuple[tuple[int, int], ...]
    low: int
    high: int
    when: tuple[Yes, ...] = ()


@dataclass(frozen=True, slots=True)
class Clause:
    """At least one of them is yes; exactly one, where that is said."""

    of: tuple[Yes, ...]
    exactly_one: bool = False


@dataclass(frozen=True, slots=True)
class Largest:
    """A sum that is the largest of others."""

    target: Sum
    of: tuple[Sum, ...]


@dataclass(frozen=True, slots=True)
class Stretch:
    """A stretch of time from a start, so long, to an end; there only where `there` is yes."""

    start: Sum
    length: Sum
    end: Sum
    there: Yes | None = None


@dataclass(frozen=True, slots=True)
class Capacity:
    """Stretches that together never use more than there is."""

    spans: tuple[Stretch, ...]
    uses: tuple[int, ...]
    most: int


Constraint = Between | Clause | Largest | Capacity


@dataclass(slots=True)
class Constraints:
    """Variables, by their spans of values, and what must hold of them."""

    domains: list[tuple[tuple[int, int], ...]] = field(default_factory=list)
    rows: list[Constraint] = field(default_factory=list)

    def number(self, low: int, high: int) -> Sum:
        """Return a new variable between two bounds."""
        return self.number_in([(low, high)])

    def number_in(self, spans: Sequence[tuple[int, int]]) -> Sum:
        """Return a new variable within one of some spans, both ends in them."""
        self.domains.append(tuple(spans))
        return Sum(((len(self.domains) - 1, 1),))

    def yes_or_no(self) -> Yes:
        """Return a new variable that is yes or no."""
        self.domains.append(((0, 1),))
        return Yes(len(self.domains) - 1)

    def add(self, row: Between, *when: Yes) -> None:
        """Let a comparison hold, always or where all of `when` are yes."""
        self.rows.append(Between(row.terms, row.low, row.high, when) if when else row)

    def any_of(self, *of: Yes) -> None:
        """Let at least one be yes; of none, nothing can be."""
        self.rows.append(Clause(of))

    def one_of(self, of: Sequence[Yes]) -> None:
        """Let exactly one be yes."""
        self.rows.append(Clause(tuple(of), exactly_one=True))

    def implies(self, one: Yes, other: Yes) -> None:
        """Let one be yes only where the other is."""
        self.rows.append(Clause((~one, other)))

    def largest(self, of: Sequence[Sum], high: int) -> Sum:
        """Return a new variable that is the largest of some sums."""
        found = self.number(0, high)
        self.rows.append(Largest(found, tuple(of)))
        return found

    def capacity(self, spans: Sequence[Stretch], uses: Sequence[int], most: int) -> None:
        """Let stretches together never use more than there is."""
        self.rows.append(Capacity(tuple(spans), tuple(uses), most))

    def one_at_a_time(self, spans: Sequence[Stretch]) -> None:
        """Let no two stretches overlap."""
        self.capacity(spans, [1] * len(spans), 1)


def total(of: Iterable[Sum | Yes]) -> Sum:
    """Return the sum of sums, and of how many are yes."""
    found = [one.number if isinstance(one, Yes) else one for one in of]
    return Sum(tuple(term for one in found for term in one.terms), sum(one.constant for one in found))


class Status(Enum):
    """What became of a search."""

    BEST = "best"
    SOME = "some"
    NONE = "none"
    UNKNOWN = "unknown"


@dataclass(frozen=True, slots=True, kw_only=True)
class Effort:
    """How far to search: work in the solver's own measure, which is the same on every machine, and seconds."""

    work: float
    seconds: float
    first: bool = False
    fixed: bool = False
    """Whether the values that are given are kept, and only the others looked for."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Found:
    """What a search found: the values of all variables (empty: none found), the bound of its goal."""

    status: Status
    values: Sequence[int]
    goal: int
    bound: float


class Search(Protocol):
    """One model in a solver; rows that are added to the model later are taken up by the next search."""

    def run(self, goal: Sum | None, hint: dict[int, int], effort: Effort) -> Found:
        """Search for values that keep all constraints, with a goal as small as can be."""
        ...


class Solver(Protocol):
    """What makes a search of a model."""

    def __call__(self, constraints: Constraints) -> Search:
        """Return a search of a model."""
        ...


def value_of(sum_: Sum, values: Sequence[int]) -> int:
    """Return what a sum is worth."""
    return sum_.constant + sum(times * values[index] for index, times in sum_.terms)
