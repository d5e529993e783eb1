"""Sessions: which uses of a chocolate share one tempering, with their grams, and the holding between them."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.tempering import WINDOWS, tempering_kind
from hearth_bowl.core.method.act import Act, After
from hearth_bowl.core.method.build import Build, ChocolateUse, part_name
from hearth_bowl.core.method.tempering import (
    IN_TEMPER_MIN,
    USED_WITHIN_MIN,
    Melted,
    chocolate_acts,
    hold_act,
    seed_share,
)

Session = list[ChocolateUse]
WORKED_MIN: Final = 75.0
"""Hands-on work planned from one tempering, so that the last of it is still in temper. A judgement."""
WORKED_WARM: Final = frozenset({"shell", "cap", "dip"})
"""Kinds of act whose temperature is that of the chocolate."""


def with_tempering(build: Build, school: str) -> list[Act]:
    """Return a confection's acts with those that bring its chocolate to work, and that hold it between two uses."""
    sessions = _sessions(build)
    acts = list(build.acts)
    melts = _melted(build, sessions, school)
    for number, (session, melted) in enumerate(zip(sessions, melts, strict=True)):
        if not melted:
            continue
        first = next(at for at, act in enumerate(acts) if act.id == session[0].act)
        of = tuple(dict.fromkeys(part_name(use.part) for use in session))
        name = f"{_chocolates(session[0]).lower().replace(' ', '-')}.{session[0].phase}"
        made = chocolate_acts(melted, school, f".{number + 1}" if number else "", of, name)
        waits = tuple(replace(one, most_min=None) for one in acts[first].after)
        made[0] = replace(made[0], after=waits)
        acts[first:first] = made
        ready, lead = made[-1].id, max(melted, key=lambda one: one.g).ingredient
        is_tempered = any(act.kind == "temper" for act in made)
        for place, use in enumerate(session):
            _hang(acts, use, ready, lead, None if place == 0 else session[place - 1].act, is_tempered)
    return acts


def _hang(acts: list[Act], use: ChocolateUse, ready: str, lead: Ingredient, before: str | None, tempered: bool) -> None:
    """Let a use come after its tempering, and after a hold where other work comes between it and the use before."""
    at = next(i for i, act in enumerate(acts) if act.id == use.act)
    most = USED_WITHIN_MIN if before is None else IN_TEMPER_MIN
    edges = [After(id=ready, most_min=most if tempered else IN_TEMPER_MIN)]
    if before is not None and tempered:
        there = next(i for i, act in enumerate(acts) if act.id == before)
        if at - there > 1:
            hold = hold_act(f"hold.{use.act}", acts[at].of, lead)
            hold = replace(hold, after=(After(id=before), *(replace(one, most_min=None) for one in acts[at].after)))
            acts.insert(at, hold)
            edges.append(After(id=hold.id, most_min=USED_WITHIN_MIN))
            at += 1
    if acts[at].kind in WORKED_WARM:
        window = WINDOWS[tempering_kind(lead)]
        ceiling_c = window.seed_lost_above_c if tempered else window.never_above_c
        acts[at] = replace(acts[at], target_c=window.work_c, ceiling_c=ceiling_c)
    there_already = {one.id for one in edges}
    acts[at] = replace(acts[at], after=(*(one for one in acts[at].after if one.id not in there_already), *edges))


def _sessions(build: Build) -> list[Session]:
    """Return the uses that share a tempering: of the same chocolates, in the same phase, within its time."""
    place = {act.id: at for at, act in enumerate(build.acts)}
    usual = {act.id: act.usual_min for act in build.acts}
    found: dict[tuple[str, str], list[Session]] = {}
    for use in sorted(build.uses, key=lambda one: place[one.act]):
        sessions = found.setdefault((_chocolates(use), use.phase), [[]])
        if sessions[-1] and sum(usual[one.act] for one in sessions[-1]) + usual[use.act] > WORKED_MIN:
            sessions.append([])
        sessions[-1].append(use)
    flat = [session for sessions in found.values() for session in sessions if session]
    return sorted(flat, key=lambda session: place[session[0].act])


def _chocolates(use: ChocolateUse) -> str:
    return "+".join(row.ingredient.label for row in use.part.weigh)


def _melted(build: Build, sessions: Sequence[Session], school: str) -> list[list[Melted]]:
    """Return the grams of each chocolate in each session: what its uses keep, and in the first all that comes back.

    The grams of a chocolate over all sessions are what the confection melts of it.
    """
    kept: list[dict[str, float]] = []
    for session in sessions:
        grams: dict[str, float] = {}
        for use in session:
            total_g = sum(row.amount_g for row in use.part.weigh)
            for row in use.part.weigh:
                share = row.amount_g / total_g if total_g > 0 else 0.0
                grams[row.ingredient.label] = grams.get(row.ingredient.label, 0.0) + (
                    use.share * share * use.part.make_g
                )
        kept.append(grams)
    found: list[list[Melted]] = [[] for _ in sessions]
    for melt in build.worked.chocolate:
        label = melt.ingredient.label
        those = [at for at, grams in enumerate(kept) if grams.get(label, 0.0) > 0]
        seed = seed_share(melt.ingredient, school) if those else None
        later_g = sum(kept[at][label] for at in those[1:])
        for at in those:
            grams_ = kept[at][label] if at != those[0] else max(0.0, melt.melt_g - later_g)
            found[at].append(Melted(ingredient=melt.ingredient, g=grams_, seed_share=seed))
    return found
