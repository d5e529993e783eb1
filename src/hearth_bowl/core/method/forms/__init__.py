"""Forms: the acts by which mixes become pieces, in the order of work, one function a form."""

from collections.abc import Callable, Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.fit.ask import kind_of
from hearth_bowl.core.method import piece_rows as piece
from hearth_bowl.core.method.act import After
from hearth_bowl.core.method.build import DIRECTLY_MIN, Build
from hearth_bowl.core.method.forms.balls import balls
from hearth_bowl.core.method.forms.common import names_of, stays_cold
from hearth_bowl.core.method.forms.cups_and_cakes import cake, cups
from hearth_bowl.core.method.forms.moulded import moulded
from hearth_bowl.core.method.forms.slab import slab
from hearth_bowl.core.method.piece_rows import piece_act
from hearth_bowl.core.method.rows import FRIDGE

FORMS: Final[Mapping[str, Callable[[Build], None]]] = MappingProxyType(
    {"mould": moulded, "pan": slab, "scoop": balls, "pieces": balls, "cup": cups, "cake": cake}
)

MIXED: Final = ("centre", "layer", "filling", "core")
"""Roles of what a piece is inside, where a mix may be that stays cold. By definition."""


def form_acts(build: Build) -> None:
    """Draw up the acts by which the mixes of a confection become pieces."""
    FORMS[kind_of(build.worked.confection.form.vessel)](build)
    _back_into_the_cold(build)


def _back_into_the_cold(build: Build) -> None:
    """Put pieces in which germs grow back into the fridge, where their last act leaves them out of it."""
    if not stays_cold(build, *MIXED):
        return
    out = [act for act in build.acts if act.id not in build.waited_for and not FRIDGE.keys() & act.uses.keys()]
    if out:
        last = [After(id=act.id, most_min=DIRECTLY_MIN) for act in out]
        build.add(piece_act(piece.BACK_COLD, names_of(build.parts(*MIXED))), last)
