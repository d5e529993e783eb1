"""Cups filled one layer upon the other, and cakes filled and coated. Common practice."""

from dataclasses import replace

from hearth_bowl.core.method import piece_rows as piece
from hearth_bowl.core.method.act import After
from hearth_bowl.core.method.build import DIRECTLY_MIN, WAITS_MIN, Build, ChocolateUse
from hearth_bowl.core.method.forms.common import names_of
from hearth_bowl.core.method.forms.outside import topped
from hearth_bowl.core.method.piece_rows import piece_act


def cups(build: Build) -> None:
    """Lined, filled one upon the other, topped at once, set."""
    fillings, shell = build.parts("filling"), next(iter(build.parts("shell")), None)
    last: list[After] = []
    if shell is not None:
        at, part = shell
        made = build.add(piece_act(piece.BRUSHED, names_of([shell]), build.pieces))
        if build.mix_of(at) is None:
            build.uses.append(ChocolateUse(act=made.id, part=part, share=1.0, phase="turn.1"))
        last = [build.add(piece_act(piece.SHELL_CHILLS, names_of([shell])), [replace(made, most_min=DIRECTLY_MIN)])]
    for place, (at, part) in enumerate(fillings):
        mix, end = build.mix_of(at), "" if len(fillings) == 1 else f".{place + 1}"
        if mix is None:
            act = replace(
                piece_act(piece.ON_TOP, names_of([(at, part)]), build.pieces),
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
            sets = piece_act(piece.LAYER_SETS, names_of([(at, part)]), 0, end)
            last = [replace(build.add(sets, [replace(one, most_min=DIRECTLY_MIN) for one in last]), most_min=WAITS_MIN)]
    last = topped(build, last, is_wet=True)
    build.add(replace(piece_act(piece.LAYER_SETS, names_of(fillings or build.parts("shell"))), id="set",
                      title="Let them set"), last)  # fmt: skip


def cake(build: Build) -> None:
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
                    piece_act(piece.ON_TOP, names_of([(at, part)]), 1),
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
        sets = piece_act(piece.LAYER_SETS, names_of(parts), 0, f".{role}")
        last = [build.add(sets, [replace(one, most_min=DIRECTLY_MIN) for one in last])]
    topped(build, last, is_wet=False)
