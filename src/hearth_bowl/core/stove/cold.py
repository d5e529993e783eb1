"""How long a mass with fresh cheese has been out of the cold: in all its steps together."""

from collections.abc import Sequence
from typing import Final

from hearth_bowl.core.keep.keeping import OUT_OF_COLD_MIN
from hearth_bowl.core.stove.calls import Call
from hearth_bowl.core.stove.step import Step

MOST_OUT_S: Final = 60.0 * OUT_OF_COLD_MIN  # a judgement
LAST_S: Final = 15 * 60.0
"""So long before, it is called back into the cold: a judgement."""


def out_of_cold_s(steps: Sequence[Step], begun: Sequence[tuple[float, int]], now_s: float) -> float | None:
    """Return for how long it has been out by now [s]; None where nothing needs the cold.

    :param begun: when each step was gone to [s from the start], and which, in the order in which it happened.
    """
    if not any(step.out_of_cold for step in steps):
        return None
    until = [at_s for at_s, _ in begun[1:]] + [now_s]
    spans = zip(begun, until, strict=True)
    return sum(max(0.0, end_s - at_s) for (at_s, step), end_s in spans if steps[step].out_of_cold)


def cold_call(out_s: float | None, is_out: bool) -> Call | None:
    """Return what is called of the cold: soon before the time is over, and from then on."""
    if out_s is None:
        return None
    if out_s >= MOST_OUT_S:
        return Call(words="Two hours out of the cold: throw it away", urgent=True, wrong=True)
    if is_out and out_s >= MOST_OUT_S - LAST_S:
        return Call(words="Back into the fridge", urgent=True, wrong=True)
    return None
