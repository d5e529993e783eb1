"""A cake to fill and coat: both by thickness, or how thick a coat a batch gives."""

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import CakeAsk
from hearth_bowl.core.fit.made import batch_for_g, filling_of_g
from hearth_bowl.core.fit.outcome import CakeFit, Fit, FitBasis
from hearth_bowl.core.geometry.cakes import MOST_COAT_MM, Cake


def fit_cake(basis: FitBasis[CakeAsk], cake: Cake, notes: list[str]) -> Fit:
    """Return what is made of a recipe to fill and coat a cake; a mass fills first and coats with the rest.

    :raises BadInput: at `mass_g` when it does not fill.
    """
    ask, made = basis.ask, basis.made
    within_ml, left_over_g = cake.filling_ml, 0.0
    if ask.mass_g is None:
        coat_mm = cake.coat_mm
        coat_ml = cake.coat_ml(coat_mm)
        batch_g = batch_for_g((within_ml + coat_ml) * made.density_g_per_ml, ask, made)
    else:
        batch_g = ask.mass_g
        coat_ml = filling_of_g(batch_g, ask, made) / made.density_g_per_ml - within_ml
        if coat_ml < 0:
            least_g = batch_for_g(within_ml * made.density_g_per_ml, ask, made)
            raise BadInput(
                ("mass_g",), f"⟦{batch_g:g} g⟧ does not fill the cake", f"⟦{least_g:.0f} g⟧ or more", "out-of-range"
            )
        most_ml = cake.coat_ml(MOST_COAT_MM)
        left_over_g = max(0.0, coat_ml - most_ml) * made.density_g_per_ml
        coat_ml = min(coat_ml, most_ml)
        coat_mm = cake.coat_from_ml(coat_ml)
    notes.append("An even coat is assumed, on top and sides, with sharp edges. A thin first coat goes under it.")
    filling_g = (within_ml + coat_ml) * made.density_g_per_ml
    return basis.fit(
        batch_g=batch_g,
        filling_g=filling_g,
        left_over_g=left_over_g,
        fill_ml=within_ml + coat_ml,
        cake=CakeFit(
            fillings=cake.fillings,
            filling_mm=cake.filling_mm,
            filling_g=within_ml * made.density_g_per_ml,
            coat_mm=coat_mm,
            coat_g=coat_ml * made.density_g_per_ml,
        ),
        notes=tuple(notes),
    )
