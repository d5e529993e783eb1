"""The larder: packs with their prices, what is in the house, and the person's own ingredients."""

from sqlalchemy import CheckConstraint
from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class LarderRow(Base):
    """One ingredient: of the library by its key, or the person's own by its name as JSON. Other packs are JSON."""

    __tablename__ = "larder_item"
    __table_args__ = (
        CheckConstraint("pack_g > 0", name="pack_positive"),
        CheckConstraint("price >= 0", name="price_not_negative"),
        CheckConstraint("in_house_g >= 0", name="in_house_not_negative"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    label: Mapped[str] = mapped_column(unique=True)
    own_ingredient: Mapped[str | None]
    pack_g: Mapped[float | None]
    price: Mapped[float | None]
    country: Mapped[str]
    in_house_g: Mapped[float | None]
    other_packs: Mapped[str]
