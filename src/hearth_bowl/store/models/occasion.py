"""Occasions: boxes of several kinds of piece, ready by a moment; their running order, and what has happened of it."""

from datetime import datetime

from sqlalchemy import CheckConstraint, DateTime, ForeignKey, Index, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column, relationship

from hearth_bowl.store.models.base import Base


class OccasionRow(Base):
    """So many boxes, ready by a moment on the wall. `revision` grows with every save; one from an older is refused."""

    __tablename__ = "occasion"
    __table_args__ = (CheckConstraint("boxes > 0", name="boxes_positive"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    ready_at: Mapped[datetime | None] = mapped_column(DateTime())
    boxes: Mapped[int]
    pot_g: Mapped[float | None]
    box_vessel_id: Mapped[int | None] = mapped_column(ForeignKey("vessel.id", ondelete="SET NULL"))
    revision: Mapped[int]
    changed_at: Mapped[datetime]
    wishes: Mapped[str] = mapped_column(default="{}", server_default="{}")

    rows: Mapped[list["OccasionPieceRow"]] = relationship(
        order_by="OccasionPieceRow.position", cascade="all, delete-orphan", lazy="raise"
    )


class OccasionPieceRow(Base):
    """One kind of piece in it. It goes with its confection."""

    __tablename__ = "occasion_piece"
    __table_args__ = (CheckConstraint("per_box > 0", name="per_box_positive"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    occasion_id: Mapped[int] = mapped_column(ForeignKey("occasion.id", ondelete="CASCADE"), index=True)
    position: Mapped[int]
    confection_id: Mapped[int] = mapped_column(ForeignKey("confection.id", ondelete="CASCADE"))
    per_box: Mapped[int]
    spares: Mapped[int]
    whole_moulds: Mapped[bool]


class OccasionOrderRow(Base):
    """The running order as it was planned last: the answer of `plan` as JSON. Moments on the wall."""

    __tablename__ = "occasion_order"

    occasion_id: Mapped[int] = mapped_column(ForeignKey("occasion.id", ondelete="CASCADE"), primary_key=True)
    document: Mapped[str]
    planned_at: Mapped[datetime] = mapped_column(DateTime())


class OccasionHappeningRow(Base):
    """A task that was begun, and done where it has an end. Moments on the wall."""

    __tablename__ = "occasion_happening"
    __table_args__ = (UniqueConstraint("occasion_id", "task"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    occasion_id: Mapped[int] = mapped_column(ForeignKey("occasion.id", ondelete="CASCADE"), index=True)
    task: Mapped[str]
    starts_at: Mapped[datetime] = mapped_column(DateTime())
    ends_at: Mapped[datetime | None] = mapped_column(DateTime())


class TimedTaskRow(Base):
    """How long a task took of which both begin and end were noted, beside its usual minutes; `what` as in a lesson."""

    __tablename__ = "timed_task"
    __table_args__ = (UniqueConstraint("occasion_id", "task"), Index("ix_timed_task_what_at", "what", "at"))

    id: Mapped[int] = mapped_column(primary_key=True)
    occasion_id: Mapped[int] = mapped_column(ForeignKey("occasion.id", ondelete="CASCADE"))
    task: Mapped[str]
    what: Mapped[str]
    predicted: Mapped[float]
    observed: Mapped[float]
    says: Mapped[str]
    at: Mapped[datetime]
    teaches: Mapped[bool] = mapped_column(default=True)
