"""How long tasks of an order took, by their begin and end: what they teach of the pace of hands.

Revision ID: 0021
Revises: 0020
"""

import sqlalchemy as sa
from alembic import op

revision = "0021"
down_revision = "0020"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision."""
    op.create_table(
        "timed_task",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("occasion_id", sa.Integer(), nullable=False),
        sa.Column("task", sa.String(), nullable=False),
        sa.Column("what", sa.String(), nullable=False),
        sa.Column("predicted", sa.Double(), nullable=False),
        sa.Column("observed", sa.Double(), nullable=False),
        sa.Column("says", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("teaches", sa.Boolean(), nullable=False),
        sa.ForeignKeyConstraint(
            ["occasion_id"], ["occasion.id"], name="fk_timed_task_occasion_id_occasion", ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name="pk_timed_task"),
        sa.UniqueConstraint("occasion_id", "task", name="uq_timed_task_occasion_id"),
    )
    op.create_index("ix_timed_task_what_at", "timed_task", ["what", "at"])


def downgrade() -> None:
    """Go back: what these tasks taught is forgotten."""
    op.drop_index("ix_timed_task_what_at", "timed_task")
    op.drop_table("timed_task")
