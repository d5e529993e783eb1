"""Jobs: the acts of several confections as tasks, each in exactly one; a mix or a tempering that several share is one.

Ids are made of positions and kinds alone, so that they stay when wishes change and the confections do not.
"""

from collections.abc import Mapping, Sequence
from collections.abc import Set as AbstractSet
from dataclasses import replace

from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.fit.vessel import Mould
from hearth_bowl.core.method.forms.common import turns_of
from hearth_bowl.core.method.tempering import IN_TEMPER_MIN
from hearth_bowl.core.plan.ending import ending_jobs
from hearth_bowl.core.plan.job import After, Job
from hearth_bowl.core.plan.occasion import Occasion
from hearth_bowl.core.plan.shared import Owned, Sharing, melts_of, mixes_of
from hearth_bowl.core.plan.steps import Steps, steps_of
from hearth_bowl.core.plan.tasks import Group, afters_of, because_of, minutes_of, piece_groups, uses_of
from hearth_bowl.core.plan.waits import Waits


def jobs_of(
    all_steps: Sequence[Steps], out_of_fridge_min: Sequence[int], waits: Waits, *,
    pot_g: float | None = None, effort: float = 1.0, sharing: Sharing = Sharing.ALL,
) -> tuple[Job, ...]:  # fmt: skip
    """Return all jobs of some confections, each after those that it names.

    :param out_of_fridge_min: of each confection, how long before it is eaten it comes out of the fridge.
    :param pot_g: what the pot holds; more is made in several goes. None: enough.
    :param effort: stretches all hands-on times.
    :param sharing: what several confections share.
    """
    worked, names = [one.worked for one in all_steps], [one.prefix for one in all_steps]
    owned = [*mixes_of(all_steps, pot_g, sharing), *melts_of(all_steps, sharing), *_pieces(all_steps)]
    of_act = {act.id: row.group_with(act.id) for row in owned for act in row.all_acts}
    shared = {row.group.id for row in owned if len(row.confections) > 1}
    jobs = tuple(_job(row, worked, of_act, shared, waits, effort) for row in owned)
    return (*jobs, *ending_jobs(jobs, worked, names, out_of_fridge_min, sum(one.pieces for one in worked), effort))


def _pieces(all_steps: Sequence[Steps]) -> list[Owned]:
    """Return the tasks of each confection's own pieces."""
    return [
        Owned(group=group, confections=(steps.position,), holds=steps.holds, views=(group,))
        for steps in all_steps
        for group in piece_groups(steps.prefix, steps.piece)
    ]


def _job(
    row: Owned, worked: Sequence[Worked], of_act: Mapping[str, Group], shared: AbstractSet[str], waits: Waits,
    effort: float,
) -> Job:  # fmt: skip
    group = row.group
    main = group.main
    one = worked[row.confections[0]]
    after: dict[str, After] = {}
    for view in row.views:
        for edge in afters_of(view, of_act):
            if edge.id in shared and edge.most_min is not None and group.hands_on:
                most = int(IN_TEMPER_MIN) if edge.id.split(".")[0] in ("temper", "melt") else None
                edge = replace(edge, most_min=most)
            after[edge.id] = edge
    if row.is_chocolate:
        after = {}
    return Job(
        id=group.id,
        kind="melt" if row.is_chocolate and not group.is_tempered else "temper" if row.is_chocolate else main.kind,
        title=row.title or _title(group, one),
        minutes=minutes_of(group, waits, effort, row.goes),
        hands_on=group.hands_on,
        because=because_of(group),
        confections=row.confections,
        after=tuple(after.values()),
        uses=uses_of(group),
        vessel=one.confection.form.name or None if group.in_vessel else None,
        moulds=_moulds(one, group.turn) if group.in_vessel else 0,
        turn=group.turn if group.in_vessel else 0,
        holds=row.holds,
        recipe=row.recipe,
        acts=tuple(act.id for act in row.all_acts),
        takes=_takes(row),
    )


def _takes(row: Owned) -> tuple[tuple[str, float], ...]:
    """Return what goes in at all acts of a task, each ingredient once."""
    grams: dict[str, float] = {}
    for act in row.all_acts:
        for take in act.takes:
            grams[take.ingredient.name] = grams.get(take.ingredient.name, 0.0) + take.g
    return tuple(grams.items())


def _title(group: Group, worked: Worked) -> str:
    turns = turns_of(worked)
    name, turn = worked.confection.name, group.turn
    of = f", filling {turn} of {turns}" if turns > 1 and turn else ""
    mix = group.main.mass
    what = f", {worked.batches[mix].recipe.name}" if mix is not None and len(worked.batches) > 1 else ""
    return f"{group.main.title}{what}: {name}{of}"


def _moulds(worked: Worked, turn: int) -> int:
    """Return how many moulds a filling takes; one tin or tray else."""
    pours, form = worked.laid.pours, worked.confection.form
    if pours is None or not isinstance(form.vessel, Mould):
        return 1
    return min(form.owned, pours - (max(1, turn) - 1) * form.owned)


def occasion_jobs(occasion: Occasion, ways: Sequence[Sharing] = (Sharing.ALL,)) -> list[tuple[Job, ...]]:
    """Return all jobs of an occasion, in its own kitchen, in each way of sharing.

    :raises BadInput: naming the field.
    """
    waits = Waits(
        slow=occasion.slow,
        kitchen=occasion.kitchen,
        kitchen_c=occasion.kitchen_c,
        cools=occasion.cools,
        hands=occasion.hands_by_job,
    )
    steps = [
        steps_of(position, wanted.prefix(position), wanted.worked, waits)
        for position, wanted in enumerate(occasion.wanted)
    ]
    out_min = [wanted.out_of_fridge_min for wanted in occasion.wanted]
    dropped = {position for position, wanted in enumerate(occasion.wanted) if wanted.dropped}
    found: list[tuple[Job, ...]] = []
    for sharing in ways:
        jobs = jobs_of(steps, out_min, waits, pot_g=occasion.pot_g, effort=occasion.hands, sharing=sharing)
        found.append(tuple(jobs_without(jobs, dropped)) if dropped else jobs)
    return found


def jobs_without(jobs: Sequence[Job], dropped: AbstractSet[int]) -> list[Job]:
    """Return the jobs without those of some confections alone; what they share with others stays for these."""
    kept = [job for job in jobs if not set(job.confections) <= dropped]
    there = {job.id for job in kept}
    return [replace(job, after=tuple(after for after in job.after if after.id in there)) for job in kept]
