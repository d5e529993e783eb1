"""Forms: the acts by which mixes become pieces, in the order of work, one function a form."""

from collections.abc import Callable, Mapping
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.fit.ask import kind_of
from hearth_bowl.core.method.build import Build
from hearth_bowl.core.method.forms.balls import balls
from hearth_bowl.core.method.forms.cups_and_cakes import cake, cups
from hearth_bowl.core.method.forms.moulded import moulded
from hearth_bowl.core.method.forms.slab import slab

FORMS: Final[Mapping[str, Callable[[Build], None]]] = MappingProxyType(
    {"mould": moulded, "pan": slab, "scoop": balls, "pieces": balls, "cup": cups, "cake": cake}
)


def form_acts(build: Build) -> None:
    """Draw up the acts by which the mixes of a confection become pieces."""
    FORMS[kind_of(build.worked.confection.form.vessel)](build)
