"""Forms: the jobs by which masses become pieces, by the form of the confection, in the order of work of its school.

What waits for what is common practice; numbers with no source beside them are judgements of ours.
"""

from collections.abc import Callable, Mapping
from dataclasses import replace
from math import ceil
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.confection.work_out import WorkedPart
from hearth_bowl.core.cooling.set_ask import SetAsk
from hearth_bowl.core.fit.ask import kind_of
from hearth_bowl.core.fit.vessel import Mould
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.core.plan.drafts import ChocolateUse, Draft
from hearth_bowl.core.plan.job import After
from hearth_bowl.core.plan.masses import COOL_PLACE, DIRECTLY_MIN, IN_FRIDGE
from hearth_bowl.core.plan.waits import (
    BALLS_CHILL_MIN,
    CAP_SETS_MIN,
    COAT_SETS_MIN,
    DAY_MIN,
    FINAL_REST_MIN,
    JOINED_C,
    LAYER_SETS_MIN,
    SHELL_CHILLS_MIN,
    TOPPED_SETS_MIN,
)
from hearth_bowl.core.recipe.recipe import Recipe

FRIDGE: Final[Mapping[str, int]] = MappingProxyType({"fridge_shelves": 1})  # by definition
COOLS_TO_FILL_MIN: Final = (20, 40)
"""Until a warm mass may go into a shell, below 30 °C. A judgement."""
BEFORE_IT_SETS_MIN: Final = 10
"""What goes on top goes on within so many minutes of the chocolate or the pour. A judgement."""
SHELLS_WAIT_MIN: Final = 3 * DAY_MIN
"""Shells, and what has half set, wait so long at most. A judgement."""
WORKED_AT_ONCE: Final = frozenset({"marzipan", "modelling", "dry-mix"})
"""Families that are shaped without a rest."""
PUT_TO_SET_C: Final = 30.0  # a judgement


def form_jobs(draft: Draft) -> None:
    """Draw up the jobs by which the masses of a confection become pieces."""
    _FORMS[kind_of(draft.worked.confection.form.vessel)](draft)


def _moulded(draft: Draft) -> None:
    """Each turn of the moulds: shells, fillings, caps, out; then what closes, ripens and tops the pieces."""
    worked, form = draft.worked, draft.worked.confection.form
    vessel = form.vessel
    assert isinstance(vessel, Mould)
    pours = worked.laid.pours or 1
    turns = ceil(pours / form.owned)
    cavities = worked.laid.halves or worked.pieces
    shell = next(iter(draft.parts("shell")), None)
    fillings = draft.parts("filling")
    is_dry = any(_family(part) == "dry-mix" for _, part in fillings)
    out: list[After] = []
    sealed = ""
    for turn in range(1, turns + 1):
        moulds = min(form.owned, pours - (turn - 1) * form.owned)
        n = min(cavities - (turn - 1) * form.owned * vessel.cavities, moulds * vessel.cavities)
        sealed, free = _turn(draft, turn, turns, n, moulds, shell, [] if is_dry else fillings, out[-1:])
        out.append(After(id=free))
    closing = out
    if is_dry:
        closing = [After(id=_filled_dry(draft, turn, turns, free, fillings)) for turn, free in enumerate(out, 1)]
    if form.halves:
        sealed = draft.add(
            "join", "halves", f"Join the halves of {draft.name}", draft.hands("halves", worked.pieces),
            closing, "rims softened on a warm plate hold each other",
        )  # fmt: skip
        closing = [After(id=sealed)]
    _ripens(draft, fillings, sealed, closing, has_shell=shell is not None and not is_dry)


def _turn(
    draft: Draft, turn: int, turns: int, n: int, moulds: int, shell: tuple[int, WorkedPart] | None,
    fillings: list[tuple[int, WorkedPart]], before: list[After],
) -> tuple[str, str]:  # fmt: skip
    """Draw up one turn of the moulds; return the job that seals them and the one that frees them."""
    name = draft.name if turns == 1 else f"{draft.name}, turn {turn} of {turns}"
    why = "the moulds are free again" if before else "shells are made before what fills them"
    last: list[After] = before
    sealed = ""
    if shell is not None:
        made = draft.add(
            "shell", f"{turn}", f"Shells of {name}", draft.hands("shell", n), before, why, moulds=moulds, turn=turn
        )
        draft.chocolate.append(ChocolateUse(job=made, part=shell[1], phase=_session(turn, is_filled=bool(fillings))))
        chilled = _rest(
            draft, f"{turn}.shell", f"Shells of {name} chill", SHELL_CHILLS_MIN, made, moulds=moulds, turn=turn
        )
        last, sealed = [After(id=chilled, most_min=SHELLS_WAIT_MIN)], made
    if fillings:
        names = ", then ".join(dict.fromkeys(part.name for _, part in fillings))
        made = draft.add(
            "fill", f"{turn}", f"Fill {names} into {name}", draft.hands("fill", n * len(fillings)),
            [*last, *_cooled(draft, fillings, turn).values()], "below 30 °C, so that the shell stays whole",
            moulds=moulds, turn=turn,
        )  # fmt: skip
        sets = _rest(draft, f"{turn}.fill", f"{name} half sets", LAYER_SETS_MIN, made, moulds=moulds, turn=turn)
        last, sealed = [After(id=sets, most_min=SHELLS_WAIT_MIN)], made
    if shell is not None and fillings and not draft.worked.confection.form.halves:
        made = draft.add(
            "cap",
            f"{turn}",
            f"Cap {name}",
            draft.hands("cap", n),
            last,
            "it skins over first",
            moulds=moulds,
            turn=turn,
        )
        draft.chocolate.append(ChocolateUse(job=made, part=shell[1], phase=_session(turn + 1, is_filled=True)))
        sets = _rest(draft, f"{turn}.cap", f"Caps of {name} set", CAP_SETS_MIN, made, moulds=moulds, turn=turn)
        last, sealed = [After(id=sets)], made
    free = draft.add(
        "unmould", f"{turn}", f"Unmould {name}", draft.hands("unmould", n), last, "they let go by themselves",
        moulds=moulds, turn=turn,
    )  # fmt: skip
    return sealed or free, free


def _filled_dry(draft: Draft, turn: int, turns: int, free: After, fillings: list[tuple[int, WorkedPart]]) -> str:
    """Draw up filling the halves of one turn with what is dry, once they are out of the mould."""
    dry = [made.then for made in (draft.made_for(at) for at, _ in fillings) if made is not None]
    suffix, of = (f"{turn}", f", turn {turn} of {turns}") if turns > 1 else ("", "")
    return draft.add(
        "fill", suffix, f"Fill the halves of {draft.name}{of}", draft.hands("fill", draft.worked.pieces / turns),
        [free, *dry], "the halves are filled before they are joined",
    )  # fmt: skip


def _session(turn: int, *, is_filled: bool) -> str:
    """Return which tempering serves a turn: its own, or every other turn's where shells are only poured and let go."""
    return f"turn.{turn if is_filled else (turn + 1) // 2}"


def _ripens(
    draft: Draft, fillings: list[tuple[int, WorkedPart]], sealed: str, last: list[After], *, has_shell: bool
) -> None:
    """Draw up what follows when pieces are closed: toppings, the dwell of a liquid centre, or the last rest."""
    last = _topped(draft, last)
    dwells = [draft.waits.dwell(part.part.of, _eaten(draft, part.part.of)) for _, part in fillings
              if isinstance(part.part.of, Recipe)]  # fmt: skip
    longest = max((minutes for minutes in dwells if minutes is not None), default=None)
    if longest is not None:
        draft.add(
            "dwell", "", f"{draft.name} ripen", longest,
            list({one.id: one for one in (After(id=sealed), *last)}.values()),
            "the enzyme makes the centre run", hands_on=False,
        )  # fmt: skip
    elif has_shell:
        _rest(draft, "last", f"{draft.name} rest", FINAL_REST_MIN, last[-1].id, kind="rest", uses=COOL_PLACE, also=last)


def _slab(draft: Draft) -> None:
    """Layer upon layer into the pan, topped before it sets, a night's rest, cut; perhaps dipped."""
    layers = draft.parts("layer")
    last: list[After] = []
    poured = ""
    for place, (at, part) in enumerate(layers):
        mass = draft.made_for(at)
        made = [] if mass is None else [mass.then]
        suffix = "" if len(layers) == 1 else f"{place + 1}"
        poured = draft.add(
            "fill", suffix, f"Spread {part.name} in the pan", draft.hands("unmould", 20), [*made, *last],
            "on a layer that holds" if place else "while it still runs", moulds=1,
        )  # fmt: skip
        if part.is_chocolate:
            draft.chocolate.append(ChocolateUse(job=poured, part=part, phase=f"layer.{place + 1}"))
        if place + 1 < len(layers):
            sets = _rest(draft, f"layer.{place + 1}", f"{part.name} sets", LAYER_SETS_MIN, poured, moulds=1)
            last = [After(id=sets, most_min=SHELLS_WAIT_MIN)]
    last = [After(id=poured, most_min=BEFORE_IT_SETS_MIN)]
    is_dipped = bool(draft.parts("coat"))
    topped = last if is_dipped else _topped(draft, last, moulds=1)
    sets = draft.add(
        "set", "slab", f"{draft.name} sets", _slab_sets_min(draft, layers),
        [replace(one, most_min=DIRECTLY_MIN) for one in topped],
        "a slab is cut after its night", hands_on=False, uses=FRIDGE, moulds=1,
    )  # fmt: skip
    cut = draft.add(
        "cut", "", f"Cut {draft.name}", draft.hands("cut", draft.worked.pieces), [After(id=sets)],
        "cold enough for a clean edge", moulds=1,
    )  # fmt: skip
    if is_dipped:
        _coated(draft, [After(id=cut)])


def _balls(draft: Draft) -> None:
    """Firm in its bowl, rolled round its core, chilled, dipped, rolled in what goes round."""
    centres = draft.parts("centre")
    last = [_set_in_bowl(draft, at, part) for at, part in centres]
    count = draft.worked.pieces
    minutes = draft.hands("roll", count)
    minutes += draft.hands("core", count) if draft.parts("core") else 0
    coat = draft.parts("coat")
    if draft.parts("rolling") and not coat:
        minutes += draft.hands("rolling", count)
    rolled = draft.add("roll", "", f"Roll {draft.name}", minutes, last, "firm and cool to the hand")
    last = [After(id=rolled)]
    if coat:
        chilled = _rest(draft, "balls", f"{draft.name} chill", BALLS_CHILL_MIN, rolled)
        last = [After(id=chilled, most_min=SHELLS_WAIT_MIN)]
    _coated(draft, last)


def _cups(draft: Draft) -> None:
    """Filled one upon the other, topped at once, set."""
    fillings = draft.parts("filling")
    shell = next(iter(draft.parts("shell")), None)
    last: list[After] = []
    if shell is not None:
        made = draft.add(
            "shell", "", f"Shells of {draft.name}", draft.hands("shell", draft.worked.pieces), [],
            "shells are made before what fills them",
        )  # fmt: skip
        draft.chocolate.append(ChocolateUse(job=made, part=shell[1], phase=_session(1, is_filled=True)))
        last = [After(id=_rest(draft, "shell", f"Shells of {draft.name} chill", SHELL_CHILLS_MIN, made))]
    filled = ""
    for place, (at, part) in enumerate(fillings):
        mass = draft.made_for(at)
        made_of = [] if mass is None else [mass.then]
        suffix = "" if len(fillings) == 1 else f"{place + 1}"
        filled = draft.add(
            "fill", suffix, f"Fill {part.name} into {draft.name}", draft.hands("fill", draft.worked.pieces),
            [*made_of, *last], "on what already holds" if place else "while it still runs",
        )  # fmt: skip
        if place + 1 < len(fillings):
            sets = _rest(draft, f"filling.{place + 1}", f"{draft.name} half set", LAYER_SETS_MIN, filled)
            last = [After(id=sets, most_min=SHELLS_WAIT_MIN)]
    topped = _topped(draft, [After(id=filled, most_min=BEFORE_IT_SETS_MIN)], sets=False)
    _rest(draft, "cups", f"{draft.name} set", LAYER_SETS_MIN, topped[-1].id, also=topped)


def _cake(draft: Draft) -> None:
    """Filled, chilled, coated, set."""
    last: list[After] = []
    for role, says in (("centre", "Fill and coat"), ("filling", "Fill"), ("coat", "Coat")):
        parts = draft.parts(role)
        if not parts:
            continue
        cooled = _cooled(draft, parts)
        spread = draft.add(
            "fill", role, f"{says} {draft.name}", draft.hands("spread", len(parts)),
            [*last, *cooled.values()], "spreadable, not runny",
        )  # fmt: skip
        last = [After(id=_rest(draft, role, f"{draft.name} firms", LAYER_SETS_MIN, spread))]
    _topped(draft, last)


def _coated(draft: Draft, last: list[After]) -> None:
    """Draw up dipping, and what goes on before the coat sets; without a coat only what goes on top."""
    coat = next(iter(draft.parts("coat")), None)
    if coat is None:
        _topped(draft, last)
        return
    _, part = coat
    dipped = draft.add("dip", "", f"Dip {draft.name}", draft.hands("dip", part.pieces), last, "cold centres, warm coat")
    if part.is_chocolate:
        draft.chocolate.append(ChocolateUse(job=dipped, part=part, phase="coat"))
    after = [After(id=dipped, most_min=BEFORE_IT_SETS_MIN)]
    if draft.parts("rolling"):
        rolled = draft.add(
            "decorate", "rolling", f"Roll {draft.name} in what goes round", draft.hands("rolling", draft.worked.pieces),
            after, "before the coat sets",
        )  # fmt: skip
        after = [After(id=rolled, most_min=BEFORE_IT_SETS_MIN)]
    topped = _topped(draft, after)
    _rest(draft, "coat", f"Coats of {draft.name} set", COAT_SETS_MIN, topped[-1].id, uses=COOL_PLACE, also=topped)


def _topped(draft: Draft, last: list[After], moulds: int = 0, *, sets: bool = True) -> list[After]:
    """Draw up what goes on top, within its minutes, and return what comes after it; `sets` with a rest of its own."""
    toppings = draft.parts("topping")
    if not toppings:
        return last
    names = ", ".join(dict.fromkeys(part.name for _, part in toppings))
    topped = draft.add(
        "decorate", "", f"{names} onto {draft.name}", draft.hands("decorate", draft.worked.pieces), last,
        "before what it sits on sets", moulds=moulds,
    )  # fmt: skip
    for _, part in toppings:
        if part.is_chocolate:
            draft.chocolate.append(ChocolateUse(job=topped, part=part, phase="coat"))
    if moulds or not sets or draft.parts("coat"):
        return [After(id=topped)]
    rested = _rest(draft, "topped", f"{draft.name} set", TOPPED_SETS_MIN, topped, uses=COOL_PLACE)
    return [After(id=rested)]


def _rest(
    draft: Draft, suffix: str, title: str, band_min: tuple[int, int], after: str, *, kind: str = "set",
    uses: Mapping[str, int] = FRIDGE, moulds: int = 0, turn: int = 1, also: list[After] | None = None,
) -> str:  # fmt: skip
    """Draw up a usual rest that begins as soon as what is before it is done."""
    because = "a usual rest, marked as ours"
    others = [one for one in also or () if one.id != after]
    return draft.add(
        kind, suffix, title, draft.waits.usual(band_min), [After(id=after, most_min=DIRECTLY_MIN), *others], because,
        hands_on=False, uses=uses, moulds=moulds, turn=turn,
    )  # fmt: skip


def _cooled(draft: Draft, parts: list[tuple[int, WorkedPart]], turn: int = 1) -> dict[int, After]:
    """Return, by part, what filling it comes after: its mass, cooled where it is made warm."""
    found: dict[int, After] = {}
    for at, part in parts:
        made = draft.made_for(at, turn)
        if made is None:
            continue
        if _family(part) in ("whipped-ganache", "boiled-fudge", "soft-cheese", *WORKED_AT_ONCE):
            found[at] = made.then
            continue
        suffix = f"{at}.{turn}" if (at, turn) in draft.made else f"{at}"
        cools = draft.id_of("cool", suffix)
        if all(job.id != cools for job in draft.jobs):
            draft.add(
                "cool", suffix, f"{part.name} cools", draft.waits.usual(COOLS_TO_FILL_MIN),
                [replace(made.then, most_min=DIRECTLY_MIN)],
                "below 30 °C it does not melt a shell", hands_on=False, uses={"bowls": 1},
            )  # fmt: skip
        found[at] = After(id=cools, most_min=made.then.most_min)
    return found


def _set_in_bowl(draft: Draft, at: int, part: WorkedPart) -> After:
    made = draft.made_for(at)
    if made is None:
        return After(
            id=draft.add("weigh", f"{at}", f"Weigh in {part.name}", draft.hands("weigh", 1), [], "it is bought")
        )
    if _family(part) in WORKED_AT_ONCE:
        return made.then
    ask = SetAsk(
        state="roll", from_c=20.0 if _family(part) == "soft-cheese" else JOINED_C, place="fridge", cover="film",
        bowl_kg=max(0.05, part.make_g / 1000),
    )  # fmt: skip
    of = part.part.of
    minutes = draft.waits.until(_eaten(draft, of), ask) if isinstance(of, Recipe) else draft.waits.usual(LAYER_SETS_MIN)
    sets = draft.add(
        "set", f"{at}", f"{part.name} firms up", minutes, [replace(made.then, most_min=DIRECTLY_MIN)],
        "it must hold its shape in the hand", hands_on=False, uses=IN_FRIDGE,
    )  # fmt: skip
    return After(id=sets, most_min=SHELLS_WAIT_MIN)


def _family(part: WorkedPart) -> str | None:
    return part.part.of.family if isinstance(part.part.of, Recipe) else None


def _eaten(draft: Draft, recipe: Recipe) -> Mixture:
    return finished_or_none(recipe, draft.waits.kitchen) or mix(recipe)


def _slab_sets_min(draft: Draft, layers: list[tuple[int, WorkedPart]]) -> int:
    """Return how long a slab sets: as its largest layer that is made does in all its thickness."""
    made = [part for _, part in layers if isinstance(part.part.of, Recipe)]
    largest = max(made, key=lambda part: part.make_g, default=None)
    if largest is None or not isinstance(largest.part.of, Recipe):
        return draft.waits.usual(LAYER_SETS_MIN)
    thick_mm = draft.worked.body.thickness_mm or 20.0
    ask = SetAsk(state="cut", from_c=PUT_TO_SET_C, place="fridge", cover="film", thickness_mm=thick_mm)
    return draft.waits.until(_eaten(draft, largest.part.of), ask)


_FORMS: Final[Mapping[str, Callable[[Draft], None]]] = MappingProxyType(
    {"mould": _moulded, "pan": _slab, "scoop": _balls, "pieces": _balls, "cup": _cups, "cake": _cake}
)
