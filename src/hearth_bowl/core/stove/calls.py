"""The next call at a step: its words, whether it is now, and when nothing is called.

A step starts afresh: only its own readings count. What is already so when it is entered is said quietly; a state is
called when it has held for some seconds; what the thermometer does not say any more is not claimed.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.stove.forecast import Forecast
from hearth_bowl.core.stove.standing import Stand, Standing, standing
from hearth_bowl.core.stove.step import Step

HELD_S: Final = 3.0
"""A state counts once it has held so long: no flicker at a tenth of a degree. Judged."""
WORSE_K: Final = 2.0
"""What was over its target or ceiling when the step began is called only when it climbs on by so much. A judgement."""
SOON_K: Final = 3.0
"""The last degrees of a boil: stay by it. A judgement."""
SILENT_S: Final = 20.0
"""After so long without a reading the thermometer is silent. A judgement."""
AGAIN_S: Final = 120.0
"""What goes on being wrong after it was seen is called again: over a ceiling, or without a thermometer. Judged."""
ON_HEAT: Final = frozenset({"warm", "boil", "melt"})
OFF_HEAT: Final = "Off the heat"
SOON: Final = "Soon: stay by it"
WEAK: Final = "More heat or a lid: so it never boils"
REACHED: Final[Mapping[str, str]] = MappingProxyType(
    {
        "join": "Cool enough: stir it smooth",
        "cool-still": "Beat it",
        "temper-cool": "Tempered: test a smear",
        "stir-in-cool": "Cool enough: stir it in",
        "late": "Cool enough: the rest goes in",
        "enzyme": "Cool enough: the invertase goes in",
        "rest-cold": "Cold enough: whip it",
        "set": "Cool: now it sets",
    }
)
"""Calls when a step has cooled to where it goes on, for steps that have none of their own."""
COOLED: Final = "Cool enough: go on"


@dataclass(frozen=True, slots=True, kw_only=True)
class Call:
    """The words, whether it is now, and whether the forecast's time belongs behind them.

    `wrong`: not a moment that passes but something that is wrong until it is put right.
    """

    words: str
    urgent: bool = False
    timed: bool = False
    wrong: bool = False

    def is_quiet(self, seen_s: Mapping[str, float], now_s: float) -> bool:
        """Return whether it was seen, by the moments at which words were seen in this step [s]."""
        at_s = seen_s.get(self.words)
        return at_s is not None and not (self.wrong and now_s - at_s >= AGAIN_S)


def held(
    step: Step, readings: Sequence[tuple[float, float]], *, age_s: float = 0.0, by_hand: bool = False
) -> Standing | None:
    """Return where a step stands by its own (s, °C) readings: the last state that held for some seconds.

    Readings by hand, and others that come seldom, each count at once.

    :param age_s: how old the last reading is: what it says has held since.
    """
    found: Standing | None = None
    now: Standing | None = None
    since, before, last_s = 0.0, None, None
    for at_s, c in readings:
        now = standing(step, c, None if found is None else found.stand)
        stand = None if now is None else now.stand
        if stand != before:
            since, before = at_s, stand
        if by_hand or last_s is None or at_s - last_s >= HELD_S or at_s - since >= HELD_S:
            found = now
        last_s = at_s
    return now if last_s is not None and last_s + age_s - since >= HELD_S else found


def next_call(
    step: Step,
    readings: Sequence[tuple[float, float]],
    found: Forecast | None,
    stands: Standing | None,
    *,
    entered_c: float | None = None,
    silent_s: float = 0.0,
) -> Call:
    """Return the next call of a step from its own readings, true °C in rising time, and the forecast from them.

    :param entered_c: how warm it was when the step began; without it the first of the readings.
    :param silent_s: how long nothing was heard from a thermometer that had spoken [s].
    """
    if silent_s >= SILENT_S and (step.target_c or step.ceiling_c):
        cue = f": go by the cue, {step.cue}" if step.cue else ": go by eye and nose"
        if found is not None and found.due and step.heat in ON_HEAT:
            return Call(words=f"{OFF_HEAT} at the last rate; the thermometer is silent{cue}", urgent=True, wrong=True)
        return Call(words=f"The thermometer is silent{cue}", urgent=step.heat in ON_HEAT, wrong=True)
    if not readings:
        return Call(words=step.title)
    entered_c = readings[0][1] if entered_c is None else entered_c
    entered = standing(step, entered_c)
    if stands is not None and stands.stand == "ceiling":
        if _was(entered, "ceiling") and readings[-1][1] < entered_c + WORSE_K:
            return Call(words=f"Let it come below ⟦{step.ceiling_c:.0f} °C⟧")
        return Call(words=stands.says, urgent=True, wrong=True)
    if step.call and step.heat in ON_HEAT:
        return Call(words=step.call)
    if step.heat not in (*ON_HEAT, "cool"):
        return Call(words=step.title)
    reached = OFF_HEAT if step.heat in ON_HEAT else step.call or REACHED.get(step.act, COOLED)
    there = stands is not None and stands.stand in (("in", "over") if step.heat in ON_HEAT else ("in", "below"))
    if found.due if found is not None else there:
        climbs_on = readings[-1][1] >= entered_c + WORSE_K
        already = (
            _was(entered, "in", "over") and not climbs_on if step.heat in ON_HEAT else _was(entered, "in", "below")
        )
        return Call(words=reached, urgent=not already)
    if step.heat == "boil":
        return _boil_call(step, found)
    return Call(words=reached if found is not None and found.in_s is not None else step.title, timed=True)


def _boil_call(step: Step, found: Forecast | None) -> Call:
    if found is None or step.target_c is None:
        return Call(words=step.title)
    if found.phase == "to-boil":
        return Call(words=WEAK) if found.in_s is None else Call(words="It boils", timed=True)
    if found.now_c > step.target_c[0] - SOON_K:
        return Call(words=SOON)
    return Call(words=OFF_HEAT if found.in_s is not None else step.title, timed=True)


def _was(entered: Standing | None, *stands: Stand) -> bool:
    return entered is not None and entered.stand in stands
