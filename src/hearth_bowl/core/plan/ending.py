"""What comes after all is finished: packing, and the softening of what comes out of the fridge."""

from collections.abc import Sequence

from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.method.hands import hands_min
from hearth_bowl.core.plan.job import AFTER_THE_LAST, After, Job


def ending_jobs(
    jobs: Sequence[Job],
    worked: Sequence[Worked],
    prefixes: Sequence[str],
    out_of_fridge_min: Sequence[int],
    pieces: int,
    effort: float,
) -> tuple[Job, ...]:
    """Return packing all boxes, and what softens before it is eaten."""
    positions = range(len(worked))
    last = {position: _last_of(jobs, position) for position in positions}
    pack = Job(
        id="pack",
        kind="pack",
        title="Pack the boxes",
        minutes=hands_min("pack", pieces, effort),
        hands_on=True,
        because="packed when everything is ready",
        confections=tuple(positions),
        after=tuple(After(id=id_) for ids in last.values() for id_ in ids),
    )
    softening = [
        Job(
            id=f"{prefixes[position]}.soften",
            kind="soften",
            title=f"Take {worked[position].confection.name} out of the fridge",
            minutes=out_min,
            hands_on=False,
            because="cold it is hard and tastes of little",
            confections=(position,),
            after=(After(id="pack"), *(After(id=id_) for id_ in last[position])),
        )
        for position, out_min in zip(positions, out_of_fridge_min, strict=True)
        if out_min > 0
    ]
    return (pack, *softening)


def _last_of(jobs: Sequence[Job], position: int) -> list[str]:
    """Return the jobs of a confection after which none of its own comes."""
    own = [job for job in jobs if job.confections == (position,)]
    before = {after.id for job in own for after in job.after}
    return [job.id for job in own if job.id not in before and job.kind not in AFTER_THE_LAST]
