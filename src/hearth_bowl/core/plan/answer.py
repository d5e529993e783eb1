"""Answer: what a plan is when it is made: tasks in their order with their reasons, or why there is none. No solver
here: whoever shows a plan reads this."""

from collections.abc import Mapping
from dataclasses import dataclass

from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.occasion import Occasion


@dataclass(frozen=True, slots=True, kw_only=True)
class Task:
    """A job with its moments [min] and the cook who does it; None where nobody's hands are needed."""

    job: Job
    start_min: int
    end_min: int
    cook: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Order:
    """A running order: its tasks by their starts, whether it is proved best, and by how much each goal could be better,
    in the goal's own weights. `late` are jobs that waited longer than they should."""

    tasks: tuple[Task, ...]
    proved: bool
    gaps: tuple[float, ...]
    late: tuple[tuple[str, str], ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Why:
    """How far a job may slip [min] while the others stay, and the job (else the wish) that holds it."""

    slack_min: int
    held_by: str
    says: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Because:
    """A wish that stands against others: its code and its words."""

    code: str
    message: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Change:
    """The least change found: of what, in words, by how many minutes (0 where it is not of time), and the occasion with
    it. `leave_out` is the position of the confection that is left out."""

    what: str
    message: str
    by_min: int
    occasion: Occasion
    leave_out: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Refusal:
    """Why there is no order, and what mends it; None where nothing that was tried does. `together`: changes that mend
    it where none alone does. Where it is not decided, there may be an order that was not found in the time."""

    because: tuple[Because, ...]
    least: Change | None
    together: tuple[Change, ...] = ()
    is_decided: bool = True


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """A running order with its reasons; or why there is none."""

    occasion: Occasion
    order: Order | None
    why: Mapping[str, Why]
    refusal: Refusal | None
    cautions: tuple[str, ...] = ()
