"""How a recipe stands in bodies: the recipe file, with lines that may hold an amount as typed."""

from typing import Annotated, Any

from pydantic import Field

from hearth_bowl.api.spec import Incoming, Outgoing
from hearth_bowl.core.recipe.recipe import MAX_LINES


class OwnIngredientIn(Incoming):
    """A person's own ingredient."""

    name: str
    composition_pct: dict[str, float]
    density_g_per_ml: float
    kind: str = "other"
    other_fat_kind: str | None = None
    higher_molar_mass_g_per_mol: float | None = None
    energy_kcal_per_100g: float | None = None
    spoon_g_per_ml: float | None = None
    pack_g: float | None = None
    piece_g: float | None = None
    allergens: list[str] = Field(default_factory=list)
    allergens_named: list[str] = Field(default_factory=list)


class LineIn(Incoming):
    """A line. `typed` is an amount as a cook types it: it stands for amount and unit."""

    ingredient: str | OwnIngredientIn
    amount: float
    amount_high: float | None = None
    unit: str = "g"
    measure: str = "metric"
    stage: Annotated[str, Field(max_length=60)] = ""
    pinned: bool = False
    proposed: bool = False
    pack_g: float | None = None
    piece_g: float | None = None
    typed: Annotated[str, Field(max_length=80)] | None = None


class RecipeIn(Incoming):
    """A recipe file's content."""

    format: str = "hearth-bowl/recipe"
    version: int = 1
    name: Annotated[str, Field(min_length=1, max_length=200)]
    family: str
    use: str | None = None
    lines: Annotated[list[LineIn], Field(min_length=1, max_length=MAX_LINES)]
    steps: list[Any] = Field(default_factory=list)
    method: str | None = None


class OwnIngredientOut(Outgoing):
    """A person's own ingredient."""

    name: str
    composition_pct: dict[str, float]
    density_g_per_ml: float
    kind: str
    other_fat_kind: str
    higher_molar_mass_g_per_mol: float
    energy_kcal_per_100g: float
    spoon_g_per_ml: float
    pack_g: float | None = None
    piece_g: float | None = None
    allergens: list[str]
    allergens_named: list[str]


class LineOut(Outgoing):
    """A line as stored."""

    ingredient: str | OwnIngredientOut
    amount: float
    amount_high: float | None = None
    unit: str
    measure: str
    stage: str
    pinned: bool
    proposed: bool = False
    pack_g: float | None = None
    piece_g: float | None = None


class RecipeOut(Outgoing):
    """A recipe file's content."""

    format: str
    version: int
    name: str
    family: str
    use: str | None
    lines: list[LineOut]
    steps: list[Any]
    method: str | None = None


def record_of(recipe: RecipeIn) -> dict[str, Any]:
    """Return the recipe file's content of a body."""
    return recipe.model_dump(exclude_none=True)
