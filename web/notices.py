"""Write what ships with Hearth Bowl, from the lock files, with each licence: `python web/notices.py FILE`.

Scripts, styles and fonts from `web/package-lock.json` (what runs in the browser, not what builds it), Python packages
from `requirements/run.txt`, their licences as they are installed.
"""

import json
import re
import sys
from importlib.metadata import PackageNotFoundError, metadata, version
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
LOCKED = re.compile(r"^([A-Za-z0-9._-]+)==([^ ;\\]+)", re.MULTILINE)


def web_packages() -> list[dict[str, str]]:
    """Return the packages of the pages that run in the browser."""
    packages = json.loads((ROOT / "web" / "package-lock.json").read_text())["packages"]
    return [
        {
            "name": path.rpartition("node_modules/")[2],
            "version": row["version"],
            "licence": row.get("license", "not said"),
            "kind": "font" if "@fontsource" in path else "script",
        }
        for path, row in packages.items()
        if path and not row.get("dev") and not row.get("devOptional")
    ]


def python_packages() -> list[dict[str, str]]:
    """Return the Python packages that run."""
    found = []
    for name, locked in LOCKED.findall((ROOT / "requirements" / "run.txt").read_text()):
        try:
            licence = licence_of(name)
        except PackageNotFoundError:
            licence = "not installed here"
        found.append({"name": name, "version": locked, "licence": licence, "kind": "python"})
    return found


def licence_of(name: str) -> str:
    """Return a package's licence in a few words."""
    told = metadata(name)
    for field in ("License-Expression", "License"):
        words = (told.get(field) or "").strip()
        if words and "\n" not in words and len(words) < 80:
            return words
    classified = [row.rpartition(":: ")[2] for row in told.get_all("Classifier") or [] if row.startswith("License")]
    return ", ".join(classified) or "see its package"


def main() -> None:
    """Write the file."""
    rows = sorted([*web_packages(), *python_packages()], key=lambda row: (row["kind"], row["name"].lower()))
    told = {"version": version("hearth-bowl"), "packages": rows}
    Path(sys.argv[1]).write_text(json.dumps(told, ensure_ascii=False, indent=1) + "\n")


if __name__ == "__main__":
    main()
