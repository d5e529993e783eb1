"""Recipes: the working state as one document, and the versions that were kept."""

from datetime import datetime

from sqlalchemy import ForeignKey, UniqueConstraint, false
from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class RecipeRow(Base):
    """A recipe as it stands now: the whole recipe file as JSON. Name, family and use stand beside it for the list.

    `revision` grows with every save: a save from an older one is refused.
    """

    __tablename__ = "recipe"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    family: Mapped[str]
    use: Mapped[str | None]
    document: Mapped[str]
    revision: Mapped[int]
    created_at: Mapped[datetime]
    changed_at: Mapped[datetime]
    put_away: Mapped[bool] = mapped_column(default=False, server_default=false())


class RecipeVersionRow(Base):
    """A kept version: the whole recipe file, composition of every ingredient included. It never changes."""

    __tablename__ = "recipe_version"
    __table_args__ = (UniqueConstraint("recipe_id", "number"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    recipe_id: Mapped[int] = mapped_column(ForeignKey("recipe.id", ondelete="CASCADE"), index=True)
    number: Mapped[int]
    name: Mapped[str]
    document: Mapped[str]
    compositions: Mapped[str]
    kept_at: Mapped[datetime]
