"""A test case with the application on an empty database in a temporary folder."""

import tempfile
import unittest
from pathlib import Path
from typing import Any

from flask.testing import FlaskClient

from hearth_bowl.app import create_app
from hearth_bowl.paths import WEB
from hearth_bowl.store.db import Database
from tests.ready_kitchens import kitchen_file


class AppCase(unittest.TestCase):
    """`self.client` speaks to the application; `demo` begins with the demo's data."""

    demo = False
    season = False
    """With the batches that the demo has in its daybook."""

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        path = Path(folder.name) / "test.sqlite3"
        path.write_bytes(kitchen_file("empty" if not self.demo else "season" if self.season else "demo"))
        self.database = Database(path)
        self.addCleanup(self.database.close)
        self.client: FlaskClient = create_app(self.database, WEB).test_client()

    def refused(self, method: str, path: str, status: int, **sent: Any) -> dict[str, Any]:
        """Send what must be refused; return the problem."""
        answer = self.client.open(path, method=method, **sent)
        self.assertEqual(answer.status_code, status, answer.text)
        self.assertEqual(answer.content_type, "application/problem+json")
        found: dict[str, Any] = answer.get_json(force=True)
        self.assertEqual(found["status"], status)
        return found
