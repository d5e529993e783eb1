"""Drafts: what is gathered while an occasion's jobs are drawn up: the jobs so far, and who needs which chocolate
when."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from hearth_bowl.core.confection.work_out import Worked, WorkedPart
from hearth_bowl.core.plan.hands import hands_min
from hearth_bowl.core.plan.job import NOTHING, After, Job
from hearth_bowl.core.plan.masses import Made
from hearth_bowl.core.plan.waits import Waits


@dataclass(frozen=True, slots=True, kw_only=True)
class ChocolateUse:
    """A job that takes melted chocolate: of which part, and in which phase of the work."""

    job: str
    part: WorkedPart
    phase: str


@dataclass(slots=True, kw_only=True)
class Draft:
    """The jobs of one confection as they are drawn up.

    `made` are the masses of its parts, by the part's position and the turn of the mould (0: any). `effort` stretches
    all hands-on times.
    """

    position: int
    worked: Worked
    made: Mapping[tuple[int, int], Made]
    waits: Waits
    effort: float
    holds: frozenset[str]
    jobs: list[Job] = field(default_factory=list)
    chocolate: list[ChocolateUse] = field(default_factory=list)

    def add(
        self, kind: str, suffix: str, title: str, minutes: int, after: Sequence[After], because: str, *,
        hands_on: bool = True, uses: Mapping[str, int] = NOTHING, moulds: int = 0, turn: int = 1,
    ) -> str:  # fmt: skip
        """Add a job and return its id."""
        job = Job(
            id=self.id_of(kind, suffix),
            kind=kind,
            title=title,
            minutes=minutes,
            hands_on=hands_on,
            because=because,
            confections=(self.position,),
            after=tuple(after),
            uses=uses,
            vessel=self.worked.confection.form.name or None if moulds else None,
            moulds=moulds,
            turn=turn if moulds else 0,
            holds=self.holds,
        )
        self.jobs.append(job)
        return job.id

    def id_of(self, kind: str, suffix: str) -> str:
        """Return the id of a job of this confection."""
        return f"c{self.position}.{kind}{'.' + suffix if suffix else ''}"

    def hands(self, job: str, count: float) -> int:
        """Return the minutes of a job for so many."""
        return hands_min(job, count, self.effort * self.waits.hands.get(job, 1.0))

    def parts(self, *roles: str) -> list[tuple[int, WorkedPart]]:
        """Return the parts of some roles, with their positions."""
        return [(at, part) for at, part in enumerate(self.worked.parts) if part.part.role in roles]

    def made_for(self, at: int, turn: int = 0) -> Made | None:
        """Return the mass of a part, for a turn of the mould; None where it is bought."""
        return self.made.get((at, turn)) or self.made.get((at, 0))

    @property
    def name(self) -> str:
        """Return what the confection is called."""
        return self.worked.confection.name
