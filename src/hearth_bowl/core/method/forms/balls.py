"""Balls: firm in the bowl, portioned round a core, rolled; dipped, rolled in a coating, topped. Common practice."""

from dataclasses import replace
from typing import Final

from hearth_bowl.core.method import piece_rows as piece
from hearth_bowl.core.method.act import After
from hearth_bowl.core.method.build import DIRECTLY_MIN, WAITS_MIN, Build, Mix
from hearth_bowl.core.method.forms.common import names_of, stays_cold, uses_chocolate, with_mixes
from hearth_bowl.core.method.forms.outside import coated
from hearth_bowl.core.method.piece_rows import piece_act

WORKABLE_MIN: Final = 120.0
"""How long a mix that stood until it can be worked stays so. A judgement."""


def balls(build: Build) -> None:
    """Firm in its bowl, portioned round its core, rolled; dipped, rolled in what is round it, topped."""
    centres, cores = build.parts("centre"), build.parts("core")
    coat = build.parts("coat")
    last: list[After] = []
    mix: Mix | None = None
    for at, part in centres:
        mix = build.mix_of(at)
        if mix is None:
            act = replace(
                piece_act(piece.ON_TOP, names_of([(at, part)]), build.pieces),
                id="portion", kind="portion", title="Portion it", do=_portion_words(build), ask="", why="",
                takes=build.taken(part),
            )  # fmt: skip
            last = [build.add(act, with_mixes(build, cores, last))]
            continue
        last = build.add_rows(mix.ending.bowl, mix, [build.make(mix)])
        *before, portion = [row for row in mix.ending.shape if row.where(mix.cook) and row.kind in ("warm", "portion")]
        if before:
            last = [replace(one, most_min=WORKABLE_MIN) for one in build.add_rows(before, mix, last)]
        words = _portion_words(build) + (f" {piece.PRESS_CORE}" if cores else "")
        takes = tuple(take for _, one in cores for take in build.taken(one))
        last = with_mixes(build, cores, last)
        named = replace(portion, do=words)
        last = build.add_rows([named], mix, last, pieces=build.pieces, takes=takes)
        uses_chocolate(build, last[0].id, cores)
        rolling = [row for row in mix.ending.shape if row.kind not in ("warm", "portion") and row.where(mix.cook)]
        last = build.add_rows(rolling, mix, last, pieces=build.pieces)
    if coat:
        of = names_of(centres)
        if not stays_cold(build, "centre"):
            chilled = build.add(piece_act(piece.BALLS_CHILL, of), [replace(one, most_min=DIRECTLY_MIN) for one in last])
            stood = build.add(piece_act(piece.TEMPERATE, of), [replace(chilled, most_min=WAITS_MIN)])
            last = [replace(stood, most_min=piece.STANDS_MIN)]
    last = coated(build, last)
    if mix is not None and not coat:
        build.add_rows(mix.ending.after, mix, last, pieces=build.pieces)


def _portion_words(build: Build) -> str:
    vessel = build.worked.confection.form.vessel
    grams = getattr(vessel, "piece_g", None)
    if grams is not None:
        return f"Portion it: ⟦{grams:g} g⟧ each, on the scale."
    return f"Portion it: a level scoop of {getattr(vessel, 'volume_ml', 0.0):g} ml each."
