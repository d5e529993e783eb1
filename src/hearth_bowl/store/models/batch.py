"""Batches: a run from its kept version to its verdict, and everything that happened in it."""

from datetime import datetime

from sqlalchemy import ForeignKey, Index, UniqueConstraint, true
from sqlalchemy.orm import Mapped, mapped_column

from hearth_bowl.store.models.base import Base


class BatchRow(Base):
    """One batch. The recipe as it was made, its choices, its fit and its snapshot (steps, kitchen, thermometer) are
    JSON and never change; a batch from before there were snapshots gets its own when the file is next opened.
    `verdict` holds the last one's words; `thinned_at` is when its readings were thinned. `found_by` are the words that
    it is found by, `sketch` its trace in few points, `teaches` whether the kitchen learns from it."""

    __tablename__ = "batch"
    __table_args__ = (Index("ix_batch_found", "started_at", "family", "verdict", "found_by"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    recipe_id: Mapped[int | None] = mapped_column(ForeignKey("recipe.id", ondelete="SET NULL"), index=True)
    name: Mapped[str]
    version: Mapped[int | None]
    document: Mapped[str]
    choices: Mapped[str]
    fit: Mapped[str]
    probe_id: Mapped[str]
    step: Mapped[int]
    started_at: Mapped[datetime]
    ended_at: Mapped[datetime | None]
    snapshot: Mapped[str | None]
    verdict: Mapped[str]
    thinned_at: Mapped[datetime | None]
    family: Mapped[str] = mapped_column(default="", server_default="")
    found_by: Mapped[str] = mapped_column(default="", server_default="")
    sketch: Mapped[str] = mapped_column(default="[]", server_default="[]")
    teaches: Mapped[bool] = mapped_column(default=True, server_default=true())


class BatchEventRow(Base):
    """Something that happened: a step, a gate, a mark, a weight, a cue, a note, the verdict. `client_key` is the page's
    own: the same event sent twice is stored once."""

    __tablename__ = "batch_event"
    __table_args__ = (UniqueConstraint("batch_id", "client_key"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    batch_id: Mapped[int] = mapped_column(ForeignKey("batch.id", ondelete="CASCADE"), index=True)
    client_key: Mapped[str]
    at: Mapped[datetime]
    kind: Mapped[str]
    data: Mapped[str]


class LessonRow(Base):
    """One thing that a batch teaches: what was seen beside what the book predicts, both in `unit`."""

    __tablename__ = "lesson"
    __table_args__ = (Index("ix_lesson_what_at", "what", "at"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    batch_id: Mapped[int] = mapped_column(ForeignKey("batch.id", ondelete="CASCADE"), index=True)
    what: Mapped[str]
    predicted: Mapped[float]
    observed: Mapped[float]
    by: Mapped[str]
    unit: Mapped[str]
    says: Mapped[str]
    at: Mapped[datetime]


class PhotographRow(Base):
    """A photograph of a batch; its file lies beside the database."""

    __tablename__ = "photograph"

    id: Mapped[int] = mapped_column(primary_key=True)
    batch_id: Mapped[int] = mapped_column(ForeignKey("batch.id", ondelete="CASCADE"), index=True)
    at: Mapped[datetime]
    file: Mapped[str]
    width_px: Mapped[int]
    height_px: Mapped[int]


class ProbeRow(Base):
    """A thermometer that sends readings; `speed` is how fast a stand-in plays, `clock_ahead_s` by how much the
    device's own clock goes ahead."""

    __tablename__ = "probe"

    id: Mapped[str] = mapped_column(primary_key=True)
    name: Mapped[str]
    speed: Mapped[float]
    clock_ahead_s: Mapped[float]


class ReadingRow(Base):
    """One reading as the probe showed it; None when the sensor said nothing."""

    __tablename__ = "reading"
    __table_args__ = (Index("ix_reading_probe_at", "probe_id", "at"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    probe_id: Mapped[str] = mapped_column(ForeignKey("probe.id", ondelete="CASCADE"))
    at: Mapped[datetime]
    shown_c: Mapped[float | None]


class WeightRow(Base):
    """A settled weight as a scale showed it."""

    __tablename__ = "weight"
    __table_args__ = (Index("ix_weight_scale_at", "scale_id", "at"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    scale_id: Mapped[str]
    at: Mapped[datetime]
    shown_g: Mapped[float]


class TimerRow(Base):
    """A named clock: a moment, not a countdown. Paused, it knows what is left.

    It goes by `key`; `last_change` is the key of the change that came last, which is not made twice.
    """

    __tablename__ = "timer"

    id: Mapped[int] = mapped_column(primary_key=True)
    key: Mapped[str] = mapped_column(unique=True)
    last_change: Mapped[str | None]
    started_at: Mapped[datetime]
    batch_id: Mapped[int | None] = mapped_column(ForeignKey("batch.id", ondelete="CASCADE"), index=True)
    name: Mapped[str]
    ends_at: Mapped[datetime]
    paused_left_s: Mapped[float | None]
    stopped_at: Mapped[datetime | None]
