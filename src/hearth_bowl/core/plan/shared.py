"""Shared: what is done once for several confections: a mix that is made, chocolate that is brought to work."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import IntEnum
from math import ceil
from typing import Final

from hearth_bowl.core.method.act import Act
from hearth_bowl.core.method.mixes import mix_acts
from hearth_bowl.core.plan.steps import MixSteps, Steps
from hearth_bowl.core.plan.tasks import Group, mix_groups
from hearth_bowl.core.recipe.recipe import Recipe

WORKED_OF_IT_MIN: Final = 75.0
"""So much hands-on work is planned from one tempering, so that the last of it is still in temper. A judgement."""


class Sharing(IntEnum):
    """How much confections share. Sharing saves hands, but ties their times together: where one way of it has no order
    another may have."""

    ALL = 2
    MIXES = 1
    NOTHING = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class Owned:
    """A task with the confections that it serves. `views` are its acts as each of them has them."""

    group: Group
    confections: tuple[int, ...]
    holds: frozenset[str]
    views: tuple[Group, ...]
    recipe: str | None = None
    title: str = ""
    goes: int = 1
    is_chocolate: bool = False

    @property
    def all_acts(self) -> tuple[Act, ...]:
        """Return the acts of all confections."""
        return tuple(act for view in self.views for act in view.acts)

    def group_with(self, act: str) -> Group:
        """Return the task as the confection of an act has it."""
        return next(view for view in self.views if any(one.id == act for one in view.acts))


def mixes_of(all_steps: Sequence[Steps], pot_g: float | None, sharing: Sharing = Sharing.ALL) -> list[Owned]:
    """Return the tasks that make the mixes: a recipe that waits is made once, whatever it goes into."""
    batches: list[list[tuple[Steps, MixSteps]]] = []
    for steps in all_steps:
        for made in steps.mixes:
            one = (steps, made)
            batch = next((rows for rows in batches if sharing >= Sharing.MIXES and _is_one(rows[0], one)), None)
            if batch is None:
                batches.append([one])
            else:
                batch.append(one)
    return [row for number, rows in enumerate(batches) for row in _batch(f"m{number}", rows, pot_g)]


def _is_one(first: tuple[Steps, MixSteps], other: tuple[Steps, MixSteps]) -> bool:
    """Return whether two mixes may be made in one go: of one recipe, and it waits for its use."""
    ending = first[1].mix.ending
    if ending.is_used_at_once or ending.is_poured:
        return False
    return first[0].position != other[0].position and _recipe(*first) == _recipe(*other)


def _recipe(steps: Steps, made: MixSteps) -> Recipe:
    return steps.worked.batches[made.mix.place.mass or 0].recipe


def _batch(prefix: str, rows: Sequence[tuple[Steps, MixSteps]], pot_g: float | None) -> list[Owned]:
    first_steps, first = rows[0]
    total_g = sum(made.mix.cook.recipe.mass_g for _, made in rows)
    acts = _with_minutes_of(first, total_g) if len(rows) > 1 else first.acts
    goes = 1 if pot_g is None else max(1, ceil(total_g / pot_g))
    groups = mix_groups(prefix, acts)
    name = _recipe(first_steps, first).name
    found, begun = [], 0
    for group in groups:
        views = [group] + [Group(id=group.id, acts=made.acts[begun : begun + len(group.acts)]) for _, made in rows[1:]]
        begun += len(group.acts)
        found.append(
            Owned(
                group=group,
                confections=tuple(dict.fromkeys(steps.position for steps, _ in rows)),
                holds=frozenset.intersection(*(steps.holds for steps, _ in rows)),
                views=tuple(views),
                recipe=name,
                title=f"{group.main.title}: {name}",
                goes=goes,
            )
        )
    return found


def _with_minutes_of(made: MixSteps, total_g: float) -> tuple[Act, ...]:
    """Return the acts of a mix with the minutes that more of it takes."""
    cook, place = made.mix.cook, made.mix.place
    grams = [g * total_g / cook.recipe.mass_g for g in cook.recipe.amounts_g]
    larger = {act.id: act for act in mix_acts(replace(cook, recipe=cook.recipe.with_amounts_g(grams)), place)}
    return tuple(
        replace(act, minutes=found.minutes) if (found := larger.get(act.id.partition(".")[2])) is not None else act
        for act in made.acts
    )


def melts_of(all_steps: Sequence[Steps], sharing: Sharing = Sharing.ALL) -> list[Owned]:
    """Return one melt or tempering for all that shares a chocolate in a phase, within the time that it holds.

    Which of them share it does not depend on the order in which they are listed.
    """
    by_session: dict[str, list[list[tuple[Steps, tuple[Act, ...]]]]] = {}
    for steps in sorted(all_steps, key=lambda one: (one.worked.confection.name, one.worked.pieces, one.position)):
        for acts in steps.sessions:
            groups = by_session.setdefault(acts[0].session, [[]])
            worked = sum(_worked_min(one, rows) for one, rows in groups[-1]) + _worked_min(steps, acts)
            is_full = worked > WORKED_OF_IT_MIN or any(one is steps for one, _ in groups[-1])
            if groups[-1] and (is_full or sharing < Sharing.ALL):
                groups.append([])
            groups[-1].append((steps, acts))
    found = []
    for session, groups in by_session.items():
        for number, rows in enumerate(groups, 1):
            found.append(_melt(session if len(groups) == 1 else f"{session}.{number}", rows))
    return found


def _melt(session: str, rows: Sequence[tuple[Steps, tuple[Act, ...]]]) -> Owned:
    acts = rows[0][1]
    kind = "temper" if any(act.kind == "temper" for act in acts) else "melt"
    id_ = f"{kind}.{session}"
    names = " and ".join(dict.fromkeys(take.ingredient.name for act in acts for take in act.takes))
    return Owned(
        group=Group(id=id_, acts=acts),
        confections=tuple(dict.fromkeys(steps.position for steps, _ in rows)),
        holds=frozenset.intersection(*(steps.holds for steps, _ in rows)),
        views=tuple(Group(id=id_, acts=own) for _, own in rows),
        title=f"{'Temper' if kind == 'temper' else 'Melt'} {names}",
        is_chocolate=True,
    )


def _worked_min(steps: Steps, acts: tuple[Act, ...]) -> float:
    """Return the hands-on minutes of what is worked from a tempering."""
    ready = acts[-1].id
    return sum(act.usual_min for act in steps.piece if any(one.id == ready for one in act.after))
