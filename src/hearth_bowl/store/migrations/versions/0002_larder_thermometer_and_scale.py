"""The larder, the kitchen's thermometer and scale, and amounts that are ours"""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the tables what this revision wants."""
    op.create_table(
        "larder_item",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("label", sa.String(), nullable=False),
        sa.Column("own_ingredient", sa.String(), nullable=True),
        sa.Column("pack_g", sa.Double(), nullable=True),
        sa.Column("price", sa.Double(), nullable=True),
        sa.Column("country", sa.String(), nullable=False),
        sa.Column("in_house_g", sa.Double(), nullable=True),
        sa.CheckConstraint("in_house_g >= 0", name=op.f("ck_larder_item_in_house_not_negative")),
        sa.CheckConstraint("pack_g > 0", name=op.f("ck_larder_item_pack_positive")),
        sa.CheckConstraint("price >= 0", name=op.f("ck_larder_item_price_not_negative")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_larder_item")),
        sa.UniqueConstraint("label", name=op.f("uq_larder_item_label")),
    )
    with op.batch_alter_table("recipe") as batch:
        batch.add_column(sa.Column("method", sa.String(), nullable=True))
    with op.batch_alter_table("recipe_line") as batch:
        batch.add_column(sa.Column("proposed", sa.Boolean(), nullable=False, server_default=sa.false()))
    with op.batch_alter_table("settings") as batch:
        batch.add_column(sa.Column("thermometer_in_boiling_water_c", sa.Double(), nullable=True))
        batch.add_column(sa.Column("scale_step_g", sa.Double(), nullable=False, server_default="1"))
        batch.add_column(sa.Column("scale_most_g", sa.Double(), nullable=False, server_default="5000"))


def downgrade() -> None:
    """Go back."""
    with op.batch_alter_table("settings") as batch:
        batch.drop_column("scale_most_g")
        batch.drop_column("scale_step_g")
        batch.drop_column("thermometer_in_boiling_water_c")
    with op.batch_alter_table("recipe") as batch:
        batch.drop_column("method")
    with op.batch_alter_table("recipe_line") as batch:
        batch.drop_column("proposed")
    op.drop_table("larder_item")
