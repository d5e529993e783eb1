"""The script: a copied checkout sets itself up and leaves the one that it was copied from alone."""

import shutil
import subprocess
import tempfile
import unittest
from pathlib import Path

from hearth_bowl.paths import ROOT


class Copied(unittest.TestCase):
    def test_a_copy_runs_its_own_interpreter_and_no_script_that_names_another_folder(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        copy, original = Path(folder.name) / "copy", Path(folder.name) / "original"
        shutil.copytree(ROOT / "requirements", copy / "requirements")
        for name in ("hearth", "pyproject.toml"):
            shutil.copy(ROOT / name, copy / name)
        programs = copy / ".venv" / "bin"
        programs.mkdir(parents=True)
        for name, runs in (("python", copy / "ran"), ("pip", original), ("hearth-bowl", original)):
            (programs / name).write_text(f'#!/bin/sh\necho "$*" >>"{runs}"\n')
            (programs / name).chmod(0o755)
        done = subprocess.run(["sh", copy / "hearth", "verbs"], capture_output=True, text=True, check=False)
        self.assertEqual(done.returncode, 0, done.stderr)
        self.assertFalse(original.exists())
        ran = (copy / "ran").read_text().splitlines()
        self.assertTrue(any(f"-e {copy}" in line for line in ran), ran)
        self.assertEqual(ran[-1], "-m hearth_bowl verbs")


if __name__ == "__main__":
    unittest.main()
