"""Every number of the core says where it comes from: beside it, or at the head of its file."""

import ast
import re
import unittest
from collections.abc import Iterator
from pathlib import Path

from hearth_bowl import core
from hearth_bowl.core.ingredients.components import COMPONENTS
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.proportions import BASES
from hearth_bowl.paths import ROOT

SAYS = re.compile(
    r"source|judg|practice|definition|textbook|handbook|food tables|regulation|\b(18|19|20)\d\d\b", re.IGNORECASE
)
KEYS = {key for key in LIBRARY if key not in COMPONENTS}
NAMES_THEM = ("ingredients/", "recipe/written/", "recipe/proportions.py", "solve/starters.py")
"""Where a key may stand in a list: the table itself, what words mean, and our proportions."""

OFFERED = ("boxes/table.py: ['dark60', 'dark70']",)
"""Chocolates that are offered in another's place: a choice, no rule of what an ingredient is."""


def constants_of(path: Path) -> Iterator[tuple[str, str]]:
    """Give (name, all that is said of it alone) of the module's constants that hold a number."""
    source = path.read_text()
    lines, body = source.splitlines(), ast.parse(source).body
    for node, after in zip(body, [*body[1:], None], strict=True):
        if not isinstance(node, ast.AnnAssign | ast.Assign) or node.value is None:
            continue
        numbers = [n for n in ast.walk(node.value) if isinstance(n, ast.Constant) and type(n.value) in (int, float)]
        if not numbers:
            continue
        is_docstring = isinstance(after, ast.Expr) and isinstance(after.value, ast.Constant)
        beside = str(after.value.value) if is_docstring else ""  # type: ignore[union-attr]
        comments = [line.partition("#")[2] for line in lines[node.lineno - 1 : node.end_lineno]]
        yield ast.unparse(node.targets[0] if isinstance(node, ast.Assign) else node.target), beside + " ".join(comments)


class Constants(unittest.TestCase):
    def test_each_says_itself_its_source_or_that_it_is_a_judgement(self) -> None:
        unsaid, seen = [], 0
        for path in sorted(Path(core.__file__).parent.rglob("*.py")):
            for name, said in constants_of(path):
                seen += 1
                if not SAYS.search(said):
                    unsaid.append(f"{path.stem}.{name}")
        self.assertGreater(seen, 500)
        self.assertEqual(unsaid, [])

    def test_no_rule_stands_on_a_list_of_ingredients_outside_their_room(self) -> None:
        root, found = Path(core.__file__).parent, []
        for path in sorted(root.rglob("*.py")):
            name = path.relative_to(root).as_posix()
            for node in ast.walk(ast.parse(path.read_text())):
                if name.startswith("ingredients/"):
                    continue
                named = [n.value for n in ast.walk(node) if isinstance(n, ast.Constant) and n.value in KEYS]
                if isinstance(node, ast.Compare) and "ingredient.key" in ast.unparse(node) and named:
                    found.append(f"{name}: {ast.unparse(node)}")
                if isinstance(node, ast.Set | ast.List | ast.Tuple) and not name.startswith(NAMES_THEM):
                    named = [n.value for n in node.elts if isinstance(n, ast.Constant) and n.value in KEYS]
                    if len(named) > 1 and f"{name}: {named}" not in OFFERED:
                        found.append(f"{name}: {named}")
        self.assertEqual(found, [])

    def test_the_science_page_shows_our_proportions_as_they_are(self) -> None:
        page = (ROOT / "docs" / "science.md").read_text()
        for family, rows in BASES.items():
            whole_g = sum(grams for _, grams, _ in rows)
            parts = ", ".join(f"{key} {100 * grams / whole_g:.3g}" for key, grams, _ in rows)
            self.assertIn(f"| {family} | {parts} |", page)
