"""Recipes are found by an index of their words, and listed without reading their documents.

Revision ID: 0018
Revises: 0017
"""

import sqlalchemy as sa
from alembic import op

revision = "0018"
down_revision = "0017"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision. The words themselves are written by the application, which knows them."""
    op.add_column("recipe", sa.Column("listed", sa.String(), nullable=False, server_default=""))
    op.add_column("recipe", sa.Column("listed_by", sa.Integer(), nullable=False, server_default="0"))
    op.create_index("ix_recipe_listed_by", "recipe", ["listed_by"])
    op.create_index("ix_recipe_put_away_changed_at", "recipe", ["put_away", "changed_at", "id"])
    op.execute("CREATE VIRTUAL TABLE recipe_words USING fts5(words, verdicts, tokenize='trigram')")


def downgrade() -> None:
    """Go back."""
    op.drop_table("recipe_words")
    op.drop_index("ix_recipe_put_away_changed_at", "recipe")
    op.drop_index("ix_recipe_listed_by", "recipe")
    op.drop_column("recipe", "listed_by")
    op.drop_column("recipe", "listed")
