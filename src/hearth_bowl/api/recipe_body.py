"""How a recipe comes in: the recipe file, with lines that may hold an amount as typed. Defaults are the file's."""

from typing import Annotated, Any

from pydantic import Field, SerializerFunctionWrapHandler, model_serializer

from hearth_bowl.api.wire import Incoming
from hearth_bowl.core.recipe.recipe import MAX_LINES
from hearth_bowl.core.recipe.written.lines import LONGEST_LINE


class OwnIngredientIn(Incoming):
    """A person's own ingredient."""

    name: str
    like: str | None = None
    composition_pct: dict[str, float] | None = None
    density_g_per_ml: float | None = None
    kind: str | None = None
    other_fat_kind: str | None = None
    higher_molar_mass_g_per_mol: float | None = None
    energy_kcal_per_100g: float | None = None
    spoon_g_per_ml: float | None = None
    pack_g: float | None = None
    piece_g: float | None = None
    allergens: list[str] | None = None
    allergens_named: list[str] | None = None
    may_contain: list[str] | None = None
    not_known: list[str] | None = None
    density_is_bulk: bool | None = None
    raw_egg: str | None = None
    pasteurised_egg: bool | None = None
    fresh_cheese: bool | None = None
    fresh_fruit: bool | None = None
    honey: bool | None = None
    gelatine: bool | None = None
    extract: bool | None = None
    crisp: bool | None = None
    choking: bool | None = None
    nut: str | None = None
    most_pct: float | None = None
    own_body: bool | None = None
    liquid: bool | None = None
    enzyme: bool | None = None
    coats: bool | None = None
    lump_g_per_ml: float | None = None

    @model_serializer(mode="wrap")
    def _with_unknown(self, as_usual: SerializerFunctionWrapHandler) -> dict[str, Any]:
        """Say allergens that are not known, which is not the same as none: what was not said stays out."""
        said: dict[str, Any] = as_usual(self)
        if self.allergens is None and "allergens" in self.model_fields_set:
            said["allergens"] = None
        return said


class LineIn(Incoming):
    """A line. `typed` is an amount as a cook types it: it stands for amount and unit."""

    ingredient: str | OwnIngredientIn
    amount: float
    amount_high: float | None = None
    unit: str | None = None
    measure: str | None = None
    stage: Annotated[str, Field(max_length=60)] | None = None
    pinned: bool | None = None
    proposed: bool | None = None
    pack_g: float | None = None
    piece_g: float | None = None
    text: Annotated[str, Field(max_length=LONGEST_LINE)] | None = None
    doubts: list[str] | None = None
    typed: Annotated[str, Field(max_length=80)] | None = None


class RecipeIn(Incoming):
    """A recipe file's content."""

    format: str | None = None
    version: int | None = None
    name: Annotated[str, Field(min_length=1, max_length=200)]
    family: str
    use: str | None = None
    lines: Annotated[list[LineIn], Field(min_length=1, max_length=MAX_LINES)]
    steps: list[Any] | None = None
    method: str | None = None
    end_shift_k: float | None = None


def record_of(recipe: RecipeIn) -> dict[str, Any]:
    """Return the recipe file's content of a body."""
    return recipe.model_dump(exclude_none=True)
