"""Batches with all that happened in them, probes and their readings, timers"""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the tables what this revision wants."""
    op.create_table(
        "batch",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("recipe_id", sa.Integer(), nullable=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=True),
        sa.Column("document", sa.String(), nullable=False),
        sa.Column("choices", sa.String(), nullable=False),
        sa.Column("fit", sa.String(), nullable=False),
        sa.Column("probe_id", sa.String(), nullable=False),
        sa.Column("step", sa.Integer(), nullable=False),
        sa.Column("started_at", sa.DateTime(), nullable=False),
        sa.Column("ended_at", sa.DateTime(), nullable=True),
        sa.ForeignKeyConstraint(
            ["recipe_id"], ["recipe.id"], name=op.f("fk_batch_recipe_id_recipe"), ondelete="SET NULL"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_batch")),
    )
    op.create_index(op.f("ix_batch_recipe_id"), "batch", ["recipe_id"])
    op.create_table(
        "batch_event",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("batch_id", sa.Integer(), nullable=False),
        sa.Column("client_key", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("data", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(
            ["batch_id"], ["batch.id"], name=op.f("fk_batch_event_batch_id_batch"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_batch_event")),
        sa.UniqueConstraint("batch_id", "client_key", name=op.f("uq_batch_event_batch_id")),
    )
    op.create_index(op.f("ix_batch_event_batch_id"), "batch_event", ["batch_id"])
    op.create_table(
        "probe",
        sa.Column("id", sa.String(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("speed", sa.Double(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_probe")),
    )
    op.create_table(
        "reading",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("probe_id", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("shown_c", sa.Double(), nullable=True),
        sa.ForeignKeyConstraint(["probe_id"], ["probe.id"], name=op.f("fk_reading_probe_id_probe"), ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_reading")),
    )
    op.create_index("ix_reading_probe_at", "reading", ["probe_id", "at"])
    op.create_table(
        "weight",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("scale_id", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("shown_g", sa.Double(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_weight")),
    )
    op.create_index("ix_weight_scale_at", "weight", ["scale_id", "at"])
    op.create_table(
        "timer",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("batch_id", sa.Integer(), nullable=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("ends_at", sa.DateTime(), nullable=False),
        sa.Column("paused_left_s", sa.Double(), nullable=True),
        sa.Column("stopped_at", sa.DateTime(), nullable=True),
        sa.ForeignKeyConstraint(["batch_id"], ["batch.id"], name=op.f("fk_timer_batch_id_batch"), ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_timer")),
    )
    op.create_index(op.f("ix_timer_batch_id"), "timer", ["batch_id"])


def downgrade() -> None:
    """Go back."""
    for table in ("timer", "weight", "reading", "probe", "batch_event", "batch"):
        op.drop_table(table)
