"""Run every test: `python -m tests`, or `python -m tests core api` for some folders. Closes with what passed."""

import sys
import unittest
from pathlib import Path

HERE = Path(__file__).parent


def main(folders: list[str]) -> int:
    """Run the tests of all or some folders; return the exit code."""
    loader = unittest.TestLoader()
    suite = unittest.TestSuite()
    for folder in folders or sorted(path.name for path in HERE.iterdir() if (path / "__init__.py").is_file()):
        suite.addTests(loader.discover(str(HERE / folder), top_level_dir=str(HERE.parent)))
    result = unittest.TextTestRunner(verbosity=1).run(suite)
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    skipped = len(result.skipped)
    print(f"{result.testsRun - failed - skipped} passed, {failed} failed" + (f", {skipped} skipped" if skipped else ""))
    return 1 if failed or not result.testsRun else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
