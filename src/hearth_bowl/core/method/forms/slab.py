"""Slabs: layer upon layer into the pan, topped, set, cut; perhaps dipped or rolled. Common practice."""

from dataclasses import replace

from hearth_bowl.core.confection.work_out import WorkedPart
from hearth_bowl.core.method import piece_rows as piece
from hearth_bowl.core.method.act import After
from hearth_bowl.core.method.build import DIRECTLY_MIN, WAITS_MIN, Build, ChocolateUse, Mix
from hearth_bowl.core.method.forms.common import in_words, names_of, uses_chocolate, with_mixes
from hearth_bowl.core.method.forms.outside import coated
from hearth_bowl.core.method.piece_rows import piece_act
from hearth_bowl.core.method.set_times import holds_a_mark_band


def slab(build: Build) -> None:
    """Layer upon layer into the pan, topped, set, cut; perhaps dipped or rolled."""
    layers = build.parts("layer")
    last: list[After] = []
    lead: Mix | None = None
    for place, (at, part) in enumerate(layers):
        mix, end = build.mix_of(at), "" if len(layers) == 1 else f".{place + 1}"
        if mix is None:
            act = replace(
                piece_act(piece.ON_TOP, names_of([(at, part)])),
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
            sets = replace(piece_act(piece.LAYER_SETS, names_of([(at, part)]), 0, end), in_vessel=True, turn=1)
            last = [replace(build.add(sets, [replace(one, most_min=DIRECTLY_MIN) for one in last]), most_min=WAITS_MIN)]
    is_dipped = bool(build.parts("coat"))
    if not is_dipped:
        last = _on_slab(build, last, lead)
    if lead is None:
        last = [
            build.add(replace(piece_act(piece.LAYER_SETS, names_of(layers)), id="set", in_vessel=True, turn=1), last)
        ]
        last = _cut_bought(build, layers, last)
    else:
        last = build.add_rows(lead.ending.pan_sets, lead, last, in_vessel=True, turn=1)
        if build.worked.laid.cut is not None:
            last = build.add_rows(lead.ending.cut, lead, last, pieces=build.pieces, in_vessel=True, turn=1)
    last = coated(build, last)
    if lead is not None and not is_dipped and build.worked.laid.cut is not None:
        build.add_rows(lead.ending.after, lead, last, pieces=build.pieces)


def _cut_bought(build: Build, layers: list[tuple[int, WorkedPart]], last: list[After]) -> list[After]:
    act = replace(
        piece_act(piece.ON_TOP, names_of(layers), build.pieces),
        id="cut", kind="cut", title="Cut the slab", do="Lift it out and cut it with a warm, dry blade.",
        cue="clean edges", ask="Is it firm through to the middle?", why="", cautions=("knife",), in_vessel=True, turn=1,
    )  # fmt: skip
    return [build.add(act, last)]


def _on_slab(build: Build, last: list[After], lead: Mix | None) -> list[After]:
    toppings = build.parts("topping")
    if not toppings:
        return last
    wait = None if lead is None else holds_a_mark_band(lead.cook)
    act = piece_act(piece.ON_SLAB, names_of(toppings), build.pieces)
    act = replace(
        act, do=f"Use {in_words(toppings)}. {act.do}",
        takes=tuple(take for _, part in toppings for take in build.taken(part)), in_vessel=True, turn=1,
    )  # fmt: skip
    edges = [replace(one, least_min=0.0 if wait is None else wait[0], most_min=None if wait is None else wait[2] + 10)
             for one in last]  # fmt: skip
    found = with_mixes(build, toppings, edges)
    uses_chocolate(build, act.id, toppings)
    return [build.add(act, found)]
