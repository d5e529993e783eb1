"""Lengths in millimetres or inches, as the person reads them.

Revision ID: 0009
Revises: 0008
"""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision."""
    with op.batch_alter_table("settings") as batch:
        batch.add_column(sa.Column("length_unit", sa.String(), nullable=False, server_default="mm"))


def downgrade() -> None:
    """Go back."""
    with op.batch_alter_table("settings") as batch:
        batch.drop_column("length_unit")
