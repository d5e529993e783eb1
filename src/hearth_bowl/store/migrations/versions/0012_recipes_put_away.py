"""Recipes may be put away: out of the lists, and brought back.

Revision ID: 0012
Revises: 0011
"""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision."""
    op.add_column("recipe", sa.Column("put_away", sa.Boolean(), nullable=False, server_default=sa.false()))


def downgrade() -> None:
    """Go back."""
    op.drop_column("recipe", "put_away")
