"""The running order: what is wished of it, the order as it was planned, and what has happened of it.

Revision ID: 0013
Revises: 0012
"""

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision."""
    op.add_column("occasion", sa.Column("wishes", sa.String(), nullable=False, server_default="{}"))
    op.create_table(
        "occasion_order",
        sa.Column("occasion_id", sa.Integer(), nullable=False),
        sa.Column("document", sa.String(), nullable=False),
        sa.Column("planned_at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(
            ["occasion_id"], ["occasion.id"], name=op.f("fk_occasion_order_occasion_id_occasion"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("occasion_id", name=op.f("pk_occasion_order")),
    )
    op.create_table(
        "occasion_happening",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("occasion_id", sa.Integer(), nullable=False),
        sa.Column("task", sa.String(), nullable=False),
        sa.Column("starts_at", sa.DateTime(), nullable=False),
        sa.Column("ends_at", sa.DateTime(), nullable=True),
        sa.ForeignKeyConstraint(
            ["occasion_id"],
            ["occasion.id"],
            name=op.f("fk_occasion_happening_occasion_id_occasion"),
            ondelete="CASCADE",
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_occasion_happening")),
        sa.UniqueConstraint("occasion_id", "task", name=op.f("uq_occasion_happening_occasion_id")),
    )
    op.create_index(op.f("ix_occasion_happening_occasion_id"), "occasion_happening", ["occasion_id"])


def downgrade() -> None:
    """Go back."""
    op.drop_table("occasion_happening")
    op.drop_table("occasion_order")
    op.drop_column("occasion", "wishes")
