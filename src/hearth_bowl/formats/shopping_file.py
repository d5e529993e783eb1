"""A shopping list as CSV for other programs and as plain text to take along."""

import csv
from io import StringIO
from typing import Final

from hearth_bowl.core.boxes.shopping import Item, ShoppingList
from hearth_bowl.formats.csv_cells import safe_cell

COLUMNS: Final = ("ingredient", "needed_g", "in_house_g", "packs", "pack_g", "buy_g", "left_g", "cost")


def shopping_csv(wanted: ShoppingList) -> str:
    """Return a row for each pack size to buy, and one for each ingredient that needs none."""
    out = StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for item in wanted.items:
        have = "" if item.in_house_g is None else f"{item.in_house_g:.1f}"
        start = (safe_cell(item.name), f"{item.needed_g:.1f}", have)
        end = (f"{item.left_g:.1f}", "" if item.cost is None else f"{item.cost:.2f}")
        if not item.buy:
            writer.writerow((*start, "", "", f"{item.buy_g:.1f}", *end))
        for pack in item.buy:
            writer.writerow((*start, pack.count, f"{pack.pack_g:g}", f"{pack.count * pack.pack_g:.1f}", *end))
    return out.getvalue()


def shopping_text(wanted: ShoppingList, title: str) -> str:
    """Return the list as lines: first what to buy, then what is there already."""
    buy = [_to_buy(item) for item in wanted.items if item.buy or item.buy_g]
    there = [
        f"- {item.name}: {item.needed_g:.0f} g needed, {item.left_g:.0f} g left after"
        for item in wanted.items
        if not item.buy and not item.buy_g
    ]
    lines = [title, "", "To buy", *(buy or ["- nothing"])]
    if there:
        lines += ["", "In stock", *there]
    lines += ["", f"Together {wanted.cost:.2f}" + (" or more" if wanted.unpriced else "")]
    if wanted.unpriced:
        lines.append("No price known: " + ", ".join(wanted.unpriced))
    return "\n".join(lines) + "\n"


def to_buy_words(item: Item) -> str:
    """Return how many packs of which size are to be bought, else how many grams."""
    return " and ".join(f"{pack.count} x {pack.pack_g:g} g" for pack in item.buy) or f"{item.buy_g:.0f} g"


def _to_buy(item: Item) -> str:
    packs = to_buy_words(item)
    cost = "" if item.cost is None else f", {item.cost:.2f}"
    return f"- {item.name}: {packs} ({item.needed_g:.0f} g needed, {item.left_g:.0f} g left after){cost}"
