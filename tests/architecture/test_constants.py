"""Every number of the core says where it comes from: beside it, or at the head of its file."""

import ast
import re
import unittest
from collections.abc import Iterator
from pathlib import Path

from hearth_bowl import core
from hearth_bowl.core.recipe.proportions import BASES
from hearth_bowl.paths import ROOT

SAYS = re.compile(r"source|judg|practice|definition|textbook|\b(18|19|20)\d\d\b|rounding", re.IGNORECASE)


def constants_of(path: Path) -> Iterator[tuple[str, str]]:
    """Give (name, all that is said beside it) of the module's constants that hold a number."""
    tree = ast.parse(path.read_text())
    for position, node in enumerate(tree.body):
        is_constant = isinstance(node, ast.AnnAssign) and isinstance(node.target, ast.Name)
        if not is_constant or not isinstance(node, ast.AnnAssign) or node.value is None:
            continue
        if not any(isinstance(n, ast.Constant) and isinstance(n.value, int | float) for n in ast.walk(node.value)):
            continue
        after = tree.body[position:]
        words = next((row.value for row in after if isinstance(row, ast.Expr)), None)
        beside = words.value if isinstance(words, ast.Constant) and isinstance(words.value, str) else ""
        yield ast.unparse(node.target), beside + (ast.get_docstring(tree) or "")


class Constants(unittest.TestCase):
    def test_each_has_a_source_or_is_called_a_judgement(self) -> None:
        unsaid, seen = [], 0
        for path in sorted(Path(core.__file__).parent.rglob("*.py")):
            for name, said in constants_of(path):
                seen += 1
                if not SAYS.search(said):
                    unsaid.append(f"{path.stem}.{name}")
        self.assertGreater(seen, 200)
        self.assertEqual(unsaid, [])

    def test_the_science_page_shows_our_proportions_as_they_are(self) -> None:
        page = (ROOT / "docs" / "science.md").read_text()
        for family, rows in BASES.items():
            whole_g = sum(grams for _, grams, _ in rows)
            parts = ", ".join(f"{key} {100 * grams / whole_g:.3g}" for key, grams, _ in rows)
            self.assertIn(f"| {family} | {parts} |", page)
