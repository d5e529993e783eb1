"""A recipe is one document; a batch keeps its plan; asks say their kind; what happened is of one kind each.

Revision ID: 0006
Revises: 0005
"""

import json
from typing import Any

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None

ANY = ("mass_g", "loss_pct", "loss_g", "overrun_pct")
COUNTED = (*ANY, "pieces", "spares")
DIPPED = (*COUNTED, "shell", "coat_mm", "coated", "dip_bowl_mm")
ASKED = {
    "pan": (*DIPPED, "thickness_mm", "piece_mm", "trim_mm", "kerf_mm"),
    "mould": (
        *COUNTED, "shell", "wall_mm", "cap_mm", "headroom_mm", "halves", "colours", "mix_g_per_cup", "mug_mm",
    ),
    "cup": (*COUNTED, "shell", "wall_mm", "cap_mm", "headroom_mm"),
    "scoop": (*DIPPED, "core_g", "rolling"),
    "pieces": (*DIPPED, "core_g", "rolling"),
    "cake": ANY,
}  # fmt: skip
LAYER = ("thickness_mm", "mass_g", "share")
FILLING = ("ml", "mm", "share_pct", "on_top", "overrun_pct", "texture", "lumps")
LINE_COLUMNS = (
    "ingredient_key", "own_ingredient", "amount", "amount_high", "unit", "measure", "stage", "pinned", "proposed",
    "pack_g", "piece_g",
)  # fmt: skip


def _kind_of_ask(ask: dict[str, Any], kind: str | None) -> dict[str, Any]:
    """Return an ask with its kind, without what its kind has not."""
    if kind not in ASKED:
        return {}
    return {"kind": kind, **{name: ask[name] for name in ASKED[kind] if ask.get(name) is not None}}


def _part(part: dict[str, Any], names: tuple[str, ...]) -> dict[str, Any]:
    return {
        "recipe_id": part["recipe_id"],
        "amount": {name: part[name] for name in names if part.get(name) is not None},
    }


def upgrade() -> None:
    """Bring the tables to this revision."""
    db = op.get_bind()
    with op.batch_alter_table("recipe", schema=None) as batch_op:
        batch_op.add_column(sa.Column("document", sa.String(), nullable=False, server_default="{}"))
    for row in db.execute(sa.text("SELECT id, name, family, use, steps, method FROM recipe")).mappings().all():
        stored_lines = db.execute(
            sa.text(f"SELECT {', '.join(LINE_COLUMNS)} FROM recipe_line WHERE recipe_id = :id ORDER BY position"),
            {"id": row["id"]},
        ).mappings()
        document = {
            "format": "hearth-bowl/recipe",
            "version": 1,
            "name": row["name"],
            "family": row["family"],
            "use": row["use"],
            "lines": [
                {
                    "ingredient": json.loads(line["own_ingredient"])
                    if line["own_ingredient"]
                    else line["ingredient_key"],
                    **{name: line[name] for name in LINE_COLUMNS[2:]},
                    "pinned": bool(line["pinned"]),
                    "proposed": bool(line["proposed"]),
                }
                for line in stored_lines
            ],
            "steps": json.loads(row["steps"]),
            "method": row["method"],
        }
        db.execute(
            sa.text("UPDATE recipe SET document = :document WHERE id = :id"),
            {"document": json.dumps(document, ensure_ascii=False), "id": row["id"]},
        )
    op.drop_table("recipe_line")
    with op.batch_alter_table("recipe", schema=None) as batch_op:
        batch_op.alter_column("document", existing_type=sa.String(), nullable=False, server_default=None)
        batch_op.drop_column("steps")
        batch_op.drop_column("method")
    with op.batch_alter_table("probe", schema=None) as batch_op:
        batch_op.add_column(sa.Column("clock_ahead_s", sa.Double(), nullable=False, server_default="0"))
    with op.batch_alter_table("probe", schema=None) as batch_op:
        batch_op.alter_column("clock_ahead_s", existing_type=sa.Double(), nullable=False, server_default=None)
    with op.batch_alter_table("batch", schema=None) as batch_op:
        batch_op.add_column(sa.Column("snapshot", sa.String(), nullable=True))
        batch_op.add_column(sa.Column("verdict", sa.String(), nullable=False, server_default="[]"))
        batch_op.add_column(sa.Column("thinned_at", sa.DateTime(), nullable=True))
    with op.batch_alter_table("batch", schema=None) as batch_op:
        batch_op.alter_column("verdict", existing_type=sa.String(), nullable=False, server_default=None)
    _carry_asks(db)
    db.execute(
        sa.text(
            "UPDATE batch_event SET kind = CASE WHEN json_extract(data, '$.start') IS NOT NULL THEN 'set-start' "
            "ELSE 'set-seen' END WHERE kind = 'set'"
        )
    )
    verdicts = sa.text("SELECT batch_id, data FROM batch_event WHERE kind = 'verdict' ORDER BY at, id")
    for batch_id, text in db.execute(verdicts).all():
        words = json.loads(text).get("words")
        kept = [word for word in words if isinstance(word, str)] if isinstance(words, list) else []
        db.execute(
            sa.text("UPDATE batch SET verdict = :words WHERE id = :id"), {"words": json.dumps(kept), "id": batch_id}
        )


def _carry_asks(db: sa.Connection) -> None:
    kinds: dict[int, str] = {row[0]: row[1] for row in db.execute(sa.text("SELECT id, kind FROM vessel"))}
    for recipe_id, vessel_id, text in db.execute(
        sa.text("SELECT recipe_id, vessel_id, document FROM recipe_fit")
    ).all():
        old = json.loads(text)
        kind = kinds.get(vessel_id)
        kept = {
            "ask": _kind_of_ask(old["ask"], kind) or None if old.get("ask") is not None else None,
            "total_mm": old.get("total_mm"),
            "layers": [_part(part, LAYER) for part in old.get("layers") or []],
            "fillings": [_part(part, FILLING) for part in old.get("fillings") or []],
        }
        db.execute(
            sa.text("UPDATE recipe_fit SET document = :document WHERE recipe_id = :id"),
            {"document": json.dumps(kept, ensure_ascii=False), "id": recipe_id},
        )
    for row_id, vessel_id, text in db.execute(sa.text("SELECT id, vessel_id, ask FROM assortment_piece")).all():
        ask = _kind_of_ask(json.loads(text), kinds.get(vessel_id))
        db.execute(
            sa.text("UPDATE assortment_piece SET ask = :ask WHERE id = :id"), {"ask": json.dumps(ask), "id": row_id}
        )
    for row_id, text in db.execute(sa.text("SELECT id, fit FROM batch")).all():
        fit = json.loads(text)
        if fit.get("vessel"):
            fit["ask"] = _kind_of_ask(fit.get("ask") or {}, fit["vessel"].get("kind"))
            db.execute(sa.text("UPDATE batch SET fit = :fit WHERE id = :id"), {"fit": json.dumps(fit), "id": row_id})


def downgrade() -> None:
    """Take it back: lines become rows again, kinds are left out of asks."""
    db = op.get_bind()
    db.execute(sa.text("UPDATE batch_event SET kind = 'set' WHERE kind IN ('set-start', 'set-seen')"))
    with op.batch_alter_table("batch", schema=None) as batch_op:
        batch_op.drop_column("thinned_at")
        batch_op.drop_column("verdict")
        batch_op.drop_column("snapshot")
    with op.batch_alter_table("probe", schema=None) as batch_op:
        batch_op.drop_column("clock_ahead_s")
    with op.batch_alter_table("recipe", schema=None) as batch_op:
        batch_op.add_column(sa.Column("steps", sa.String(), nullable=False, server_default="[]"))
        batch_op.add_column(sa.Column("method", sa.String(), nullable=True))
    op.create_table(
        "recipe_line",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("recipe_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("ingredient_key", sa.String(), nullable=True),
        sa.Column("own_ingredient", sa.String(), nullable=True),
        sa.Column("amount", sa.Double(), nullable=False),
        sa.Column("amount_high", sa.Double(), nullable=True),
        sa.Column("unit", sa.String(), nullable=False),
        sa.Column("measure", sa.String(), nullable=False),
        sa.Column("stage", sa.String(), nullable=False),
        sa.Column("pinned", sa.Boolean(), nullable=False),
        sa.Column("proposed", sa.Boolean(), nullable=False),
        sa.Column("pack_g", sa.Double(), nullable=True),
        sa.Column("piece_g", sa.Double(), nullable=True),
        sa.CheckConstraint(
            "(ingredient_key IS NULL) <> (own_ingredient IS NULL)", name=op.f("ck_recipe_line_one_ingredient")
        ),
        sa.CheckConstraint("amount >= 0", name=op.f("ck_recipe_line_amount_not_negative")),
        sa.ForeignKeyConstraint(
            ["recipe_id"], ["recipe.id"], name=op.f("fk_recipe_line_recipe_id_recipe"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_recipe_line")),
        sa.UniqueConstraint("recipe_id", "position", name=op.f("uq_recipe_line_recipe_id")),
    )
    with op.batch_alter_table("recipe_line", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_recipe_line_recipe_id"), ["recipe_id"], unique=False)
    for recipe_id, text in db.execute(sa.text("SELECT id, document FROM recipe")).all():
        document = json.loads(text)
        db.execute(
            sa.text("UPDATE recipe SET steps = :steps, method = :method WHERE id = :id"),
            {"steps": json.dumps(document["steps"]), "method": document["method"], "id": recipe_id},
        )
        for position, line in enumerate(document["lines"]):
            own = None if isinstance(line["ingredient"], str) else json.dumps(line["ingredient"], ensure_ascii=False)
            values = {
                **{name: line[name] for name in LINE_COLUMNS[2:]},
                "recipe_id": recipe_id,
                "position": position,
                "ingredient_key": line["ingredient"] if own is None else None,
                "own_ingredient": own,
            }
            db.execute(
                sa.text(
                    f"INSERT INTO recipe_line ({', '.join(values)}) VALUES ({', '.join(f':{name}' for name in values)})"
                ),
                values,
            )
    with op.batch_alter_table("recipe", schema=None) as batch_op:
        batch_op.drop_column("document")
