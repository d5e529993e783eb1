"""Moulded pieces: each filling of the moulds, then what closes, tops and ripens them. Common practice."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Final

from hearth_bowl.core.confection.work_out import WorkedPart
from hearth_bowl.core.fit.vessel import Mould
from hearth_bowl.core.mass.ripening import dose_pct, ripen
from hearth_bowl.core.method import piece_rows as piece
from hearth_bowl.core.method.act import Act, After
from hearth_bowl.core.method.build import DIRECTLY_MIN, WAITS_MIN, Build, ChocolateUse, Mix
from hearth_bowl.core.method.endings.common import HALF_SETS
from hearth_bowl.core.method.forms.common import names_of, stays_cold, turns_of
from hearth_bowl.core.method.forms.outside import coated
from hearth_bowl.core.method.mixes import filled_in
from hearth_bowl.core.method.piece_rows import piece_act
from hearth_bowl.core.method.rows import Row

DAY_MIN: Final = 24 * 60.0  # by definition

USUAL_RIPE_DAYS: Final = (7.0, 10.0, 14.0)
"""A liquid centre of a dose that is not known. Common practice."""


def moulded(build: Build) -> None:
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
        of = names_of([*([shell] if shell else []), *fillings])
        last = [build.add(piece_act(piece.HALVES, of, worked.pieces), last)]
    last = coated(build, last)
    _rests(build, fillings, last, has_shell=shell is not None and not is_dry)


def _is_dry(build: Build, at: int) -> bool:
    """Say whether a filling is a dry mix, which goes into shells that are out of their moulds."""
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
        made = build.add(_in_mould(piece.SHELL, names_of([shell]), n, end, turn), before)
        if mix is None:
            use_share = share * (1 - (cap_share if fillings else 0.0))
            phase = _phase(turn, is_filled=bool(fillings))
            build.uses.append(ChocolateUse(act=made.id, part=part, share=use_share, phase=phase))
        chilled = build.add(
            _in_mould(piece.SHELL_CHILLS, names_of([shell]), n, end, turn), [replace(made, most_min=DIRECTLY_MIN)]
        )
        last = [replace(chilled, most_min=WAITS_MIN)]
    if fillings:
        last = _filled(build, turn, end, share, n, fillings, last)
    if shell is not None and fillings and not build.worked.confection.form.halves:
        _, part = shell
        cap = build.add(_in_mould(piece.CAP, names_of([shell]), n, end, turn), last)
        if build.mix_of(shell[0], turn) is None:
            phase = _phase(turn + 1, is_filled=True)
            build.uses.append(ChocolateUse(act=cap.id, part=part, share=share * cap_share, phase=phase))
        last = [
            build.add(_in_mould(piece.CAP_SETS, names_of([shell]), n, end, turn), [replace(cap, most_min=DIRECTLY_MIN)])
        ]
    of = names_of([*([shell] if shell else []), *fillings])
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
        sets = build.add_rows(
            rows, mixes[-1], [replace(filled[0], most_min=DIRECTLY_MIN)], end, in_vessel=True, turn=turn
        )
    else:
        sets = [build.add(_in_mould(HALF_SETS, names_of(fillings), 0, end, turn), filled)]
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
    act = _in_mould(piece.FILL_LAYERS, names_of(fillings), n * len(fillings), end, turn)
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
        build.add(replace(piece_act(piece.DWELL, names_of(fillings)), minutes=minutes), last)
    elif has_shell:
        rest = piece.LAST_REST_COLD if stays_cold(build, "filling") else piece.LAST_REST
        build.add(piece_act(rest, names_of(build.parts("shell", "filling"))), last)


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
