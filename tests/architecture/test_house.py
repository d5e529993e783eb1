"""What is written down is checked: layers, the API's description, schemas, links, and words that do not belong."""

import json
import re
import subprocess
import unittest
from pathlib import Path

from importlinter.cli import lint_imports
from jsonschema import Draft202012Validator
from openapi_spec_validator import validate

from hearth_bowl.demo.recipes import RECIPES
from hearth_bowl.demo.vessels import VESSELS
from hearth_bowl.paths import ROOT
from tests.kept_documents import DOCS, DOCUMENTS
from tests.kitchen import recipe_record


def tracked(*endings: str) -> list[Path]:
    listed = subprocess.run(
        ["git", "ls-files", "-co", "--exclude-standard"], cwd=ROOT, capture_output=True, text=True, check=True
    )
    paths = [ROOT / name for name in listed.stdout.splitlines()]
    return [path for path in paths if path.suffix in endings and path.is_file()]


class House(unittest.TestCase):
    def test_calls_go_down_and_the_core_is_pure(self) -> None:
        self.assertEqual(lint_imports(config_filename=str(ROOT / "pyproject.toml"), no_cache=True), 0)

    def test_what_is_kept_in_docs_is_what_the_code_says(self) -> None:
        for name, made in DOCUMENTS.items():
            kept = json.loads((DOCS / name).read_text())
            self.assertEqual(kept, json.loads(json.dumps(made())), f"{name}: run ./hearth types")
        validate(json.loads((DOCS / "openapi.json").read_text()))

    def test_no_two_bodies_have_one_name(self) -> None:
        names: list[str] = []
        for module in sorted((ROOT / "src/hearth_bowl/api").glob("*.py")):
            names += re.findall(r"^class (\w+)\((?:Incoming|Outgoing|BaseModel)\)", module.read_text(), re.MULTILINE)
        self.assertEqual(sorted(names), sorted(set(names)))
        self.assertGreater(len(names), 50)

    def test_the_schemas_in_docs_take_the_demo_and_refuse_what_the_core_refuses(self) -> None:
        recipe, vessel = (
            Draft202012Validator(json.loads((DOCS / f"{name}.schema.json").read_text()))
            for name in ("recipe", "vessel")
        )
        for record in (*RECIPES, recipe_record()):
            self.assertEqual(list(recipe.iter_errors(record)), [])
        for _, _, record in VESSELS:
            self.assertEqual(list(vessel.iter_errors(record)), [])
        self.assertFalse(recipe.is_valid(recipe_record(lines=[])))
        self.assertFalse(recipe.is_valid(recipe_record(family="toffee")))
        self.assertFalse(vessel.is_valid({"kind": "pan", "shape": "round"}))

    def test_links_in_documents_lead_somewhere(self) -> None:
        for document in tracked(".md"):
            for target in re.findall(r"\]\((?!https?:)([^)#]+)", document.read_text()):
                self.assertTrue((document.parent / target).exists(), f"{document.name}: {target}")

    def test_lock_files_name_no_registry_host(self) -> None:
        for name in ("requirements/run.txt", "requirements/dev.txt", "web/package-lock.json"):
            content = (ROOT / name).read_text()
            self.assertNotRegex(content, r"--index-url|https?://registry|\"resolved\": \"https?:", name)
