"""A marking guide: where to mark a slab along its edges, and where one topping sits on each piece."""

from dataclasses import dataclass

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.slab import marks
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.geometry.pieces import Cut

TICK_MM = 6.0
"""How far a mark reaches in from the edge. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Label:
    """A distance from the corner, written beside its mark; `upright` along the left edge."""

    x_mm: float
    y_mm: float
    text: str
    upright: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Guide:
    """All in mm from the pan's left upper inside corner: the outline, marks, pieces, toppings and labels.

    `marks` and `cuts` are lines (x0, y0, x1, y1); `toppings` the middle of each piece.
    """

    width_mm: float
    height_mm: float
    is_round: bool
    corner_mm: float
    marks: tuple[tuple[float, float, float, float], ...]
    cuts: tuple[tuple[float, float, float, float], ...]
    toppings: tuple[tuple[float, float], ...]
    labels: tuple[Label, ...]
    says: str


def guide(pan: Pan, cut: Cut | None, kerf_mm: float, piece_g: float) -> Guide:
    """Return the marking guide of a slab that is cut into pieces of `piece_g` with a knife of `kerf_mm`.

    :raises BadInput: at `pieces` when it is not cut.
    """
    if cut is None:
        raise BadInput(("pieces",), "nothing is cut", "a number of pieces, or their size", "missing")
    p, q = cut.piece_mm
    says = f"{cut.pieces} pieces, ⟦{p:.1f} x {q:.1f} mm⟧, ⟦{piece_g:.1f} g⟧ each, one topping a piece"
    if cut.grid is None:
        side = pan.diameter_mm
        places = cut.places_mm or ()
        cuts = tuple(
            line
            for x, y in places
            for line in ((x, y, x + p, y), (x, y + q, x + p, y + q), (x, y, x, y + q), (x + p, y, x + p, y + q))
        )
        return Guide(
            width_mm=side,
            height_mm=side,
            is_round=True,
            corner_mm=0.0,
            marks=(),
            cuts=tuple(dict.fromkeys(cuts)),
            toppings=tuple((x + p / 2, y + q / 2) for x, y in places),
            labels=tuple(
                Label(x_mm=x, y_mm=0.0, text=f"{x:.1f}", upright=False) for x in sorted({x for x, _ in places})
            ),
            says=says,
        )
    edges = marks(pan, cut, kerf_mm)
    along, across = edges.along_mm, edges.across_mm
    width, height = pan.length_mm, pan.width_mm
    nx, ny = cut.grid
    ticks = [(x, 0.0, x, TICK_MM) for x in along] + [(x, height - TICK_MM, x, height) for x in along]
    ticks += [(0.0, y, TICK_MM, y) for y in across] + [(width - TICK_MM, y, width, y) for y in across]
    cuts_along = [(x, across[0], x, across[-1]) for x in along] + [(along[0], y, along[-1], y) for y in across]
    pitch_x, pitch_y = p + kerf_mm, q + kerf_mm
    return Guide(
        width_mm=width,
        height_mm=height,
        is_round=False,
        corner_mm=pan.corner_mm,
        marks=tuple(ticks),
        cuts=tuple(cuts_along),
        toppings=tuple(
            (along[0] + p / 2 + i * pitch_x, across[0] + q / 2 + j * pitch_y) for j in range(ny) for i in range(nx)
        ),
        labels=tuple(
            [Label(x_mm=x, y_mm=0.0, text=f"{x:.1f}", upright=False) for x in along]
            + [Label(x_mm=0.0, y_mm=y, text=f"{y:.1f}", upright=True) for y in across]
        ),
        says=says,
    )
