"""Two networks of a test's own, joined by a pair of virtual cables: this process works in one, the phone in the other.

Nothing is changed in the machine's own network: browsers of other tests would notice.
"""

import os
import shutil
import subprocess
import tempfile
from pathlib import Path
from typing import Final

from tests.browser.page_case import chromium
from tests.network import OWN, go_into

HERE: Final = "10.77.31.1"
THERE: Final = "10.77.31.2"


def can_be_made() -> bool:
    """Return whether this machine lets them be made: by root, with the usual tools."""
    return os.geteuid() == 0 and all(shutil.which(tool) for tool in ("ip", "nsenter"))


class Phone:
    """The two networks, while the `with` lasts; `browser` is what starts Chromium in the phone's."""

    def __init__(self) -> None:
        self.house, self.phone = f"house-{os.getpid()}", f"phone-{os.getpid()}"
        self.folder = tempfile.TemporaryDirectory()
        self.browser = Path(self.folder.name) / "chromium"

    def __enter__(self) -> "Phone":
        in_house, in_phone = f"-n {self.house}", f"-n {self.phone}"
        for words in (
            f"netns add {self.house}",
            f"netns add {self.phone}",
            f"{in_house} link add cable type veth peer name cable netns {self.phone}",
            f"{in_house} addr add {HERE}/24 dev cable",
            f"{in_phone} addr add {THERE}/24 dev cable",
            f"{in_house} link set cable up",
            f"{in_phone} link set cable up",
            f"{in_house} link set lo up",
            f"{in_phone} link set lo up",
        ):
            subprocess.run(["ip", *words.split()], check=True, capture_output=True)
        self.browser.write_text(f'#!/bin/sh\nexec nsenter --net=/run/netns/{self.phone} "{chromium()}" "$@"\n')
        self.browser.chmod(0o755)
        self.outside = os.open(OWN, os.O_RDONLY)
        inside = os.open(f"/run/netns/{self.house}", os.O_RDONLY)
        go_into(inside)
        os.close(inside)
        return self

    def run(self, *command: str) -> subprocess.Popen[bytes]:
        """Start a program in the phone's network."""
        return subprocess.Popen(
            ["nsenter", f"--net=/run/netns/{self.phone}", *command],
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
        )

    def __exit__(self, *_: object) -> None:
        go_into(self.outside)
        os.close(self.outside)
        for name in (self.house, self.phone):
            subprocess.run(["ip", "netns", "del", name], capture_output=True, check=False)
        self.folder.cleanup()
