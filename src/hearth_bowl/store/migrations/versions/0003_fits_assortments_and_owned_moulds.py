"""Fits as they were left, boxes of assortments, how many of a mould there are, packs of other sizes"""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the tables what this revision wants."""
    op.create_table(
        "recipe_fit",
        sa.Column("recipe_id", sa.Integer(), nullable=False),
        sa.Column("vessel_id", sa.Integer(), nullable=True),
        sa.Column("document", sa.String(), nullable=False),
        sa.Column("changed_at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(
            ["recipe_id"], ["recipe.id"], name=op.f("fk_recipe_fit_recipe_id_recipe"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["vessel_id"], ["vessel.id"], name=op.f("fk_recipe_fit_vessel_id_vessel"), ondelete="SET NULL"
        ),
        sa.PrimaryKeyConstraint("recipe_id", name=op.f("pk_recipe_fit")),
    )
    op.create_table(
        "assortment",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("boxes", sa.Integer(), nullable=False),
        sa.Column("pot_g", sa.Double(), nullable=True),
        sa.Column("box_vessel_id", sa.Integer(), nullable=True),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("changed_at", sa.DateTime(), nullable=False),
        sa.CheckConstraint("boxes > 0", name=op.f("ck_assortment_boxes_positive")),
        sa.ForeignKeyConstraint(
            ["box_vessel_id"], ["vessel.id"], name=op.f("fk_assortment_box_vessel_id_vessel"), ondelete="SET NULL"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_assortment")),
    )
    op.create_table(
        "assortment_piece",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("assortment_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("recipe_id", sa.Integer(), nullable=False),
        sa.Column("vessel_id", sa.Integer(), nullable=False),
        sa.Column("per_box", sa.Integer(), nullable=False),
        sa.Column("spares", sa.Integer(), nullable=False),
        sa.Column("whole_moulds", sa.Boolean(), nullable=False),
        sa.Column("ask", sa.String(), nullable=False),
        sa.CheckConstraint("per_box > 0", name=op.f("ck_assortment_piece_per_box_positive")),
        sa.ForeignKeyConstraint(
            ["assortment_id"],
            ["assortment.id"],
            name=op.f("fk_assortment_piece_assortment_id_assortment"),
            ondelete="CASCADE",
        ),
        sa.ForeignKeyConstraint(
            ["recipe_id"], ["recipe.id"], name=op.f("fk_assortment_piece_recipe_id_recipe"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["vessel_id"], ["vessel.id"], name=op.f("fk_assortment_piece_vessel_id_vessel"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_assortment_piece")),
    )
    op.create_index(op.f("ix_assortment_piece_assortment_id"), "assortment_piece", ["assortment_id"])
    with op.batch_alter_table("vessel") as batch:
        batch.add_column(sa.Column("owned", sa.Integer(), nullable=False, server_default="1"))
    with op.batch_alter_table("larder_item") as batch:
        batch.add_column(sa.Column("other_packs", sa.String(), nullable=False, server_default="[]"))


def downgrade() -> None:
    """Go back."""
    with op.batch_alter_table("larder_item") as batch:
        batch.drop_column("other_packs")
    with op.batch_alter_table("vessel") as batch:
        batch.drop_column("owned")
    op.drop_index(op.f("ix_assortment_piece_assortment_id"), table_name="assortment_piece")
    op.drop_table("assortment_piece")
    op.drop_table("assortment")
    op.drop_table("recipe_fit")
