"""A real server on a free port with a folder of its own, for tests that need one."""

import json
import os
import socket
import tempfile
import threading
import time
import urllib.error
import urllib.request
from pathlib import Path
from typing import IO, Any

from hearth_bowl.app import create_app
from hearth_bowl.paths import WEB
from hearth_bowl.server import open_data
from hearth_bowl.store.db import Database
from hearth_bowl.web_server import own_server
from tests import command
from tests.ready_kitchens import kitchen_file

WAIT_S = 15.0


def free_port() -> int:
    """Return a port that nothing listens on."""
    with socket.socket() as trial:
        trial.bind(("127.0.0.1", 0))
        return int(trial.getsockname()[1])


class Server:
    """`hearth-bowl demo` in a temporary folder, in a process of its own, as a person would run it."""

    def __init__(self, verb: str = "demo", devices: bool = False, extra: tuple[str, ...] = ()) -> None:
        self.verb, self.devices, self.extra = verb, devices, extra
        self.folder = tempfile.TemporaryDirectory()
        self.port = free_port()
        self.url = f"http://127.0.0.1:{self.port}"
        self.process: command.Running | None = None
        self.said: IO[str] | None = None

    def start(self) -> "Server":
        """Start it and wait until it has said its address."""
        arguments = [self.verb, "--port", str(self.port), "--data", self.folder.name, *self.extra]
        if self.verb == "demo" and not self.devices:
            arguments.append("--no-devices")
        if self.verb == "demo" and not self.database.exists():
            self.database.write_bytes(kitchen_file("season"))  # as a start would make it
        reads, writes = os.pipe()
        self.said = os.fdopen(reads, encoding="utf-8")
        self.process = command.start(*arguments, stdout=writes)
        os.close(writes)
        line = self.said.readline()
        if self.url not in line:
            raise RuntimeError(f"the server said {line!r}")
        self._wait()
        return self

    def said_until(self, words: str) -> str:
        """Return what it says from here on until it has said some words."""
        said = ""
        while words not in said:
            assert self.said is not None
            line = self.said.readline()
            if not line:
                raise RuntimeError(f"the server said {said!r} and never {words!r}")
            said += line
        return said

    def _wait(self) -> None:
        end = time.monotonic() + WAIT_S
        while time.monotonic() < end:
            try:
                self.call("GET", "/api/settings")
            except urllib.error.URLError:
                time.sleep(0.02)
            else:
                return
        raise RuntimeError("the server does not answer")

    def call(self, method: str, path: str, body: Any = None, headers: dict[str, str] | None = None) -> tuple[int, Any]:
        """Send a request; return status and decoded JSON."""
        data = body if isinstance(body, bytes) or body is None else json.dumps(body).encode()
        request = urllib.request.Request(self.url + path, data=data, method=method)
        for name, value in {"Content-Type": "application/json", **(headers or {})}.items():
            request.add_header(name, value)
        try:
            with urllib.request.urlopen(request, timeout=WAIT_S) as answer:
                text = answer.read()
                return answer.status, json.loads(text) if text else None
        except urllib.error.HTTPError as refusal:
            with refusal:
                text = refusal.read()
            return refusal.code, json.loads(text) if text else None

    def kill(self) -> None:
        """End it at once, as a power cut would."""
        if self.process is not None:
            self.process.kill()
            self.process.wait()
            self.process = None
        if self.said is not None:
            self.said.close()
            self.said = None

    def stop(self) -> None:
        """End it and forget its folder."""
        self.kill()
        self.folder.cleanup()

    @property
    def database(self) -> Path:
        """Return its database file."""
        return Path(self.folder.name) / "hearth-bowl.sqlite3"


class ThreadServer(Server):
    """The same application in a thread of the test: for pages, where nothing depends on the process itself."""

    def __init__(self, port: int | None = None, demo: bool = True) -> None:
        super().__init__()
        self.demo = demo
        if port is not None:
            self.port, self.url = port, f"http://127.0.0.1:{port}"
        self.web = WEB
        self.served: Any = None
        self.thread: threading.Thread | None = None

    def start(self) -> "ThreadServer":
        """Serve on the port, with the data that is there; a fresh demo where there is none."""
        if not self.database.exists():
            self.database.write_bytes(kitchen_file("season" if self.demo else "empty"))
        data = open_data(Path(self.folder.name), demo=self.demo)
        self.served = own_server(create_app(data, self.web), "127.0.0.1", self.port)
        self.served.shutdown_timeout, self.served.expiration_interval = 0.1, 0.02  # ends at once
        self.served.prepare()
        self.thread = threading.Thread(target=self._run, args=(self.served, data), daemon=True)
        self.thread.start()
        self._wait()
        return self

    def _run(self, served: Any, data: Database) -> None:
        served.serve()
        data.close()

    def kill(self) -> None:
        """Close every connection at once."""
        served, self.served = self.served, None
        if served is None or self.thread is None:
            return
        served.stop()
        self.thread.join(timeout=WAIT_S)
