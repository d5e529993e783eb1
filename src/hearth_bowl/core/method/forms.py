"""Forms: the acts by which mixes become pieces, in the order of work, one function a form.

What waits for what is common practice and section L of the handbook of this craft.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from math import ceil
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.confection.work_out import Worked, WorkedPart
from hearth_bowl.core.fit.ask import kind_of
from hearth_bowl.core.fit.vessel import Mould
from hearth_bowl.core.mass.ripening import dose_pct, ripen
from hearth_bowl.core.method import piece_rows as piece
from hearth_bowl.core.method.act import Act, After
from hearth_bowl.core.method.build import WAITS_MIN, Build, ChocolateUse, Mix, part_name
from hearth_bowl.core.method.endings.common import HALF_SETS
from hearth_bowl.core.method.mixes import filled_in
from hearth_bowl.core.method.piece_rows import piece_act
from hearth_bowl.core.method.rows import Row
from hearth_bowl.core.method.set_times import holds_a_mark_band

DAY_MIN: Final = 24 * 60.0  # by definition
USUAL_RIPE_DAYS: Final = (7.0, 10.0, 14.0)
"""A liquid centre of a dose that is not known. Common practice."""


WORKABLE_MIN: Final = 120.0
"""How long a mix that stood until it can be worked stays so. A judgement."""


def form_acts(build: Build) -> None:
    """Draw up the acts by which the mixes of a confection become pieces."""
    _FORMS[kind_of(build.worked.confection.form.vessel)](build)


def _of(parts: Sequence[tuple[int, WorkedPart]]) -> tuple[str, ...]:
    return tuple(dict.fromkeys(part_name(part) for _, part in parts))


def turns_of(worked: Worked) -> int:
    """Return how many times its moulds are filled."""
    pours, form = worked.laid.pours, worked.confection.form
    return ceil(pours / form.owned) if pours is not None and isinstance(form.vessel, Mould) else 1


def _moulded(build: Build) -> None:
    """Each filling of the moulds: shells, fillings, caps, out; then what closes, tops and ripens the pieces."""
    worked, form = build.worked, build.worked.confection.form
    vessel = form.vessel
    assert isinstance(vessel, Mould)
    turns, cavities = turns_of(worked), worked.laid.halves or worked.pieces
    shell = next(iter(build.parts("shell")), None)
    fillings = build.parts("filling")
    is_dry = any(_is_dry(build, at) for at, _ in fillings)
    free: list[list[After]] = []
    for turn in range(1, turns + 1):
        n = min(cavities - (turn - 1) * form.owned * vessel.cavities, form.owned * vessel.cavities)
        before = free[-1] if free else []
        free.append(_turn(build, turn, turns, n / cavities, n, shell, [] if is_dry else fillings, before))
    last = free[-1]
    if is_dry:
        last = [one for turn, out in enumerate(free, 1) for one in _fill_dry(build, fillings, out, turn, turns)]
    if form.halves:
        of = _of([*([shell] if shell else []), *fillings])
        last = [build.add(piece_act(piece.HALVES, of, worked.pieces), last)]
    last = _coated(build, last)
    _rests(build, fillings, last, has_shell=shell is not None and not is_dry)


def _is_dry(build: Build, at: int) -> bool:
    mix = build.mix_of(at)
    return mix is not None and mix.cook.recipe.family == "dry-mix"


def _suffix(turn: int, turns: int) -> str:
    return f".{turn}" if turns > 1 else ""


def _turn(
    build: Build, turn: int, turns: int, share: float, n: int, shell: tuple[int, WorkedPart] | None,
    fillings: list[tuple[int, WorkedPart]], before: list[After],
) -> list[After]:  # fmt: skip
    """Draw up one filling of the moulds; return what frees them."""
    end, last = _suffix(turn, turns), before
    if shell is not None:
        at, part = shell
        laid = build.worked.laid.parts[build.worked.confection.parts.index(part.part)]
        cap_share = laid.cap_g / laid.each_g if laid.each_g > 0 else 0.0
        mix = build.mix_of(at, turn)
        before = last if mix is None else [*last, build.make(mix)]
        made = build.add(_in_mould(piece.SHELL, _of([shell]), n, end, turn), before)
        if mix is None:
            use_share = share * (1 - (cap_share if fillings else 0.0))
            phase = _phase(turn, is_filled=bool(fillings))
            build.uses.append(ChocolateUse(act=made.id, part=part, share=use_share, phase=phase))
        chilled = build.add(_in_mould(piece.SHELL_CHILLS, _of([shell]), n, end, turn), [replace(made, most_min=5)])
        last = [replace(chilled, most_min=WAITS_MIN)]
    if fillings:
        last = _filled(build, turn, end, share, n, fillings, last)
    if shell is not None and fillings and not build.worked.confection.form.halves:
        _, part = shell
        cap = build.add(_in_mould(piece.CAP, _of([shell]), n, end, turn), last)
        if build.mix_of(shell[0], turn) is None:
            phase = _phase(turn + 1, is_filled=True)
            build.uses.append(ChocolateUse(act=cap.id, part=part, share=share * cap_share, phase=phase))
        last = [build.add(_in_mould(piece.CAP_SETS, _of([shell]), n, end, turn), [replace(cap, most_min=5)])]
    of = _of([*([shell] if shell else []), *fillings])
    return [build.add(_in_mould(piece.UNMOULD, of, n, end, turn), last)]


def _in_mould(row: Row, of: tuple[str, ...], n: float, suffix: str, turn: int) -> Act:
    return piece_act(row, of, n, suffix, in_vessel=True, turn=turn)


def _phase(turn: int, *, is_filled: bool) -> str:
    """Return which tempering serves a filling of the mould: its own, or every other one's where shells stay empty."""
    return f"turn.{turn if is_filled else (turn + 1) // 2}"


def _filled(
    build: Build, turn: int, end: str, share: float, n: int, fillings: list[tuple[int, WorkedPart]], last: list[After]
) -> list[After]:
    """Draw up the filling of one turn, all its layers in one go, and its half-setting."""
    mixes = [mix for at, _ in fillings if (mix := build.mix_of(at, turn)) is not None]
    ready: list[After] = []
    for mix in {id(one): one for one in mixes}.values():
        ready += build.cooled(mix, [row for row in mix.ending.shell[:-1] if row.where(mix.cook)], last)
    if len(fillings) == 1 and mixes:
        (mix,) = mixes
        filled = build.add_rows(mix.ending.shell[-1:], mix, [*last, *ready], end, pieces=n, in_vessel=True, turn=turn)
    else:
        filled = [build.add(_layers(build, turn, end, share, n, fillings, mixes), [*last, *_soon(mixes, ready)])]
    rows = mixes[-1].ending.shell_sets if mixes else ()
    if rows and len(fillings) == 1:
        sets = build.add_rows(rows, mixes[-1], [replace(filled[0], most_min=5)], end, in_vessel=True, turn=turn)
    else:
        sets = [build.add(_in_mould(HALF_SETS, _of(fillings), 0, end, turn), filled)]
    return [replace(one, most_min=WAITS_MIN) for one in sets]


def _soon(mixes: Sequence[Mix], ready: list[After]) -> list[After]:
    """Return what several layers come after, a mix that is used at once within its minutes."""
    soon = {mix.acts[-1].id: mix.ending.shell[-1].soon_min for mix in mixes}
    return [replace(one, most_min=soon[one.id]) if soon.get(one.id) is not None else one for one in ready]


def _layers(
    build: Build,
    turn: int,
    end: str,
    share: float,
    n: int,
    fillings: list[tuple[int, WorkedPart]],
    mixes: Sequence[Mix],
) -> Act:
    """Return one filling of several layers, or of what is bought."""
    names = [part.name for _, part in fillings]
    words = f"Fill in {names[0]}" + "".join(f", then {name}" for name in names[1:])
    targets = [filled_in(mix.ending.shell[-1], mix.cook, mix.place).target_c for mix in mixes]
    limits = [target for target in targets if target is not None]
    act = _in_mould(piece.FILL_LAYERS, _of(fillings), n * len(fillings), end, turn)
    return replace(
        act,
        do=f"{words}, to the planned level below the rim. Tap out the air.",
        target_c=min(limits, key=lambda target: target[1], default=None),
        takes=tuple(take for _, part in fillings for take in build.taken(part, share)),
    )


def _fill_dry(
    build: Build, fillings: list[tuple[int, WorkedPart]], last: list[After], turn: int, turns: int
) -> list[After]:
    """Draw up filling the halves of one turn with what is dry, once they are out of the mould."""
    for at, _ in fillings:
        mix = build.mix_of(at, turn)
        if mix is not None:
            edges = [*last, build.make(mix, last)]
            share = 1 / turns
            last = build.add_rows(
                mix.ending.shell, mix, edges, _suffix(turn, turns), pieces=build.pieces, share=share, turn=turn
            )
    return last


def _rests(build: Build, fillings: list[tuple[int, WorkedPart]], last: list[After], *, has_shell: bool) -> None:
    """Draw up the ripening of a liquid centre, or the last rest."""
    days = [_ripe_days(mix) for at, _ in fillings if (mix := build.mix_of(at)) is not None]
    found = [one for one in days if one is not None]
    if found:
        low, middle, high = max(found, key=lambda one: one[1])
        minutes = (low * DAY_MIN, middle * DAY_MIN, high * DAY_MIN)
        build.add(replace(piece_act(piece.DWELL, _of(fillings)), minutes=minutes), last)
    elif has_shell:
        build.add(piece_act(piece.LAST_REST, _of(build.parts("shell", "filling"))), last)


def _ripe_days(mix: Mix) -> tuple[float, float, float] | None:
    """Return the days until a centre runs; None without invertase."""
    if not any(line.ingredient.enzyme for line in mix.cook.rows):
        return None
    mixture = mix.cook.eaten
    dose = dose_pct(mix.cook.recipe, mixture.mass_g)
    if dose is None:
        return None
    days = ripen(mixture, dose, mix.cook.kitchen_c).days
    return next((days[word] for word in ("liquid", "creamy", "loose") if days[word] is not None), USUAL_RIPE_DAYS)


def _slab(build: Build) -> None:
    """Layer upon layer into the pan, topped, set, cut; perhaps dipped or rolled."""
    layers = build.parts("layer")
    last: list[After] = []
    lead: Mix | None = None
    for place, (at, part) in enumerate(layers):
        mix, end = build.mix_of(at), "" if len(layers) == 1 else f".{place + 1}"
        if mix is None:
            act = replace(
                piece_act(piece.ON_TOP, _of([(at, part)])),
                id=f"layer{end}", kind="pour", title=f"Spread {part.name}"[:60],
                do="Spread it level in the pan.", cue="level, to every corner", ask="", why="",
                minutes=(4.0, 8.0, 12.0), takes=build.taken(part), in_vessel=True, turn=1,
            )  # fmt: skip
            last = [build.add(act, last)]
            if part.is_chocolate:
                build.uses.append(ChocolateUse(act=act.id, part=part, share=1.0, phase=f"layer.{place + 1}"))
        else:
            lead = mix if lead is None or mix.cook.recipe.mass_g > lead.cook.recipe.mass_g else lead
            rests = mix.ending.bowl if mix.ending.pan[0].kind == "fill" else ()  # a dough rests and is kneaded first
            ready = build.cooled(mix, [row for row in rests if row.where(mix.cook)], last)
            last = build.add_rows(mix.ending.pan, mix, [*last, *ready], end, in_vessel=True, turn=1)
        if place + 1 < len(layers):
            sets = replace(piece_act(piece.LAYER_SETS, _of([(at, part)]), 0, end), in_vessel=True, turn=1)
            last = [replace(build.add(sets, [replace(one, most_min=5) for one in last]), most_min=WAITS_MIN)]
    is_dipped = bool(build.parts("coat"))
    if not is_dipped:
        last = _on_slab(build, last, lead)
    if lead is None:
        last = [build.add(replace(piece_act(piece.LAYER_SETS, _of(layers)), id="set", in_vessel=True, turn=1), last)]
        last = _cut_bought(build, layers, last)
    else:
        last = build.add_rows(lead.ending.pan_sets, lead, last, in_vessel=True, turn=1)
        if build.worked.laid.cut is not None:
            last = build.add_rows(lead.ending.cut, lead, last, pieces=build.pieces, in_vessel=True, turn=1)
    last = _coated(build, last)
    if lead is not None and not is_dipped and build.worked.laid.cut is not None:
        build.add_rows(lead.ending.after, lead, last, pieces=build.pieces)


def _cut_bought(build: Build, layers: list[tuple[int, WorkedPart]], last: list[After]) -> list[After]:
    act = replace(
        piece_act(piece.ON_TOP, _of(layers), build.pieces),
        id="cut", kind="cut", title="Cut the slab", do="Lift it out and cut it with a warm, dry blade.",
        cue="clean edges", ask="Is it firm through to the middle?", why="", cautions=("knife",), in_vessel=True, turn=1,
    )  # fmt: skip
    return [build.add(act, last)]


def _on_slab(build: Build, last: list[After], lead: Mix | None) -> list[After]:
    toppings = build.parts("topping")
    if not toppings:
        return last
    wait = None if lead is None else holds_a_mark_band(lead.cook)
    act = piece_act(piece.ON_SLAB, _of(toppings), build.pieces)
    act = replace(
        act, do=f"Use {_names(toppings)}. {act.do}",
        takes=tuple(take for _, part in toppings for take in build.taken(part)), in_vessel=True, turn=1,
    )  # fmt: skip
    edges = [replace(one, least_min=0.0 if wait is None else wait[0], most_min=None if wait is None else wait[2] + 10)
             for one in last]  # fmt: skip
    found = _with_mixes(build, toppings, edges)
    _use_of(build, act.id, toppings)
    return [build.add(act, found)]


def _use_of(build: Build, act: str, parts: Sequence[tuple[int, WorkedPart]]) -> None:
    for at, part in parts:
        if part.is_chocolate and build.mix_of(at) is None:
            build.uses.append(ChocolateUse(act=act, part=part, share=1.0, phase="coat"))


def _with_mixes(build: Build, parts: Sequence[tuple[int, WorkedPart]], last: list[After]) -> list[After]:
    """Return what comes before, with the mixes of some parts made as well."""
    found = list(last)
    for at, _ in parts:
        mix = build.mix_of(at)
        if mix is not None:
            found.append(build.make(mix))
    return found


def _balls(build: Build) -> None:
    """Firm in its bowl, portioned round its core, rolled; dipped, rolled in what is round it, topped."""
    centres, cores = build.parts("centre"), build.parts("core")
    coat = build.parts("coat")
    last: list[After] = []
    mix: Mix | None = None
    for at, part in centres:
        mix = build.mix_of(at)
        if mix is None:
            act = replace(
                piece_act(piece.ON_TOP, _of([(at, part)]), build.pieces),
                id="portion", kind="portion", title="Portion it", do=_portion_words(build), ask="", why="",
                takes=build.taken(part),
            )  # fmt: skip
            last = [build.add(act, _with_mixes(build, cores, last))]
            continue
        last = build.add_rows(mix.ending.bowl, mix, [build.make(mix)])
        *before, portion = [row for row in mix.ending.shape if row.where(mix.cook) and row.kind in ("warm", "portion")]
        if before:
            last = [replace(one, most_min=WORKABLE_MIN) for one in build.add_rows(before, mix, last)]
        words = _portion_words(build) + (f" {piece.PRESS_CORE}" if cores else "")
        takes = tuple(take for _, one in cores for take in build.taken(one))
        last = _with_mixes(build, cores, last)
        named = replace(portion, do=words)
        last = build.add_rows([named], mix, last, pieces=build.pieces, takes=takes)
        _use_of(build, last[0].id, cores)
        rolling = [row for row in mix.ending.shape if row.kind not in ("warm", "portion") and row.where(mix.cook)]
        last = build.add_rows(rolling, mix, last, pieces=build.pieces)
    if coat:
        of, is_cold = _of(centres), mix is not None and mix.cook.recipe.family == "soft-cheese"
        if not is_cold:
            chilled = build.add(piece_act(piece.BALLS_CHILL, of), [replace(one, most_min=5) for one in last])
            stood = build.add(piece_act(piece.TEMPERATE, of), [replace(chilled, most_min=WAITS_MIN)])
            last = [replace(stood, most_min=piece.STANDS_MIN)]
    last = _coated(build, last)
    if mix is not None and not coat:
        build.add_rows(mix.ending.after, mix, last, pieces=build.pieces)


def _portion_words(build: Build) -> str:
    vessel = build.worked.confection.form.vessel
    grams = getattr(vessel, "piece_g", None)
    if grams is not None:
        return f"Portion it: ⟦{grams:g} g⟧ each, on the scale."
    return f"Portion it: a level scoop of {getattr(vessel, 'volume_ml', 0.0):g} ml each."


def _cups(build: Build) -> None:
    """Lined, filled one upon the other, topped at once, set."""
    fillings, shell = build.parts("filling"), next(iter(build.parts("shell")), None)
    last: list[After] = []
    if shell is not None:
        at, part = shell
        made = build.add(piece_act(piece.BRUSHED, _of([shell]), build.pieces))
        if build.mix_of(at) is None:
            build.uses.append(ChocolateUse(act=made.id, part=part, share=1.0, phase="turn.1"))
        last = [build.add(piece_act(piece.SHELL_CHILLS, _of([shell])), [replace(made, most_min=5)])]
    for place, (at, part) in enumerate(fillings):
        mix, end = build.mix_of(at), "" if len(fillings) == 1 else f".{place + 1}"
        if mix is None:
            act = replace(
                piece_act(piece.ON_TOP, _of([(at, part)]), build.pieces),
                id=f"fill{end}", kind="fill", title=f"Fill in {part.name}"[:60], do="Fill it into the cups.",
                ask="", why="", takes=build.taken(part),
            )  # fmt: skip
            last = [build.add(act, last)]
            if part.is_chocolate:
                build.uses.append(ChocolateUse(act=act.id, part=part, share=1.0, phase=f"layer.{place + 1}"))
        else:
            *cooling, fill = [row for row in mix.ending.shell if row.where(mix.cook)]
            last = build.add_rows([fill], mix, [*last, *build.cooled(mix, cooling, last)], end, pieces=build.pieces)
        if place + 1 < len(fillings):
            sets = piece_act(piece.LAYER_SETS, _of([(at, part)]), 0, end)
            last = [replace(build.add(sets, [replace(one, most_min=5) for one in last]), most_min=WAITS_MIN)]
    last = _topped(build, last, is_wet=True)
    build.add(replace(piece_act(piece.LAYER_SETS, _of(fillings or build.parts("shell"))), id="set",
                      title="Let them set"), last)  # fmt: skip


def _cake(build: Build) -> None:
    """Filled, chilled, coated, set."""
    last: list[After] = []
    for role in ("centre", "filling", "coat"):
        parts = build.parts(role)
        if not parts:
            continue
        for at, part in parts:
            mix = build.mix_of(at)
            if mix is None:
                act = replace(
                    piece_act(piece.ON_TOP, _of([(at, part)]), 1),
                    id=f"spread-{at}", kind="coat" if role == "coat" else "fill", title=f"Spread {part.name}"[:60],
                    do="Spread it evenly.", ask="", why="", takes=build.taken(part), minutes=(5.0, 10.0, 20.0),
                )  # fmt: skip
                last = [build.add(act, last)]
                if part.is_chocolate:
                    build.uses.append(ChocolateUse(act=act.id, part=part, share=1.0, phase=f"cake.{at}"))
                continue
            *before, spread = mix.ending.spread or mix.ending.pan
            rests = mix.ending.bowl if mix.ending.pan[0].kind == "fill" else ()
            ready = build.cooled(mix, [row for row in (*rests, *before) if row.where(mix.cook)], last)
            last = build.add_rows([spread], mix, [*last, *ready], f".{at}", pieces=1)
        sets = piece_act(piece.LAYER_SETS, _of(parts), 0, f".{role}")
        last = [build.add(sets, [replace(one, most_min=5) for one in last])]
    _topped(build, last, is_wet=False)


def _coated(build: Build, last: list[After]) -> list[After]:
    """Draw up dipping and what goes on before the coat sets; without a coat the rolling and what goes on top."""
    coats = build.parts("coat")
    if not coats:
        return _topped(build, _rolled(build, last, piece.ROLL_IN), is_wet=False)
    for at, part in coats:
        mix = build.mix_of(at)
        is_cold = any(
            one is not None and one.cook.recipe.family == "soft-cheese"
            for one in (build.mix_of(centre) for centre, _ in build.parts("centre"))
        )
        row = piece.COAT_MIX if mix is not None else piece.DIP_COLD if is_cold else piece.DIP
        act = replace(piece_act(row, _of([(at, part)]), part.pieces, "" if len(coats) == 1 else f".{at}"),
                      takes=build.taken(part))  # fmt: skip
        last = [build.add(act, _with_mixes(build, [(at, part)], last))]
        if part.is_chocolate and mix is None:
            build.uses.append(ChocolateUse(act=act.id, part=part, share=1.0, phase="coat"))
    last = _rolled(build, [replace(one, most_min=10) for one in last], piece.ROLL_IN_WET)
    last = _topped(build, [replace(one, most_min=10) for one in last], is_wet=True)
    return _drizzled(build, [build.add(piece_act(piece.COAT_SETS, _of(coats)), last)])


def _drizzled(build: Build, last: list[After]) -> list[After]:
    """Draw up the chocolate that is run over pieces once their coat has set."""
    drizzles = [(at, part) for at, part in build.parts("topping") if part.is_chocolate and build.mix_of(at) is None]
    if not drizzles:
        return last
    row = piece_act(piece.DRIZZLE, _of(drizzles), build.pieces)
    act = build.add(replace(row, do=row.do.replace("Run it", f"Run {_names(drizzles)}", 1)), last)
    build.uses += [ChocolateUse(act=act.id, part=part, share=1.0, phase="drizzle") for _, part in drizzles]
    sets = replace(piece_act(piece.COAT_SETS, _of(drizzles)), id="topping-sets", title="Let the drizzle set")
    return [build.add(sets, [act])]


def _rolled(build: Build, last: list[After], row: Row) -> list[After]:
    rolling = build.parts("rolling")
    if not rolling:
        return last
    takes = tuple(take for _, part in rolling for take in build.taken(part))
    act = piece_act(row, _of(rolling), build.pieces)
    act = replace(act, takes=takes, do=act.do.replace("Roll them", f"Roll them in {_names(rolling)}", 1))
    found = [build.add(act, _with_mixes(build, rolling, last))]
    _use_of(build, act.id, rolling)
    return found


def _names(parts: Sequence[tuple[int, WorkedPart]]) -> str:
    """Return the names of some parts in a sentence."""
    names = list(dict.fromkeys(part.name[:1].lower() + part.name[1:] for _, part in parts))
    return " and ".join((", ".join(names[:-1]), names[-1])) if len(names) > 1 else names[0]


def _topped(build: Build, last: list[After], *, is_wet: bool) -> list[After]:
    """Draw up what goes on top; on a slab that is not dipped that is done before it sets."""
    toppings = build.parts("topping")
    if is_wet and build.parts("coat"):
        toppings = [(at, part) for at, part in toppings if not part.is_chocolate or build.mix_of(at) is not None]
    if not toppings or build.has("toppings"):
        return last
    takes = tuple(take for _, part in toppings for take in build.taken(part))
    act = piece_act(piece.ON_TOP_WET if is_wet else piece.ON_TOP, _of(toppings), build.pieces)
    act = replace(act, takes=takes, do=f"Use {_names(toppings)}. {act.do}")
    found = [build.add(act, _with_mixes(build, toppings, last))]
    _use_of(build, act.id, toppings)
    if is_wet:
        return found
    sets = replace(piece_act(piece.COAT_SETS, _of(toppings)), id="topping-sets", title="Let the toppings set")
    return [build.add(sets, found)]


_FORMS: Final[Mapping[str, Callable[[Build], None]]] = MappingProxyType(
    {"mould": _moulded, "pan": _slab, "scoop": _balls, "pieces": _balls, "cup": _cups, "cake": _cake}
)
