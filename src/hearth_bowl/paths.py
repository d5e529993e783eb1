"""Where things are on this machine."""

from pathlib import Path
from typing import Final

from platformdirs import user_data_path

ROOT: Final = Path(__file__).resolve().parents[2]
WEB: Final = ROOT / "web" / "dist"
DEMO_DATA: Final = ROOT / "demo-data"


def own_data() -> Path:
    """Return the person's own data folder, as the platform has it."""
    return user_data_path("hearth-bowl", appauthor=False)
