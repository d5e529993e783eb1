"""Assortments: boxes of several kinds of piece."""

from datetime import datetime

from sqlalchemy import CheckConstraint, ForeignKey
from sqlalchemy.orm import Mapped, mapped_column, relationship

from hearth_bowl.store.models.base import Base


class AssortmentRow(Base):
    """So many boxes of an assortment. `revision` grows with every save: a save from an older one is refused."""

    __tablename__ = "assortment"
    __table_args__ = (CheckConstraint("boxes > 0", name="boxes_positive"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    boxes: Mapped[int]
    pot_g: Mapped[float | None]
    box_vessel_id: Mapped[int | None] = mapped_column(ForeignKey("vessel.id", ondelete="SET NULL"))
    revision: Mapped[int]
    changed_at: Mapped[datetime]

    rows: Mapped[list["AssortmentPieceRow"]] = relationship(
        order_by="AssortmentPieceRow.position", cascade="all, delete-orphan", lazy="raise"
    )


class AssortmentPieceRow(Base):
    """One kind of piece in it. It goes with its confection."""

    __tablename__ = "assortment_piece"
    __table_args__ = (CheckConstraint("per_box > 0", name="per_box_positive"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    assortment_id: Mapped[int] = mapped_column(ForeignKey("assortment.id", ondelete="CASCADE"), index=True)
    position: Mapped[int]
    confection_id: Mapped[int] = mapped_column(ForeignKey("confection.id", ondelete="CASCADE"))
    per_box: Mapped[int]
    spares: Mapped[int]
    whole_moulds: Mapped[bool]
