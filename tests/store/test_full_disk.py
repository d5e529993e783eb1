"""A disk without room: reading goes on, what is to be stored is refused in plain words, nothing half written stays."""

import io
import os
import subprocess
import tempfile
import unittest
import urllib.error
import urllib.request
from contextlib import suppress
from pathlib import Path

from PIL import Image

from hearth_bowl.server import FILE
from tests.api.server import Server
from tests.kitchen import recipe_record
from tests.ready_kitchens import kitchen_file

ROOM = "size=12m"


def can_be_made() -> bool:
    """Return whether a small disk can be mounted here."""
    with tempfile.TemporaryDirectory() as folder:
        made = subprocess.run(["mount", "-t", "tmpfs", "-o", ROOM, "tmpfs", folder], capture_output=True, check=False)
        if made.returncode == 0:
            subprocess.run(["umount", folder], check=True)
        return made.returncode == 0


@unittest.skipUnless(os.geteuid() == 0 and can_be_made(), "a small disk is mounted by root")
class Full(unittest.TestCase):
    def setUp(self) -> None:
        self.server = Server("serve")
        self.addCleanup(self.server.stop)
        self.folder = Path(self.server.folder.name)
        subprocess.run(["mount", "-t", "tmpfs", "-o", ROOM, "tmpfs", self.folder], check=True)
        self.addCleanup(subprocess.run, ["umount", "--lazy", self.folder], check=True)
        (self.folder / FILE).write_bytes(kitchen_file("season"))
        self.server.start()

    def fill(self) -> None:
        """Leave no byte."""
        with (self.folder / "ballast").open("ab", buffering=0) as ballast, suppress(OSError):
            for size in (1 << 16, 4096, 1):
                with suppress(OSError):
                    while ballast.write(bytes(size)):
                        pass

    def names(self) -> set[str]:
        return {str(path.relative_to(self.folder)) for path in self.folder.rglob("*") if path.is_file()}

    def refused(self, path: str, body: bytes | object, kind: str = "application/json") -> None:
        answer = self.server.call("POST", path, body, {"Content-Type": kind})
        self.assertEqual(answer[0], 507, (path, answer))
        self.assertIn("full", answer[1]["detail"])

    def test_reading_goes_on_and_what_is_to_be_stored_is_refused_whole(self) -> None:
        with urllib.request.urlopen(f"{self.server.url}/api/data/backup.zip") as answer:
            backup = answer.read()
        batch = self.server.call("POST", "/api/batches", {"recipe_id": 1})[1]["batch"]["id"]
        out = io.BytesIO()
        Image.effect_noise((1200, 900), 90).convert("RGB").save(out, "JPEG")
        self.fill()
        before = self.names()
        self.refused(f"/api/batches/{batch}/photographs", out.getvalue(), "image/jpeg")
        self.refused("/api/data/restore", backup, "application/zip")
        self.refused("/api/recipes", {"recipe": recipe_record(steps=["stir " * 100] * 400)})
        with self.assertRaises(urllib.error.HTTPError) as refused:
            urllib.request.urlopen(f"{self.server.url}/api/data/backup.zip")
        self.assertEqual(refused.exception.code, 507)
        refused.exception.close()
        self.assertEqual(self.names(), before)
        self.assertEqual(self.server.call("GET", "/api/recipes")[0], 200)
        self.server.kill()
        self.server.start()
        recipes = self.server.call("GET", "/api/recipes")[1]["recipes"]
        self.assertGreater(len(recipes), 5)
        (self.folder / "ballast").unlink()
        self.assertEqual(self.server.call("POST", "/api/recipes", {"recipe": recipe_record()})[0], 201)


if __name__ == "__main__":
    unittest.main()
