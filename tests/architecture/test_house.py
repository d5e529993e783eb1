"""What is written down is checked: layers, the API's description, schemas, links, and words that do not belong."""

import json
import re
import subprocess
import sys
import unittest
from dataclasses import fields, is_dataclass
from pathlib import Path
from typing import Any, cast

from importlinter.cli import lint_imports
from jsonschema import Draft202012Validator
from openapi_spec_validator import validate
from pydantic import BaseModel

from hearth_bowl.api.spec import spec
from hearth_bowl.app import create_app
from hearth_bowl.demo.recipes import RECIPES
from hearth_bowl.demo.vessels import VESSELS
from hearth_bowl.paths import ROOT
from hearth_bowl.store.db import Database
from tests.kept_documents import DOCS, DOCUMENTS
from tests.kitchen import recipe_record


def tracked(*endings: str) -> list[Path]:
    listed = subprocess.run(
        ["git", "ls-files", "-co", "--exclude-standard"], cwd=ROOT, capture_output=True, text=True, check=True
    )
    paths = [ROOT / name for name in listed.stdout.splitlines()]
    return [path for path in paths if path.suffix in endings and path.is_file()]


def _module(path: Path) -> Path:
    """Return the file that an import of the page leads to."""
    whole = path.resolve()
    tries = (whole.with_name(whole.name + ".ts"), whole.with_name(whole.name + ".tsx"), whole / "index.ts")
    return next((one for one in tries if one.is_file()), whole)


class House(unittest.TestCase):
    def test_calls_go_down_and_the_core_is_pure(self) -> None:
        self.assertEqual(lint_imports(config_filename=str(ROOT / "pyproject.toml"), no_cache=True), 0)

    def test_what_is_kept_in_docs_is_what_the_code_says(self) -> None:
        for name, made in DOCUMENTS.items():
            kept = json.loads((DOCS / name).read_text())
            self.assertEqual(kept, json.loads(json.dumps(made())), f"{name}: run ./hearth types")
        validate(json.loads((DOCS / "openapi.json").read_text()))

    def test_no_two_bodies_have_one_name(self) -> None:
        create_app(cast(Database, None), ROOT)
        shapes: dict[str, Any] = {}
        for name, (model, mode) in spec._later.items():
            schema = spec.model_adapter.json_schema(model, ref_template="#/{model}", mode=mode)
            inner = schema.pop("$defs", {})
            for other, shape in {name: schema, **inner}.items():
                with self.subTest(other):
                    self.assertEqual(shapes.setdefault(other, shape), shape)
        self.assertGreater(len(shapes), 100)

    def test_no_body_says_again_what_a_dataclass_says(self) -> None:
        said = {}
        for name, module in list(sys.modules.items()):
            if re.match(r"hearth_bowl\.(core|service|formats)\.", name):
                for thing in vars(module).values():
                    if isinstance(thing, type) and is_dataclass(thing):
                        said[frozenset(one.name for one in fields(thing))] = thing.__name__
        for model, _ in spec._later.values():
            if issubclass(model, BaseModel) and len(model.model_fields) > 1:
                self.assertIsNone(said.get(frozenset(model.model_fields)), model.__name__)

    def test_files_named_in_documents_are_there(self) -> None:
        homes = (ROOT, ROOT / "src" / "hearth_bowl")
        count = 0
        for document in ("architecture.md", "science.md"):
            for path in re.findall(
                r"`((?:core|service|api|store|formats|web|tests|docs|cli)/[\w/.-]+)`", (DOCS / document).read_text()
            ):
                count += 1
                self.assertTrue(any((home / path).exists() for home in homes), f"{document}: {path}")
        self.assertGreater(count, 60)

    def test_the_page_imports_in_no_circle_and_every_place_by_its_door(self) -> None:
        source = ROOT / "web" / "src"
        imports = {}
        for file in [*source.rglob("*.ts"), *source.rglob("*.tsx")]:
            found = re.findall(r'^(?:import|export)[^;]*? from "(\.[^"]+)"', file.read_text(), re.MULTILINE)
            imports[file] = [_module(file.parent / target) for target in found]
            for target in imports[file]:
                place = target.relative_to(source).parts
                own = file.relative_to(source).parts
                if place[0] == "features" and own[:2] != place[:2]:
                    self.assertEqual(target.name, "index.ts", f"{file.name} goes past the door of {place[1]}")
        done: set[Path] = set()

        def visit(file: Path, above: tuple[Path, ...]) -> None:
            self.assertNotIn(file, above, " → ".join(path.name for path in (*above, file)))
            if file not in done:
                for target in imports.get(file, []):
                    visit(target, (*above, file))
                done.add(file)

        for file in imports:
            visit(file, ())

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
