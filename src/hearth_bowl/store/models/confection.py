"""Confections: a form and its parts, put together of recipes and vessels."""

from datetime import datetime

from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class ConfectionRow(Base):
    """A confection as JSON, its recipes and vessel by their ids. `revision` grows with every save: a save from an older
    one is refused."""

    __tablename__ = "confection"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    document: Mapped[str]
    own_of: Mapped[int | None] = mapped_column(index=True)
    """The recipe that this came with; None where it was put together of recipes that were there."""
    revision: Mapped[int]
    changed_at: Mapped[datetime]
