"""The open door: what any thermometer or scale gateway sends, and what a stand-in asks. Standard library only."""

import json
from typing import Any, cast
from urllib import request
from urllib.error import HTTPError, URLError


class Door:
    """The application's address, spoken to as any device would; from elsewhere in the house with a key of its own."""

    def __init__(self, url: str, key: str = "") -> None:
        self.url = url.rstrip("/")
        self.headers = {"Content-Type": "application/json", **({"Authorization": f"Bearer {key}"} if key else {})}

    def call(self, method: str, path: str, body: object = None) -> Any | None:
        """Return the answer, or None when there is none: a device goes on."""
        data = None if body is None else json.dumps(body).encode()
        sent = request.Request(self.url + path, data=data, method=method, headers=self.headers)
        try:
            with request.urlopen(sent, timeout=5) as answer:
                content = answer.read()
        except (HTTPError, URLError, OSError, TimeoutError):
            return None
        return json.loads(content) if content else {}

    def send_readings(self, probe: str, readings: list[dict[str, Any]]) -> bool:
        """Send readings, each `at` (ISO moment) and `c` (°C, None when the sensor says nothing)."""
        return self.call("POST", f"/api/probes/{probe}/readings", {"readings": readings}) is not None

    def stand_in(self, probe: str) -> dict[str, Any] | None:
        """Return what is at the stove now, for a stand-in to play it."""
        return cast("dict[str, Any] | None", self.call("GET", f"/api/probes/{probe}/stand-in"))
