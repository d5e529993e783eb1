"""What a fit answers: where everything that is made goes."""

from dataclasses import dataclass
from typing import Generic, TypeVar

from hearth_bowl.core.fit.ask import Ask
from hearth_bowl.core.fit.made import Made, scaled
from hearth_bowl.core.geometry.cavities import CavityVolumes
from hearth_bowl.core.recipe.recipe import Recipe


@dataclass(frozen=True, slots=True, kw_only=True)
class Shell:
    """Chocolate round one finished piece, and for all of them.

    `melt_g` is what must be melted: with one mould flooded, less its shells, or deep enough to dip in. `seam_g` is
    the film that joins two halves, `foot_g` the foot and drips of a dipped piece; both are of one piece.
    """

    ingredient: str
    shell_g: float
    cap_g: float
    fill_g: float
    piece_g: float
    total_g: float
    melt_g: float
    seam_g: float = 0.0
    foot_g: float = 0.0
    pieces: int = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class CakeFit:
    """What of the filling lies within a cake, and what coats it."""

    fillings: int
    filling_mm: float
    filling_g: float
    coat_mm: float
    coat_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Drink:
    """Drink spheres: the mix in one, how many cups of milk that makes, and whether it goes into the mug."""

    mix_g: float
    cups: float | None
    diameter_mm: float
    fits_mug: bool | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Marks:
    """Where a slab is marked: the edges of its pieces [mm] from the left and the top inside edge of the pan."""

    along_mm: tuple[float, ...]
    across_mm: tuple[float, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Fit:
    """What a recipe makes of a vessel; None where a figure does not apply.

    batch = filling + loss + left over + evaporated. `fill_ml` is the filling of one whole vessel, `thickness_mm` a
    slab's. `pieces` are all, spares among them. `places_mm` are the left upper corners of a round slab's pieces.
    """

    scale: float
    batch_g: float
    amounts_g: tuple[float, ...]
    filling_g: float
    left_over_g: float
    fill_ml: float
    loss_g: float
    evaporated_g: float
    density_g_per_ml: float
    thickness_mm: float | None = None
    pieces: int | None = None
    spares: int = 0
    grid: tuple[int, int] | None = None
    piece_mm: tuple[float, float] | None = None
    spacing_mm: tuple[float, float] | None = None
    places_mm: tuple[tuple[float, float], ...] | None = None
    marks: Marks | None = None
    piece_g: float | None = None
    offcut_g: float | None = None
    shell: Shell | None = None
    later: Shell | None = None
    cavity: CavityVolumes | None = None
    halves: int | None = None
    halves_by_colour: tuple[int, ...] | None = None
    pours: int | None = None
    spare_cavities: int | None = None
    ball_mm: float | None = None
    core_g: float | None = None
    rolling_g: float | None = None
    cake: CakeFit | None = None
    drink: Drink | None = None
    notes: tuple[str, ...] = ()


AskOfKind = TypeVar("AskOfKind", bound=Ask, covariant=True)


@dataclass(frozen=True, slots=True, kw_only=True)
class FitBasis(Generic[AskOfKind]):
    """What every kind of vessel starts from."""

    recipe: Recipe
    ask: AskOfKind
    made: Made

    def fit(self, *, batch_g: float, filling_g: float, left_over_g: float, fill_ml: float, **rest: object) -> Fit:
        """Return a fit whose mass closes: what is neither filling, left over nor steam is lost."""
        scale, amounts_g = scaled(self.recipe, batch_g)
        left_g = batch_g * self.made.left_share
        return Fit(
            scale=scale,
            batch_g=batch_g,
            amounts_g=amounts_g,
            filling_g=filling_g,
            left_over_g=left_over_g,
            fill_ml=fill_ml,
            loss_g=left_g - filling_g - left_over_g,
            evaporated_g=batch_g - left_g,
            density_g_per_ml=self.made.density_g_per_ml,
            **rest,  # type: ignore[arg-type]
        )
