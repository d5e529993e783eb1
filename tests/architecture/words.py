"""All texts that people read, as they stand in the sources of core and pages."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path
from typing import Final, NamedTuple

from hearth_bowl.paths import ROOT

SOURCE: Final = ROOT / "src" / "hearth_bowl"
PAGES: Final = ROOT / "web" / "src"


class Text(NamedTuple):
    """A text, and where it stands."""

    path: Path
    line: int
    words: str


def texts_of_python(path: Path) -> Iterator[Text]:
    """Yield the texts of a module that hold a space: docstrings apart, an f-string with `…` for its values."""
    tree = ast.parse(path.read_text())
    skipped = {id(part) for node in ast.walk(tree) if isinstance(node, ast.JoinedStr) for part in node.values}
    skipped |= {
        id(node.value) for node in ast.walk(tree) if isinstance(node, ast.Expr) and isinstance(node.value, ast.Constant)
    }
    for node in ast.walk(tree):
        if isinstance(node, ast.JoinedStr):
            parts = [part.value if isinstance(part, ast.Constant) else "…" for part in node.values]
            words = "".join(str(part) for part in parts)
        elif isinstance(node, ast.Constant) and isinstance(node.value, str) and id(node) not in skipped:
            words = node.value
        else:
            continue
        if " " in words.strip():
            yield Text(path, node.lineno, words)


STRING: Final = re.compile(r'"((?:[^"\\\n]|\\.)*)"|`((?:[^`\\]|\\.)*)`|>([^<>{}=;]+)(?=[<{])|\}([^<>{}=;]+)(?=[<{])')
COMMENT: Final = re.compile(r"/\*.*?\*/|(?<![:\"'`])//[^\n]*", re.S)


def texts_of_page(path: Path) -> Iterator[Text]:
    """Yield the texts of a page's module: strings, templates, and what stands between tags."""
    source = COMMENT.sub(lambda found: "\n" * found.group().count("\n"), path.read_text())
    for found in STRING.finditer(source):
        words = re.sub(r"\s+", " ", next(group for group in found.groups() if group is not None))
        if re.search(r"[A-Za-z]{2}", words) and not re.match(r"[\w./@-]+$", words.strip()):
            yield Text(path, source.count("\n", 0, found.start()) + 1, words.strip())


def all_texts() -> Iterator[Text]:
    """Yield every text of the sources."""
    for path in sorted(SOURCE.rglob("*.py")):
        yield from texts_of_python(path)
    for path in sorted(PAGES.rglob("*.ts*")):
        if ".gen." not in path.name and ".test." not in path.name:
            yield from texts_of_page(path)
