"""Vessels: the pans and moulds that a person owns."""

from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class VesselRow(Base):
    """A pan or mould: its name, and the vessel file as JSON."""

    __tablename__ = "vessel"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    kind: Mapped[str]
    document: Mapped[str]
