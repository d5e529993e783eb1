"""The rows."""

from hearth_bowl.store.models.base import Base
from hearth_bowl.store.models.larder import LarderRow
from hearth_bowl.store.models.recipe import RecipeLineRow, RecipeRow, RecipeVersionRow
from hearth_bowl.store.models.settings import SettingsRow
from hearth_bowl.store.models.vessel import VesselRow

__all__ = ["Base", "LarderRow", "RecipeLineRow", "RecipeRow", "RecipeVersionRow", "SettingsRow", "VesselRow"]
