"""The larder as CSV: one ingredient a row; own ingredients with their composition."""

import csv
import io
from collections.abc import Iterable, Mapping
from typing import Any, Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.components import COMPONENTS
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.formats.csv_cells import csv_rows, safe_cell

PACK_COLUMNS: Final = ("label", "pack_g", "price", "country", "in_house_g", "other_packs")
NOT_KNOWN: Final = "?"
"""Allergens that nobody has looked up yet: not the same as none."""
OWN_COLUMNS: Final = ("kind", "density_g_per_ml", "other_fat_kind", "allergens", "allergens_named", *COMPONENTS)
MOST_ROWS: Final = 5000


def write_larder(items: Iterable[Mapping[str, Any]]) -> str:
    """Return the larder as CSV, with a head row."""
    out = io.StringIO()
    writer = csv.DictWriter(out, [*PACK_COLUMNS, *OWN_COLUMNS], lineterminator="\n")
    writer.writeheader()
    for item in items:
        row = {name: _shown(item.get(name)) for name in PACK_COLUMNS}
        row["other_packs"] = "; ".join(_pack_text(pack) for pack in item.get("other_packs", ()))
        own = item.get("ingredient")
        if own is not None:
            row |= {name: _shown(own.get(name)) for name in ("kind", "density_g_per_ml", "other_fat_kind")}
            known = own.get("allergens", [])
            row["allergens"] = NOT_KNOWN if known is None else " ".join(known)
            row["allergens_named"] = " ".join(own.get("allergens_named", []))
            row |= {name: _shown(pct) for name, pct in own["composition_pct"].items()}
        writer.writerow(row)
    return out.getvalue()


def _pack_text(pack: Mapping[str, Any]) -> str:
    """Write a pack of another size as `200 g`, or with its price as `200 g 3.5`."""
    price = "" if pack["price"] is None else f" {pack['price']:.10g}"
    return f"{pack['pack_g']:.10g} g{price}"


def _packs(position: int, text: str) -> list[dict[str, Any]]:
    packs = []
    for part in filter(str.strip, text.split(";")):
        size, _, price = part.strip().partition(" g")
        packs.append(
            {
                "pack_g": _number(position, "other_packs", size.strip()),
                "price": _number(position, "other_packs", price.strip()),
            }
        )
    return packs


def _shown(value: object) -> str:
    if isinstance(value, float):
        return f"{value:.10g}"
    return "" if value is None else safe_cell(str(value))


def read_larder(text: str) -> list[dict[str, Any]]:
    """Return the rows of a CSV as the larder takes them; columns that are not known are left alone.

    :raises BadInput: naming the row and column.
    """
    columns, rows = csv_rows(text)
    if "label" not in columns:
        raise BadInput(("csv",), "there is no column 'label'", "a head row with " + ", ".join(PACK_COLUMNS), "missing")
    taken = []
    for position, row in enumerate(rows):
        if position >= MOST_ROWS:
            raise BadInput(("csv",), "too many rows", f"up to {MOST_ROWS}", "out-of-range")
        if row["label"]:
            taken.append(_row(position, row))
    return taken


def _row(position: int, row: Mapping[str, str]) -> dict[str, Any]:
    item: dict[str, Any] = {"label": row["label"], "country": row.get("country", "")}
    item |= {name: _number(position, name, row.get(name, "")) for name in ("pack_g", "price", "in_house_g")}
    if row.get("other_packs") is not None:
        item["other_packs"] = _packs(position, row["other_packs"])
    if row["label"] not in LIBRARY and any(row.get(name) for name in COMPONENTS):
        item["ingredient"] = {
            "name": row["label"],
            "kind": row.get("kind") or "other",
            "other_fat_kind": row.get("other_fat_kind") or "oil",
            "density_g_per_ml": _number(position, "density_g_per_ml", row.get("density_g_per_ml", "") or "1"),
            "allergens": None if row.get("allergens") == NOT_KNOWN else row.get("allergens", "").split(),
            "allergens_named": row.get("allergens_named", "").split(),
            "composition_pct": {name: _number(position, name, row[name]) for name in COMPONENTS if row.get(name)},
        }
    return item


def _number(position: int, name: str, text: str) -> float | None:
    if not text:
        return None
    try:
        return float(text.replace(",", "."))
    except ValueError:
        raise BadInput(("rows", position, name), f"{text[:40]!r} is not a number", "a number", "not-a-number") from None
