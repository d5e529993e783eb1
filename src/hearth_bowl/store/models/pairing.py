"""Devices of the house that were let in: tablets, phones, thermometer gateways."""

from datetime import datetime

from sqlalchemy import CheckConstraint, ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class PairedDeviceRow(Base):
    """A device by its name and what it may do. Of its secret only the hash is kept. Removing it deletes the row.

    `paired_by` is the device that made its code or key; it is removed with that one.
    """

    __tablename__ = "paired_device"
    __table_args__ = (CheckConstraint("role IN ('cook', 'helper', 'thermometer')", name="role_known"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    role: Mapped[str]
    secret_hash: Mapped[str] = mapped_column(unique=True)
    paired_at: Mapped[datetime]
    seen_at: Mapped[datetime]
    paired_by: Mapped[int | None] = mapped_column(ForeignKey("paired_device.id", ondelete="CASCADE"))
