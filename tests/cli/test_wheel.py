"""A wheel, installed away from the checkout: its command, its pages, its migrations, and what it says it needs."""

import json
import os
import sqlite3
import subprocess
import sys
import sysconfig
import tempfile
import unittest
import urllib.request
import venv
import zipfile
from contextlib import closing
from pathlib import Path

from hearth_bowl.paths import ROOT
from hearth_bowl.server import FILE
from tests.api.server import free_port

OLD = ROOT / "tests" / "store" / "version_0005" / "data.sql"


class Wheel(unittest.TestCase):
    """Its dependencies are this environment's own, so that nothing is fetched; that it names them is checked apart."""

    folder: Path
    command: Path
    wheel: Path

    @classmethod
    def setUpClass(cls) -> None:
        kept = tempfile.TemporaryDirectory()
        cls.addClassCleanup(kept.cleanup)
        cls.folder = Path(kept.name)
        subprocess.run(["sh", ROOT / "hearth", "wheel", cls.folder / "wheels"], check=True, capture_output=True)
        (cls.wheel,) = (cls.folder / "wheels").glob("hearth_bowl-*.whl")
        venv.create(cls.folder / "venv", with_pip=False)
        found = subprocess.run(
            [cls.folder / "venv" / "bin" / "python", "-c", "import sysconfig; print(sysconfig.get_path('purelib'))"],
            check=True,
            capture_output=True,
            text=True,
        )
        site = Path(found.stdout.strip())
        with zipfile.ZipFile(cls.wheel) as bundle:
            bundle.extractall(site)
        (site / "needed.pth").write_text(sysconfig.get_path("purelib") + "\n")
        cls.command = cls.folder / "venv" / "bin" / "python"

    def run_it(self, *arguments: str) -> str:
        """Run the installed package's own command from outside the checkout."""
        code = "import sys; from hearth_bowl.__main__ import main; sys.exit(main())"
        done = subprocess.run(
            [self.command, "-c", code, *arguments], cwd=self.folder, capture_output=True, text=True, env=self.own()
        )
        self.assertEqual(done.returncode, 0, done.stderr)
        return done.stdout

    def own(self) -> dict[str, str]:
        kept = {name: value for name, value in os.environ.items() if name != "PYTHONPATH"}
        return {**kept, "XDG_DATA_HOME": str(self.folder / "data"), "HOME": str(self.folder)}

    def test_it_names_its_command_and_everything_that_it_needs(self) -> None:
        with zipfile.ZipFile(self.wheel) as bundle:
            told = {
                name.rpartition("/")[2]: bundle.read(name).decode() for name in bundle.namelist() if "-info/" in name
            }
        self.assertIn("hearth-bowl = hearth_bowl.__main__:main", told["entry_points.txt"])
        for name in ("flask", "sqlalchemy", "alembic", "ortools", "reportlab", "scipy", "cheroot", "whitenoise"):
            self.assertIn(f"Requires-Dist: {name}", told["METADATA"])

    def test_its_verbs_answer_and_it_is_not_the_checkout_that_answers(self) -> None:
        self.assertIn("version", json.loads(self.run_it("--version")))
        self.assertIn(
            "minutes",
            json.loads(
                self.run_it("cool", "--thickness-mm", "16", "--from-c", "36", "--to-c", "18", "--place", "fridge")
            ),
        )
        where = subprocess.run(
            [self.command, "-c", "import hearth_bowl; print(hearth_bowl.__file__)"],
            cwd=self.folder,
            capture_output=True,
            text=True,
            check=True,
            env=self.own(),
        )
        self.assertTrue(where.stdout.startswith(str(self.folder)), where.stdout)

    def test_an_old_file_opens_in_it_and_its_pages_are_served(self) -> None:
        data, port = self.folder / "kitchen", free_port()
        data.mkdir()
        with closing(sqlite3.connect(data / FILE)) as old:
            old.executescript(OLD.read_text("utf-8"))
            names = {row[0] for row in old.execute("SELECT name FROM recipe")}
        command = [self.command, "-m", "hearth_bowl", "serve", "--port", str(port), "--data", data]
        server = subprocess.Popen(command, cwd=self.folder, stdout=subprocess.PIPE, text=True, env=self.own())
        try:
            assert server.stdout is not None
            self.assertIn("Hearth Bowl is at", server.stdout.readline())
            root = f"http://127.0.0.1:{port}"
            found = json.loads(self.fetched(f"{root}/api/recipes"))
            self.assertEqual({row["name"] for row in found["recipes"]}, names)
            self.assertIn(b"<title>", self.fetched(f"{root}/"))
            notices = json.loads(self.fetched(f"{root}/assets/notices.json"))
            kinds = {row["kind"] for row in notices["packages"]}
            self.assertEqual(kinds, {"font", "script", "python"})
            self.assertEqual([row for row in notices["packages"] if row["licence"] == "not installed here"], [])
            self.assertTrue(self.fetched(f"{root}/api/recipes/1/card.pdf").startswith(b"%PDF-"))
        finally:
            server.terminate()
            server.communicate(timeout=20)

    @staticmethod
    def fetched(address: str) -> bytes:
        with urllib.request.urlopen(address, timeout=20) as answer:
            data: bytes = answer.read()
        return data


if __name__ == "__main__":
    sys.exit(unittest.main())
