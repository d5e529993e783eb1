"""Settings: the person's units and kitchen, one row."""

from sqlalchemy import CheckConstraint
from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class SettingsRow(Base):
    """Units and kitchen. There is one row, number 1."""

    __tablename__ = "settings"
    __table_args__ = (CheckConstraint("id = 1", name="one_row"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    mass_unit: Mapped[str]
    length_unit: Mapped[str]
    temperature_unit: Mapped[str]
    measure: Mapped[str]
    kitchen_c: Mapped[float]
    altitude_m: Mapped[float]
    thermometer_in_boiling_water_c: Mapped[float | None]
    scale_step_g: Mapped[float]
    scale_most_g: Mapped[float]
