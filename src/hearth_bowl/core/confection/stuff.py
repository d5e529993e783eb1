"""What a part is made of, whatever that is: how heavy it lies, what is left of what is weighed in, what it is lost."""

from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.confection.confection import Blend, Form, Part
from hearth_bowl.core.fit.ask import USUAL_LOSS_PCT
from hearth_bowl.core.fit.dipping import SET_CHOCOLATE_G_PER_ML
from hearth_bowl.core.fit.made import PACKED_SHARE, Made, made_of
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.recipe import Line, Recipe, checked_recipe

BY_HAND: Final = frozenset({"modelling", "marzipan"})
"""Families that are worked by hand: nothing stays in bowl or bag."""
DRY_BELOW: Final = 0.10
"""Bought things with less water than this by mass keep dry: nuts 4 to 6 %, powders 3 to 10 %. Judged."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Stuff:
    """What a part is of. `recipe` is its recipe, or one line for an ingredient; `eaten` the mass as it is eaten.

    `made` is its density as it lies [g/ml] and the share left of what is weighed in; losses % and g.
    """

    name: str
    recipe: Recipe
    eaten: Mixture
    made: Made
    is_bought: bool
    loss_pct: float
    loss_g: float

    @property
    def is_dry(self) -> bool:
        """Return whether it is bought dry, as nuts, powders and chocolate are: its little water is bound."""
        return self.is_bought and self.eaten.grams["water"] < DRY_BELOW * self.eaten.mass_g

    @property
    def is_chocolate(self) -> bool:
        """Return whether it is chocolate or compound, melted as it is: alone or blended."""
        return self.is_bought and all(line.ingredient.kind in CHOCOLATE_KINDS for line in self.recipe.lines)

    def kept_g(self, mass_g: float) -> float:
        """Return what of so much weighed in comes into pieces or is cut off them."""
        return max(0.0, mass_g * self.made.left_share * (1 - self.loss_pct / 100) - self.loss_g)

    def make_g(self, kept_g: float) -> float:
        """Return what is weighed in so that so much is kept; nothing for nothing."""
        return (kept_g + self.loss_g) / (1 - self.loss_pct / 100) / self.made.left_share if kept_g > 0 else 0.0

    def shares(self) -> tuple[tuple[Ingredient, float], ...]:
        """Return each ingredient with its share of what is weighed in."""
        return tuple((line.ingredient, grams / self.recipe.mass_g) for line, grams in self.recipe.weighed)


def loses_the_usual(part: Part, form: Form) -> bool:
    """Return whether what stays of a part in bowl and bag is the usual share: nobody gave it, and it is not kneaded."""
    is_poured = isinstance(part.of, Recipe) and part.of.family not in BY_HAND
    return is_poured and part.loss_pct is None and form.loss_pct is None


def stuff_of(part: Part, form: Form, kitchen: Kitchen) -> Stuff:
    """Return what a part is made of, in a kitchen.

    :raises BadInput: where a recipe cannot be boiled as it should.
    """
    if isinstance(part.of, Recipe):
        recipe = part.of
        finished = finished_or_none(recipe, kitchen)
        usual = 0.0 if recipe.family in BY_HAND else USUAL_LOSS_PCT if form.loss_pct is None else form.loss_pct
        return Stuff(
            name=recipe.name,
            recipe=recipe,
            eaten=finished or mix(recipe),
            made=made_of(recipe, part.overrun_pct or 0.0, finished),
            is_bought=False,
            loss_pct=usual if part.loss_pct is None else part.loss_pct,
            loss_g=form.loss_g,
        )
    blended = part.of.parts if isinstance(part.of, Blend) else ((part.of, 1.0),)
    recipe = _as_recipe(blended)
    return Stuff(
        name=recipe.name,
        recipe=recipe,
        eaten=mix(recipe),
        made=Made(
            density_g_per_ml=_density(blended, recipe, lumps=part.lumps or part.role == "core")
            / (1 + (part.overrun_pct or 0.0) / 100)
        ),
        is_bought=True,
        loss_pct=part.loss_pct or 0.0,
        loss_g=0.0,
    )


def _as_recipe(blended: tuple[tuple[Ingredient, float], ...]) -> Recipe:
    whole = sum(share for _, share in blended)
    return checked_recipe(
        name=" and ".join(ingredient.name for ingredient, _ in blended),
        family="filling",
        use=None,
        lines=[Line(ingredient=ingredient, amount=100 * share / whole) for ingredient, share in blended],
    )


def _density(blended: tuple[tuple[Ingredient, float], ...], recipe: Recipe, *, lumps: bool) -> float:
    """Return how heavy it lies: set chocolate, a lump of what is lumps, else by each one's own density."""
    if all(ingredient.kind in CHOCOLATE_KINDS for ingredient, _ in blended):
        return SET_CHOCOLATE_G_PER_ML
    lump_g_per_ml = blended[0][0].lump_g_per_ml
    if lumps and lump_g_per_ml is not None and all(one.lump_g_per_ml == lump_g_per_ml for one, _ in blended):
        return lump_g_per_ml
    in_gaps = PACKED_SHARE if lumps else 1.0  # a bulk density counts the gaps, which lumps have beside
    return recipe.mass_g / sum(
        grams / line.ingredient.density_g_per_ml * (in_gaps if line.ingredient.density_is_bulk else 1.0)
        for line, grams in zip(recipe.lines, recipe.amounts_g, strict=True)
    )
