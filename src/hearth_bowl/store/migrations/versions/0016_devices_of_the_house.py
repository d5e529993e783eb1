"""Devices of the house that were let in.

Revision ID: 0016
Revises: 0015
"""

import sqlalchemy as sa
from alembic import op

revision = "0016"
down_revision = "0015"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision."""
    op.create_table(
        "paired_device",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("role", sa.String(), nullable=False),
        sa.Column("secret_hash", sa.String(), nullable=False),
        sa.Column("paired_at", sa.DateTime(), nullable=False),
        sa.Column("seen_at", sa.DateTime(), nullable=False),
        sa.CheckConstraint("role IN ('cook', 'helper', 'thermometer')", name="ck_paired_device_role_known"),
        sa.PrimaryKeyConstraint("id", name="pk_paired_device"),
        sa.UniqueConstraint("secret_hash", name="uq_paired_device_secret_hash"),
    )


def downgrade() -> None:
    """Go back."""
    op.drop_table("paired_device")
