"""Recipes: the working state with its lines, and the versions that were kept."""

from datetime import datetime

from sqlalchemy import CheckConstraint, ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column, relationship

from hearth_bowl.store.models.base import Base


class RecipeRow(Base):
    """A recipe as it stands now. `revision` grows with every save: a save from an older one is refused."""

    __tablename__ = "recipe"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    family: Mapped[str]
    use: Mapped[str | None]
    steps: Mapped[str]
    method: Mapped[str | None]
    revision: Mapped[int]
    created_at: Mapped[datetime]
    changed_at: Mapped[datetime]

    lines: Mapped[list["RecipeLineRow"]] = relationship(
        order_by="RecipeLineRow.position", cascade="all, delete-orphan", lazy="raise"
    )


class RecipeLineRow(Base):
    """One line: an ingredient of the library by key, or the person's own as JSON."""

    __tablename__ = "recipe_line"
    __table_args__ = (
        CheckConstraint("amount >= 0", name="amount_not_negative"),
        CheckConstraint("(ingredient_key IS NULL) <> (own_ingredient IS NULL)", name="one_ingredient"),
        UniqueConstraint("recipe_id", "position"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    recipe_id: Mapped[int] = mapped_column(ForeignKey("recipe.id", ondelete="CASCADE"), index=True)
    position: Mapped[int]
    ingredient_key: Mapped[str | None]
    own_ingredient: Mapped[str | None]
    amount: Mapped[float]
    amount_high: Mapped[float | None]
    unit: Mapped[str]
    measure: Mapped[str]
    stage: Mapped[str]
    pinned: Mapped[bool]
    proposed: Mapped[bool]
    pack_g: Mapped[float | None]
    piece_g: Mapped[float | None]


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
