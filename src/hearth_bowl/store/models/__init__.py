"""The rows."""

from hearth_bowl.store.models.base import Base
from hearth_bowl.store.models.recipe import RecipeLineRow, RecipeRow, RecipeVersionRow
from hearth_bowl.store.models.settings import SettingsRow
from hearth_bowl.store.models.vessel import VesselRow

__all__ = ["Base", "RecipeLineRow", "RecipeRow", "RecipeVersionRow", "SettingsRow", "VesselRow"]
