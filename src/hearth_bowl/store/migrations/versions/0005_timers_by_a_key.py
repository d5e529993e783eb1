"""Timers go by a key that whoever starts them may choose, and know when they began and what changed them last"""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the tables what this revision wants."""
    with op.batch_alter_table("timer") as batch:
        batch.add_column(sa.Column("key", sa.String(), nullable=True))
        batch.add_column(sa.Column("started_at", sa.DateTime(), nullable=True))
        batch.add_column(sa.Column("last_change", sa.String(), nullable=True))
    # When an older timer began was not kept: its end is the latest that it can have been.
    op.execute("UPDATE timer SET key = 'timer-' || id, started_at = ends_at")
    with op.batch_alter_table("timer") as batch:
        batch.alter_column("key", nullable=False)
        batch.alter_column("started_at", nullable=False)
        batch.create_unique_constraint(op.f("uq_timer_key"), ["key"])


def downgrade() -> None:
    """Go back."""
    with op.batch_alter_table("timer") as batch:
        batch.drop_constraint(op.f("uq_timer_key"), type_="unique")
        for column in ("last_change", "started_at", "key"):
            batch.drop_column(column)
