"""Vessels: what a person owns to pour, portion and pack with."""

from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class VesselRow(Base):
    """A vessel: its name, how many of it there are, and the vessel file as JSON."""

    __tablename__ = "vessel"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    kind: Mapped[str]
    document: Mapped[str]
    owned: Mapped[int]
