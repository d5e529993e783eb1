"""Shared: what is done once for several confections: melting and tempering, and packing; and the softening before
eating.

Minutes are common practice and judgements of ours.
"""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.confection.work_out import WorkedPart
from hearth_bowl.core.plan.drafts import ChocolateUse, Draft
from hearth_bowl.core.plan.hands import hands_min
from hearth_bowl.core.plan.job import AFTER_THE_LAST, After, Job
from hearth_bowl.core.plan.masses import POT

IN_TEMPER_MIN: Final = 90
"""Chocolate stays in temper so long, warmed now and then: common practice."""
WORKED_OF_IT_MIN: Final = 75
"""So much hands-on work is planned from one tempering, so that the last of it is still in temper. A judgement."""


def melting_jobs(drafts: Sequence[Draft], effort: float) -> tuple[Job, ...]:
    """Return one melt or tempering for all that shares the chocolate in a phase, and hang its uses on it."""
    sessions: dict[str, list[list[tuple[Draft, ChocolateUse, Job]]]] = {}
    for draft in drafts:
        for use in draft.chocolate:
            job = next(one for one in draft.jobs if one.id == use.job)
            found = sessions.setdefault(f"{_words(use.part)}.{use.phase}", [[]])
            if sum(one.minutes for _, _, one in found[-1]) + job.minutes > WORKED_OF_IT_MIN and found[-1]:
                found.append([])
            found[-1].append((draft, use, job))
    jobs = []
    for words, groups in sessions.items():
        for number, group in enumerate(groups, 1):
            jobs.append(_melting(words if len(groups) == 1 else f"{words}.{number}", group, effort))
    return tuple(jobs)


def _melting(words: str, group: Sequence[tuple[Draft, ChocolateUse, Job]], effort: float) -> Job:
    part = group[0][1].part
    kind = "temper" if _needs_tempering(part) else "melt"
    made = Job(
        id=f"{kind}.{words}",
        kind=kind,
        title=f"{'Temper' if kind == 'temper' else 'Melt'} {part.name}",
        minutes=hands_min(kind, 0, effort),
        hands_on=True,
        because="one bowl serves all that shares it" if len(group) > 1 else "it must be ready when it is worked",
        confections=tuple(dict.fromkeys(draft.position for draft, _, _ in group)),
        uses=POT,
        holds=frozenset.intersection(*(draft.holds for draft, _, _ in group)),
    )
    for draft, _, job in group:
        at = next(i for i, one in enumerate(draft.jobs) if one.id == job.id)
        after = (*draft.jobs[at].after, After(id=made.id, most_min=IN_TEMPER_MIN))
        draft.jobs[at] = replace(draft.jobs[at], after=after)
    return made


def _words(part: WorkedPart) -> str:
    """Return what tells one chocolate from another in an id: its ingredients."""
    return "+".join(row.ingredient.label.lower().replace(" ", "-") for row in part.weigh) or "chocolate"


def _needs_tempering(part: WorkedPart) -> bool:
    return any(row.ingredient.kind == "chocolate" for row in part.weigh)


def ending_jobs(
    drafts: Sequence[Draft], out_of_fridge_min: Sequence[int], pieces: int, effort: float
) -> tuple[Job, ...]:
    """Return what comes after all is finished: packing it, and softening what comes out of the fridge."""
    last = {draft.position: _last_of(draft) for draft in drafts}
    pack = Job(
        id="pack",
        kind="pack",
        title="Pack all of it",
        minutes=hands_min("pack", pieces, effort),
        hands_on=True,
        because="packed when all of it is there",
        confections=tuple(draft.position for draft in drafts),
        after=tuple(After(id=id_) for ids in last.values() for id_ in ids),
    )
    softening = [
        Job(
            id=f"c{draft.position}.soften",
            kind="soften",
            title=f"{draft.name} out of the fridge",
            minutes=out_min,
            hands_on=False,
            because="cold it is hard and tastes of little",
            confections=(draft.position,),
            after=(After(id="pack"), *(After(id=id_) for id_ in last[draft.position])),
        )
        for draft, out_min in zip(drafts, out_of_fridge_min, strict=True)
        if out_min > 0
    ]
    return (pack, *softening)


def _last_of(draft: Draft) -> list[str]:
    """Return the jobs of a confection after which none of its own comes."""
    before = {after.id for job in draft.jobs for after in job.after}
    return [job.id for job in draft.jobs if job.id not in before and job.kind not in AFTER_THE_LAST]
