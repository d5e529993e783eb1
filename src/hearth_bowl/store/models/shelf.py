"""What was made and lies on the shelf, and what happened to it."""

from datetime import date, datetime

from sqlalchemy import CheckConstraint, Date, ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class MakingRow(Base):
    """A confection that was made, as it was on that day: `label` and `lasting` are documents of then, of one piece.

    It stays when its confection goes.
    """

    __tablename__ = "making"
    __table_args__ = (CheckConstraint("pieces > 0", name="pieces_positive"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    client_key: Mapped[str] = mapped_column(unique=True)
    confection_id: Mapped[int | None] = mapped_column(ForeignKey("confection.id", ondelete="SET NULL"), index=True)
    name: Mapped[str]
    made_on: Mapped[date] = mapped_column(Date())
    pieces: Mapped[int]
    label: Mapped[str]
    lasting: Mapped[str]
    created_at: Mapped[datetime]


class MakingMoveRow(Base):
    """What happened to a making: eaten, given, thrown away, frozen or thawed."""

    __tablename__ = "making_move"

    id: Mapped[int] = mapped_column(primary_key=True)
    making_id: Mapped[int] = mapped_column(ForeignKey("making.id", ondelete="CASCADE"), index=True)
    client_key: Mapped[str] = mapped_column(unique=True)
    on_day: Mapped[date] = mapped_column(Date())
    what: Mapped[str]
    pieces: Mapped[int]
