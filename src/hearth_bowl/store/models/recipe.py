"""Recipes: the working state as one document, and the versions that were kept."""

from datetime import datetime

from sqlalchemy import ForeignKey, Index, UniqueConstraint, column, false, table
from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class RecipeRow(Base):
    """A recipe as it stands now: the whole recipe file as JSON. Name, family and use stand beside it for the list.

    `revision` grows with every save: a save from an older one is refused. `listed` is what the list shows of its
    lines, as JSON; `listed_by` the version of the index that wrote it and its words, 0 where none did yet.
    """

    __tablename__ = "recipe"
    __table_args__ = (
        Index("ix_recipe_listed_by", "listed_by"),
        Index("ix_recipe_put_away_changed_at", "put_away", "changed_at", "id"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    family: Mapped[str]
    use: Mapped[str | None]
    document: Mapped[str]
    revision: Mapped[int]
    created_at: Mapped[datetime]
    changed_at: Mapped[datetime]
    put_away: Mapped[bool] = mapped_column(default=False, server_default=false())
    listed: Mapped[str] = mapped_column(default="", server_default="")
    listed_by: Mapped[int] = mapped_column(default=0, server_default="0")
    is_made: Mapped[bool] = mapped_column(default=False, server_default=false(), index=True)
    """Whether it was looked at for what it is made into: it got its confection then, unless it was in one."""


RECIPE_WORDS = table("recipe_words", column("rowid"), column("words"), column("verdicts"))
"""Words of each recipe and of the verdicts on its batches, by the recipe's id: SQLite's FTS5, any three letters."""


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
