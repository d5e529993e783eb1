"""Each paired device names the device that paired it, so that both are removed together.

Revision ID: 0017
Revises: 0016
"""

import sqlalchemy as sa
from alembic import op

revision = "0017"
down_revision = "0016"
branch_labels = None
depends_on = None

KEPT = "id, name, role, secret_hash, paired_at, seen_at"


def upgrade() -> None:
    """Bring the tables to this revision. Who paired the devices of before is unknown: this machine stands for it."""
    _rebuild(
        sa.Column("paired_by", sa.Integer(), nullable=True),
        sa.ForeignKeyConstraint(
            ["paired_by"], ["paired_device_new.id"], name="fk_paired_device_paired_by_paired_device", ondelete="CASCADE"
        ),
    )


def downgrade() -> None:
    """Go back."""
    _rebuild()


def _rebuild(*added: sa.schema.SchemaItem) -> None:
    op.create_table(
        "paired_device_new",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("role", sa.String(), nullable=False),
        sa.Column("secret_hash", sa.String(), nullable=False),
        sa.Column("paired_at", sa.DateTime(), nullable=False),
        sa.Column("seen_at", sa.DateTime(), nullable=False),
        *added,
        sa.CheckConstraint("role IN ('cook', 'helper', 'thermometer')", name="ck_paired_device_role_known"),
        sa.PrimaryKeyConstraint("id", name="pk_paired_device"),
        sa.UniqueConstraint("secret_hash", name="uq_paired_device_secret_hash"),
    )
    op.execute(f"INSERT INTO paired_device_new ({KEPT}) SELECT {KEPT} FROM paired_device")
    op.drop_table("paired_device")
    op.rename_table("paired_device_new", "paired_device")
