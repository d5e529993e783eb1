"""Where things are on this machine: in a checkout, or installed from a wheel."""

from pathlib import Path
from typing import Final

from platformdirs import user_data_path

ROOT: Final = Path(__file__).resolve().parents[2]
PAGES: Final = Path(__file__).resolve().parent / "pages"
"""The built pages as a wheel carries them."""
IS_INSTALLED: Final = PAGES.is_dir()
WEB: Final = PAGES if IS_INSTALLED else ROOT / "web" / "dist"
NAME: Final = "hearth-bowl"
DEMO_DATA: Final = user_data_path(NAME, appauthor=False) / "demo" if IS_INSTALLED else ROOT / "demo-data"


def own_data() -> Path:
    """Return the person's own data folder, as the platform has it."""
    return user_data_path(NAME, appauthor=False)
