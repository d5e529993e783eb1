"""The rows."""

from hearth_bowl.store.models.base import Base
from hearth_bowl.store.models.batch import (
    BatchEventRow,
    BatchRow,
    LessonRow,
    PhotographRow,
    ProbeRow,
    ReadingRow,
    TimerRow,
    WeightRow,
)
from hearth_bowl.store.models.confection import ConfectionRow
from hearth_bowl.store.models.fit import RecipeFitRow
from hearth_bowl.store.models.larder import LarderRow
from hearth_bowl.store.models.occasion import (
    OccasionHappeningRow,
    OccasionOrderRow,
    OccasionPieceRow,
    OccasionRow,
    TimedTaskRow,
)
from hearth_bowl.store.models.pairing import PairedDeviceRow
from hearth_bowl.store.models.recipe import RECIPE_WORDS, RecipeRow, RecipeVersionRow
from hearth_bowl.store.models.settings import SettingsRow
from hearth_bowl.store.models.shelf import MakingMoveRow, MakingRow
from hearth_bowl.store.models.vessel import VesselRow

__all__ = [
    "RECIPE_WORDS",
    "Base",
    "BatchEventRow",
    "BatchRow",
    "ConfectionRow",
    "LarderRow",
    "LessonRow",
    "MakingMoveRow",
    "MakingRow",
    "OccasionHappeningRow",
    "OccasionOrderRow",
    "OccasionPieceRow",
    "OccasionRow",
    "PairedDeviceRow",
    "PhotographRow",
    "ProbeRow",
    "ReadingRow",
    "RecipeFitRow",
    "RecipeRow",
    "RecipeVersionRow",
    "SettingsRow",
    "TimedTaskRow",
    "TimerRow",
    "VesselRow",
    "WeightRow",
]
