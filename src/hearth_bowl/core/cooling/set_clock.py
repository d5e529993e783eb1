"""The set clock: minutes until a mass can be piped, rolled, cut or unmoulded; "cool" and "set" told apart.

Cool: its last point is where the state begins. Set: its crystals have had their hours. A reading or a cue corrects
the estimate at once.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.cooling.places import TIME_HIGH, TIME_LOW
from hearth_bowl.core.cooling.set_ask import STATES, SetAsk, State, check_set_ask
from hearth_bowl.core.cooling.set_body import cool_curve, cool_s
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.set_index import index_curve

CORRECTED_BAND: Final = 0.10
"""After a reading the rest of the time is known to ±10 %. A judgement."""
WARM_ROOM_C: Final = 24.0  # a judgement
HOT_FOR_FRIDGE_C: Final = 30.0  # a judgement
THIN_MM: Final = 15.0  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class Correction:
    """What was seen: so long after the start it had this temperature, or it did (or did not) pass the cue of a state
    (empty: of whichever is asked)."""

    after_s: float
    state: str = ""
    now_c: float | None = None
    passed: bool | None = None

    def counts_for(self, state: str) -> bool:
        """Return whether it says something of a state: a temperature of each, a cue of the state that it was of."""
        return self.now_c is not None or self.state in ("", state)


@dataclass(frozen=True, slots=True, kw_only=True)
class Learned:
    """How a kitchen differs from the book by so many batches of its own: the factor on a time, and the band of the
    next."""

    factor: float
    low: float
    high: float
    batches: int


@dataclass(frozen=True, slots=True, kw_only=True)
class SetClock:
    """Minutes from the start: cool (low, middle, high), then set; the target; how a correction moved it.

    `textbook_min` is what the book says until it is cool, where so many batches of this kitchen say otherwise."""

    state: str
    cool_c: float
    cool_min: tuple[float, float, float]
    set_min: tuple[float, float]
    corrected_by: float
    says: str
    warnings: tuple[str, ...]
    curve: tuple[tuple[float, float], ...]
    textbook_min: float | None = None
    learned_batches: int = 0


def set_clock(
    mixture: Mixture,
    ask: SetAsk,
    corrections: Sequence[Correction] = (),
    *,
    with_curve: bool = True,
    learned: Learned | None = None,
    rested: Learned | None = None,
) -> SetClock:
    """Return when a mass is cool and when it is set.

    :param corrections: all that was seen; what was seen of another state's cue is left out.
    :param learned: how this kitchen cools there; a reading of this very mass counts before it. `rested`: how long
        it took here until it was ready.
    :param with_curve: with its course for a drawing, which takes as long again.
    :raises BadInput: naming the field; at `place` when the place never gets it there.
    """
    ambient_c = check_set_ask(ask)
    state = STATES[ask.state]
    cool_c = state_begins_c(mixture, state)
    if ambient_c >= cool_c - 0.5:
        message = f"it never gets to ⟦{cool_c:.0f} °C⟧ there: the air is ⟦{ambient_c:g} °C⟧"
        raise BadInput(("place",), message, f"a place below ⟦{cool_c - 0.5:.0f} °C⟧", "not-for-this")
    seconds = 0.0 if ask.from_c <= cool_c else cool_s(mixture, ask, cool_c, ambient_c)
    seen_of_it = [seen for seen in corrections if seen.counts_for(ask.state)]
    factor, says, known = _corrected(mixture, ask, ambient_c, seconds, seen_of_it)
    book = seconds / 60
    times = [TIME_LOW * book, book, TIME_HIGH * book]
    if known:
        times = [(1 - CORRECTED_BAND) * book * factor, book * factor, (1 + CORRECTED_BAND) * book * factor]
    elif learned is not None:
        factor = learned.factor
        times = [learned.low * book, learned.factor * book, learned.high * book]
    for seen in seen_of_it:
        if seen.passed is True:
            times = [min(value, seen.after_s / 60) for value in times]
        elif seen.passed is False:
            times = [max(value, seen.after_s / 60) for value in times]
    return SetClock(
        state=ask.state,
        cool_c=cool_c,
        cool_min=(times[0], times[1], times[2]),
        set_min=_set_min(times, state, book, None if known else rested),
        corrected_by=factor,
        says=says,
        warnings=tuple(_warnings(ask, ambient_c)),
        curve=cool_curve(mixture, ask, ambient_c, times[2] * 60 / max(0.1, factor), factor) if with_curve else (),
        textbook_min=book if learned is not None and not known else None,
        learned_batches=learned.batches if learned is not None and not known else 0,
    )


def _set_min(times: Sequence[float], state: State, book: float, rested: Learned | None) -> tuple[float, float]:
    """Return when it is set, early and late [min]: cool and then its rest, or as it took in this kitchen before."""
    early, late = times[1] + 60 * state.rest_h[0], times[2] + 60 * state.rest_h[1]
    if rested is None:
        return early, late
    middle = (book + 60 * state.rest_h[0] + TIME_HIGH * book + 60 * state.rest_h[1]) / 2
    return max(times[1], middle * (rested.low + rested.factor) / 2), max(times[2], middle * rested.high)


def state_begins_c(mixture: Mixture, state: State) -> float:
    """Return the temperature at which a state begins: where the set index gets there, never above the state's own."""
    grid = [float(c) for c in range(4, int(state.warmest_c) + 1)]
    curve = index_curve(mixture, grid)
    firm = [c for c, index in zip(grid, curve, strict=True) if index >= state.index]
    return max(firm) if firm else max(8.0, min(state.warmest_c, 12.0))


def _corrected(
    mixture: Mixture, ask: SetAsk, ambient_c: float, seconds: float, corrections: Sequence[Correction]
) -> tuple[float, str, bool]:
    """Return by how much slower it cools than reckoned, from the last reading: its time against the reckoned one."""
    readings = [seen for seen in corrections if seen.now_c is not None and seen.after_s > 0]
    if not readings or not seconds:
        return 1.0, "", False
    seen = readings[-1]
    now_c = seen.now_c or 0.0
    if not ambient_c + 0.3 < now_c < ask.from_c - 0.3:
        return 1.0, "The reading says nothing yet: too near the start or the air.", False
    reckoned = cool_s(mixture, ask, now_c, ambient_c)
    factor = min(3.0, max(0.33, seen.after_s / reckoned))
    way = "slower" if factor > 1 else "quicker"
    return factor, f"By the reading it cools {abs(factor - 1) * 100:.0f} % {way} than expected.", True


def _warnings(ask: SetAsk, ambient_c: float) -> list[str]:
    found = []
    hot = ask.from_c > HOT_FOR_FRIDGE_C
    if ask.place in ("fridge", "fan-fridge") and hot and (ask.bowl_kg or (ask.thickness_mm or 0) > THIN_MM):
        found.append(
            "It goes hot into the fridge: it sweats and warms what stands beside it. Let it cool to ⟦30 °C⟧ first."
        )
    if ask.place == "freezer":
        found.append("A freezer makes chocolate dull and wet with dew: the fridge for what should shine.")
    if ask.place in ("fridge", "fan-fridge", "freezer") and ask.cover == "none":
        found.append("Cover it before it comes out, or dew forms on it.")
    if ask.place in ("counter", "larder", "marble") and ambient_c >= WARM_ROOM_C:
        found.append(f"At ⟦{ambient_c:g} °C⟧ the room is soft for chocolate.")
    return found
