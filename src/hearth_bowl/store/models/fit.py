"""Fits: what was last asked of which vessel for a recipe."""

from datetime import datetime

from sqlalchemy import ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class RecipeFitRow(Base):
    """The fit of a recipe as it was last left: vessel, ask, layers and fillings, as JSON."""

    __tablename__ = "recipe_fit"

    recipe_id: Mapped[int] = mapped_column(ForeignKey("recipe.id", ondelete="CASCADE"), primary_key=True)
    vessel_id: Mapped[int | None] = mapped_column(ForeignKey("vessel.id", ondelete="SET NULL"))
    document: Mapped[str]
    changed_at: Mapped[datetime]
