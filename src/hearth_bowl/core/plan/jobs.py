"""Jobs: what several confections ask for, drawn up from the confections themselves and in one place.

Ids are made of positions and kinds alone, so that they stay when wishes change and the confections do not.
"""

from collections.abc import Sequence
from collections.abc import Set as AbstractSet
from dataclasses import replace

from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.ingredients.attributes import NUT_GROUPS
from hearth_bowl.core.plan.batches import mass_batches
from hearth_bowl.core.plan.drafts import Draft
from hearth_bowl.core.plan.forms import form_jobs
from hearth_bowl.core.plan.job import Job
from hearth_bowl.core.plan.masses import mass_jobs
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.shared import ending_jobs, melting_jobs
from hearth_bowl.core.plan.waits import Waits


def jobs_of(
    worked: Sequence[Worked], out_of_fridge_min: Sequence[int], waits: Waits, *,
    pot_g: float | None = None, effort: float = 1.0,
) -> tuple[Job, ...]:  # fmt: skip
    """Return all jobs of some confections, each after those that it names.

    :param out_of_fridge_min: of each confection, how long before it is eaten it comes out of the fridge.
    :param pot_g: what the pot holds; more is made in several goes. None: enough.
    :param effort: stretches all hands-on times.
    """
    holds = [holds_of(one) for one in worked]
    batches = mass_batches(worked, holds)
    made = [
        mass_jobs(
            batch.recipe,
            batch.mass_g,
            f"m{number}",
            batch.confections,
            waits,
            pot_g=pot_g,
            effort=effort,
            holds=frozenset.intersection(*(holds[position] for position in batch.confections)),
        )
        for number, batch in enumerate(batches)
    ]
    by_use = {use: one for batch, one in zip(batches, made, strict=True) for use in batch.uses}
    drafts = []
    for position, one in enumerate(worked):
        own = {(at, turn): found for (where, at, turn), found in by_use.items() if where == position}
        draft = Draft(position=position, worked=one, made=own, waits=waits, effort=effort, holds=holds[position])
        form_jobs(draft)
        drafts.append(draft)
    melting = melting_jobs(drafts, effort)
    masses = [job for found in made for job in found.jobs]
    own_jobs = [job for draft in drafts for job in draft.jobs]
    pieces = sum(one.pieces for one in worked)
    return (*masses, *melting, *own_jobs, *ending_jobs(drafts, out_of_fridge_min, pieces, effort))


def occasion_jobs(occasion: Occasion) -> tuple[Job, ...]:
    """Return all jobs of an occasion, in its own kitchen.

    :raises BadInput: naming the field.
    """
    waits = Waits(
        slow=occasion.slow,
        kitchen=occasion.kitchen,
        kitchen_c=occasion.kitchen_c,
        cools=occasion.cools,
        hands=occasion.hands_by_job,
    )
    worked = [wanted.worked for wanted in occasion.wanted]
    out_min = [wanted.out_of_fridge_min for wanted in occasion.wanted]
    jobs = jobs_of(worked, out_min, waits, pot_g=occasion.pot_g, effort=occasion.hands)
    dropped = {position for position, wanted in enumerate(occasion.wanted) if wanted.dropped}
    return tuple(jobs_without(jobs, dropped)) if dropped else jobs


def jobs_without(jobs: Sequence[Job], dropped: AbstractSet[int]) -> list[Job]:
    """Return the jobs without those of some confections alone; what they share with others stays for these."""
    kept = [job for job in jobs if not set(job.confections) <= dropped]
    there = {job.id for job in kept}
    return [replace(job, after=tuple(after for after in job.after if after.id in there)) for job in kept]


def holds_of(worked: Worked) -> frozenset[str]:
    """Return the nuts and peanuts that a confection holds, by name."""
    return frozenset(one.name for one in worked.allergens_named if one.group in NUT_GROUPS)
