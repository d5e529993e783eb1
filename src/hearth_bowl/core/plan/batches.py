"""Batches: which masses are made how often.

A recipe is made once, whatever it goes into; but what must be used at once is made anew for each use that cannot be at
the same time: each turn of a mould, each layer, each vessel that is in use.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil

from hearth_bowl.core.confection.work_out import Worked
from hearth_bowl.core.plan.masses import SOON
from hearth_bowl.core.recipe.recipe import Recipe

Use = tuple[int, int, int]
"""What a mass goes into: a confection, a part of it, a turn of its mould (0: all of them)."""


@dataclass(slots=True, kw_only=True)
class MassBatch:
    """So much of a recipe made in one go, and all that it goes into."""

    recipe: Recipe
    mass_g: float
    uses: list[Use]

    @property
    def confections(self) -> tuple[int, ...]:
        """Return the confections that it goes into."""
        return tuple(dict.fromkeys(position for position, _, _ in self.uses))


def mass_batches(worked: Sequence[Worked], holds: Sequence[frozenset[str]]) -> list[MassBatch]:
    """Return the batches of all masses of some confections, in the order of their first use.

    :param holds: the nuts and peanuts of each confection.
    """
    found: list[MassBatch] = []
    for position, one in enumerate(worked):
        for at, part in enumerate(one.parts):
            recipe = part.part.of
            if not isinstance(recipe, Recipe):
                continue
            turns = turns_of(one) if recipe.family in SOON and part.part.role == "filling" else 1
            for turn in range(1, turns + 1):
                use = (position, at, turn if turns > 1 else 0)
                batch = next(
                    (row for row in found if row.recipe == recipe and _may_join(row, use, worked, holds)), None
                )
                if batch is None:
                    found.append(MassBatch(recipe=recipe, mass_g=part.make_g / turns, uses=[use]))
                else:
                    batch.mass_g += part.make_g / turns
                    batch.uses.append(use)
    return found


def turns_of(worked: Worked) -> int:
    """Return how many turns of its moulds a confection takes."""
    return 1 if worked.laid.pours is None else ceil(worked.laid.pours / worked.confection.form.owned)


def _may_join(batch: MassBatch, use: Use, worked: Sequence[Worked], holds: Sequence[frozenset[str]]) -> bool:
    """Return whether a use may take what is made already: what waits may; what does not needs another vessel that is
    free, and no wash between."""
    if batch.recipe.family not in SOON:
        return True
    name = worked[use[0]].confection.form.name
    return all(
        position != use[0] and worked[position].confection.form.name != name and holds[position] == holds[use[0]]
        for position, _, _ in batch.uses
    )
