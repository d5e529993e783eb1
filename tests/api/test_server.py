"""The server as a person runs it: what was acknowledged survives a power cut, and one clear sentence when it cannot."""

import os
import socket
import sqlite3
import subprocess
import tempfile
import threading
import unittest
from contextlib import closing
from http.client import IncompleteRead
from pathlib import Path

import psutil

from hearth_bowl.store.migrate import migrate
from tests import command
from tests.api.server import Server, free_port
from tests.kitchen import recipe_record

ROOT = Path(__file__).resolve().parents[2]


class PowerCut(unittest.TestCase):
    def test_kill_9_amid_saves_loses_nothing_that_was_acknowledged(self) -> None:
        server = Server()
        self.addCleanup(server.stop)
        for _ in range(3):
            server.start()
            stored = server.call("GET", "/api/recipes/1")[1]
            acknowledged = {"revision": stored["revision"], "amount": stored["recipe"]["lines"][0]["amount"]}
            cut = threading.Timer(0.25, server.process.kill)  # type: ignore[union-attr]
            cut.start()
            try:
                for step in range(10_000):
                    recipe = stored["recipe"]
                    recipe["lines"][0]["amount"] = 100.0 + step
                    body = {"revision": acknowledged["revision"], "recipe": recipe}
                    status, answer = server.call("PUT", "/api/recipes/1", body)
                    self.assertEqual(status, 200)
                    acknowledged = {"revision": answer["revision"], "amount": 100.0 + step}
            except (OSError, IncompleteRead):
                pass
            cut.join()
            server.kill()
            server.start()
            found = server.call("GET", "/api/recipes/1")[1]
            self.assertIn(found["revision"] - acknowledged["revision"], (0, 1))
            if found["revision"] == acknowledged["revision"]:
                self.assertEqual(found["recipe"]["lines"][0]["amount"], acknowledged["amount"])
            self.assertEqual(len(found["recipe"]["lines"]), len(stored["recipe"]["lines"]))
            server.kill()

    def test_no_helper_outlives_its_server(self) -> None:
        server = Server()
        self.addCleanup(server.stop)
        server.start()
        assert server.process is not None
        server.call("POST", "/api/balance", {"recipe": recipe_record(), "aims": {"set_index": 2.8}})
        helpers = psutil.Process(server.process.pid).children(recursive=True)
        self.assertTrue(helpers)
        server.kill()
        _, alive = psutil.wait_procs(helpers, timeout=30)
        self.assertEqual(alive, [])


class Starting(unittest.TestCase):
    def test_a_damaged_or_newer_file_is_left_as_it_is_with_one_clear_sentence(self) -> None:
        for content in (b"not a database at all, but long enough to be read as one", None):
            with tempfile.TemporaryDirectory() as folder:
                file = Path(folder) / "hearth-bowl.sqlite3"
                if content is None:
                    migrate(file)
                    with closing(sqlite3.connect(file)) as connection:
                        connection.execute("UPDATE alembic_version SET version_num = '9999'")
                        connection.commit()
                else:
                    file.write_bytes(content)
                before = file.read_bytes()
                code, said = self.run_once("--port", str(free_port()), "--data", folder)
                self.assertEqual(code, 1)
                self.assertRegex(said, r"^The data in .* cannot be read: [^\n]*$")
                self.assertEqual(file.read_bytes(), before)

    def test_serve_begins_empty_and_keeps_what_is_there(self) -> None:
        server = Server("serve")
        self.addCleanup(server.stop)
        server.start()
        self.assertEqual(server.call("GET", "/api/recipes")[1]["recipes"], [])
        server.call("PUT", "/api/settings", {**server.call("GET", "/api/settings")[1], "altitude_m": 12.0})
        server.kill()
        server.start()
        self.assertEqual(server.call("GET", "/api/settings")[1]["altitude_m"], 12.0)

    def run_once(self, *arguments: str) -> tuple[int, str]:
        done = command.run("demo", *arguments)
        return done.returncode, done.stderr

    def test_a_port_that_is_taken_is_one_sentence(self) -> None:
        with socket.socket() as taken, tempfile.TemporaryDirectory() as folder:
            taken.bind(("127.0.0.1", 0))
            taken.listen()
            code, said = self.run_once("--port", str(taken.getsockname()[1]), "--data", folder)
        self.assertEqual(code, 1)
        self.assertRegex(said, r"^Port \d+ on 127.0.0.1 cannot be used .*\n$")

    def test_a_folder_that_cannot_be_written_is_one_sentence(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "file"
            file.touch()
            code, said = self.run_once("--port", str(free_port()), "--data", str(file / "inside"))
        self.assertEqual(code, 1)
        self.assertRegex(said, r"^The data folder .* cannot be written .*\n$")

    def test_without_python_or_node_the_script_says_so_in_one_sentence(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            for name in ("hearth", "requirements", "pyproject.toml", "web"):
                os.symlink(ROOT / name, Path(folder) / name)
            tools = Path(folder) / "tools"
            tools.mkdir()
            for tool in ("sh", "dirname", "cat", "cksum", "mkdir", "id", "find", "sort"):
                os.symlink(f"/usr/bin/{tool}", tools / tool)
            script = (Path(folder) / "hearth").read_text()
            (Path(folder) / "run").write_text(script)
            done = subprocess.run(
                ["/bin/sh", str(Path(folder) / "run"), "demo"],
                env={"PATH": str(tools)},
                capture_output=True,
                text=True,
                check=False,
            )
        self.assertEqual(done.returncode, 1)
        self.assertRegex(done.stderr, r"\A[^\n]*needs Python 3.11 or newer[^\n]*\n\Z")
