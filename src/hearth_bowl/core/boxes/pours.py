"""Pours: in which order moulds are flooded and capped so that the pot needs least chocolate."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil, inf
from typing import Literal

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD

Task = Literal["shell", "cap", "dip"]


@dataclass(frozen=True, slots=True, kw_only=True)
class PourJob:
    """Pieces that take chocolate of one kind.

    `cavities` are those to fill (halves count each), `mould_cavities` of them one mould has, `owned` moulds there are.
    `flood_ml_g` is what one cavity takes flooded, `kept_g` what stays as its shell, `cap_g` its cap. Pieces to dip
    have no mould: `dip_g` stays on all of them, `pool_g` must stand in the pot. `rank` is how late it is worked, for
    the nuts that it brings into the pot.
    """

    name: str
    chocolate: str
    cavities: int = 0
    mould: str = ""
    mould_cavities: int = 1
    owned: int = 1
    flood_g: float = 0.0
    kept_g: float = 0.0
    cap_g: float = 0.0
    dip_g: float = 0.0
    pool_g: float = 0.0
    rank: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class Pour:
    """One time that the pot is used: what must be in it, what stays on the pieces, and what is in it before.

    `turn` counts how often this mould has been poured, from 1; `refill_g` is to be melted in before.
    """

    task: Task
    name: str
    mould: str
    turn: int
    cavities: int
    needs_g: float
    kept_g: float
    pot_before_g: float
    refill_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class PourPlan:
    """All pours of one chocolate in order: `start_g` to melt first, `kept_g` stays on the pieces, `back_g` comes back.

    `turns` are pours of moulds; `shell_first` says that all shells come before any cap.
    """

    chocolate: str
    pours: tuple[Pour, ...]
    start_g: float
    refilled_g: float
    kept_g: float
    back_g: float
    turns: int
    shell_first: bool
    notes: tuple[str, ...]

    @property
    def melted_g(self) -> float:
        """Return all that is melted: kept + back."""
        return self.start_g + self.refilled_g


@dataclass(frozen=True, slots=True, kw_only=True)
class _Step:
    task: Task
    job: PourJob
    turn: int
    cavities: int
    needs_g: float
    kept_g: float

    @property
    def rank(self) -> int:
        """Return how late it comes; a shell that is still empty brings no nuts into the pot."""
        return 0 if self.task == "shell" else self.job.rank


def plan_pours(jobs: Sequence[PourJob], pot_g: float | None = None) -> PourPlan:
    """Return the order of pours of one chocolate that needs the least in the pot at the start.

    A pour needs so much in the pot and leaves it less by what it keeps. The least start comes from taking first what
    has the largest surplus (needs - keeps): an exchange of two neighbours never helps. Caps have none, so that they
    come last, but where a mould must be poured again: then it is capped and emptied in between. A pot that holds
    less is refilled when it runs low.

    :param pot_g: what the pot or machine holds; None where it does not matter.
    :raises BadInput: at `pot_g` when one pour alone needs more than it holds.
    """
    if not jobs:
        raise BadInput(("jobs",), "nothing to pour", "at least one piece with chocolate", "empty")
    steps = _ordered(jobs, pot_g)
    most = max(step.needs_g for step in steps)
    if pot_g is not None and most > pot_g:
        step = max(steps, key=lambda step: step.needs_g)
        fewer = int(step.cavities * pot_g / step.needs_g) if step.task == "shell" else 0
        allowed = f"{most:.0f} g or more" + (f", or {fewer} cavities at a time" if fewer else "")
        raise BadInput(("pot_g",), f"{pot_g:g} g is too little for {step.job.name}", allowed, "out-of-range")
    kept_g = sum(step.kept_g for step in steps)
    start_g = _least_start(steps)
    limited = pot_g is not None and start_g > pot_g
    if pot_g is not None:
        start_g = min(start_g, pot_g)
    pours, in_pot, refilled = [], start_g, 0.0
    for position, step in enumerate(steps):
        refill = 0.0
        if in_pot < step.needs_g - 1e-9:
            rest = _least_start(steps[position:])
            refill = min(rest, pot_g or rest) - in_pot
        pours.append(
            Pour(
                task=step.task,
                name=step.job.name,
                mould=step.job.mould,
                turn=step.turn,
                cavities=step.cavities,
                needs_g=step.needs_g,
                kept_g=step.kept_g,
                pot_before_g=in_pot + refill,
                refill_g=refill,
            )
        )
        in_pot += refill - step.kept_g
        refilled += refill
    tasks = [step.task for step in steps]
    shell_first = "cap" in tasks and "shell" not in tasks[tasks.index("cap") :]
    return PourPlan(
        chocolate=jobs[0].chocolate,
        pours=tuple(pours),
        start_g=start_g,
        refilled_g=refilled,
        kept_g=kept_g,
        back_g=start_g + refilled - kept_g,
        turns=sum(task == "shell" for task in tasks),
        shell_first=shell_first,
        notes=tuple(_notes(limited=limited, shell_first=shell_first, pours=pours, ranks=[step.rank for step in steps])),
    )


def _least_start(steps: Sequence[_Step]) -> float:
    kept = most = 0.0
    for step in steps:
        most = max(most, kept + step.needs_g)
        kept += step.kept_g
    return most


@dataclass(frozen=True, slots=True, kw_only=True)
class _Segment:
    """Pours of one job that are best made without a break: what they need in the pot at their start, and keep."""

    steps: tuple[_Step, ...]
    needs_g: float
    kept_g: float

    @property
    def surplus_g(self) -> float:
        return self.needs_g - self.kept_g

    @property
    def rank(self) -> int:
        return max(step.rank for step in self.steps)

    def then(self, other: "_Segment") -> "_Segment":
        return _Segment(
            steps=self.steps + other.steps,
            needs_g=max(self.needs_g, self.kept_g + other.needs_g),
            kept_g=self.kept_g + other.kept_g,
        )


def _ordered(jobs: Sequence[PourJob], pot_g: float | None) -> list[_Step]:
    """Return all pours in the order that needs least at the start, those of one mould one after the other.

    A job is cut into segments of falling surplus (a pour with more surplus than the one before it joins it); all
    segments are then taken by falling surplus, those that bring nuts into the pot after all others.
    """
    chains: dict[str, list[_Step]] = {}
    for number, job in enumerate(sorted(jobs, key=lambda job: job.rank)):
        chains.setdefault(job.mould or f"{number}", []).extend(_steps(job, pot_g))
    segments: list[_Segment] = []
    for chain in chains.values():
        own: list[_Segment] = []
        for step in chain:
            last = _Segment(steps=(step,), needs_g=step.needs_g, kept_g=step.kept_g)
            while own and (own[-1].rank > last.rank or own[-1].surplus_g < last.surplus_g):
                last = own.pop().then(last)
            own.append(last)
        segments += own
    segments.sort(key=lambda segment: (segment.rank, -segment.surplus_g))
    return [step for segment in segments for step in segment.steps]


def _steps(job: PourJob, pot_g: float | None) -> list[_Step]:
    """Return a job's own pours: as many moulds as are owned, then their caps, then the next round.

    Dipping stops where a small pot must be refilled.
    """
    if not job.cavities:
        room_g = inf if pot_g is None or pot_g <= job.pool_g else pot_g - job.pool_g
        goes = max(1, ceil(job.dip_g / room_g - FLOOR_GUARD))
        each_g = job.dip_g / goes
        return [
            _Step(task="dip", job=job, turn=turn + 1, cavities=0, needs_g=each_g + job.pool_g, kept_g=each_g)
            for turn in range(goes)
        ]
    steps: list[_Step] = []
    left, turn = job.cavities, 0
    while left > 0:
        round_of: list[_Step] = []
        for _ in range(job.owned):
            filled = min(left, job.mould_cavities)
            if filled <= 0:
                break
            turn += 1
            left -= filled
            round_of.append(
                _Step(
                    task="shell",
                    job=job,
                    turn=turn,
                    cavities=filled,
                    needs_g=filled * job.flood_g,
                    kept_g=filled * job.kept_g,
                )
            )
        caps = [
            _Step(
                task="cap",
                job=job,
                turn=shell.turn,
                cavities=shell.cavities,
                needs_g=shell.cavities * job.cap_g,
                kept_g=shell.cavities * job.cap_g,
            )
            for shell in round_of
            if job.cap_g > 0
        ]
        steps += round_of + caps
    return steps


def _notes(*, limited: bool, shell_first: bool, pours: Sequence[Pour], ranks: Sequence[int]) -> list[str]:
    notes = []
    refills = sum(pour.refill_g > 0 for pour in pours)
    if limited and refills:
        notes.append(f"The pot runs low {refills} {'time' if refills == 1 else 'times'}: temper the refill first.")
    if shell_first:
        notes.append("Shell everything before capping: caps need no surplus in the pot.")
    if min(ranks) < max(ranks):
        notes.append("What holds nuts comes last: the chocolate left over holds traces of them.")
    return notes
