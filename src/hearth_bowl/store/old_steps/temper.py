"""Steps of melting and tempering chocolate for shells and coats, by school; compound needs none."""

from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.tempering import WINDOWS, Window, tempering_kind
from hearth_bowl.core.stove.step import Step


def shell_steps(shell: Ingredient | None, school: str) -> tuple[Step, ...]:
    """Return the steps for a chocolate: melt, bring to work, test a smear."""
    if shell is None:
        return ()
    kind = tempering_kind(shell)
    window = WINDOWS[kind]
    melt = Step(
        key="temper-melt",
        title=f"Melt the {shell.name.lower()}",
        do="Melt it whole, stirring; keep some back as seed."
        if school == "seed" and window.cool_to_c is not None
        else "Melt it whole, stirring.",
        heat="melt",
        target_c=window.melt_c,
        ceiling_c=window.never_above_c,
        cue="no lump, no grain",
        ask="Is everything that touches it dry?",
        why="Old crystals must all be gone; too hot and it scorches.",
    )
    if window.cool_to_c is None or school == "none":
        return (melt, _work(window, tempered=False))
    return (melt, *_to_temper(window, school), _work(window, tempered=True), _smear())


def _to_temper(window: Window, school: str) -> tuple[Step, ...]:
    cool_to = window.cool_to_c or window.work_c
    if school == "machine":
        return ()
    if school in ("seed", "cocoa-butter"):
        what = (
            "Stir in two thirds of the seed, the rest as needed; fish out what will not melt."
            if school == "seed"
            else "At ⟦34 °C⟧ stir in one per cent of silk of cocoa butter."
        )
        return (
            Step(
                key="temper-cool",
                title="Seed it",
                do=what,
                heat="cool",
                target_c=window.work_c,
                cue="it thickens a little and shines",
                why="Good crystals bring in more of their kind; above the limit they melt and are lost.",
            ),
        )
    return (
        Step(
            key="temper-cool",
            title="Cool it on the slab",
            do="Two thirds on the slab, spread and gather until it thickens, then back to the rest.",
            heat="cool",
            target_c=cool_to,
            cue="it thickens and dulls",
            why="Crystals form in the cool; warming to work melts the wrong ones again.",
        ),
        Step(
            key="temper-warm",
            title="Warm it to work",
            do="Warm it by breaths, stirring.",
            heat="warm",
            target_c=window.work_c,
            ceiling_c=window.seed_lost_above_c,
            why="Over the limit the seed is lost: start again from melting.",
        ),
    )


def _work(window: Window, *, tempered: bool) -> Step:
    return Step(
        key="temper-work",
        title="Work with it",
        do="Keep it at working warmth; stir often." if tempered else "It needs no tempering: keep it fluid.",
        heat="work",
        target_c=window.work_c,
        ceiling_c=window.seed_lost_above_c or window.never_above_c,
        why="Too warm loses the seed, too cool thickens: 5 s of warmth brings it back."
        if tempered
        else "Compound sets by itself; its gloss is no proof of temper.",
    )


def _smear() -> Step:
    return Step(
        key="smear",
        title="Test a smear",
        do="A smear on paper, at room warmth.",
        minutes=4,
        cue="it sets matt-glossy, no streaks, and snaps",
        ask="Did the smear set clean?",
        why="Before a mould is committed: a bad temper sticks in it.",
    )
