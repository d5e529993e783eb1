"""The doors to the house: a device that drips, or says nothing, holds up no other; in plain HTTP and in HTTPS."""

import contextlib
import socket
import ssl
import tempfile
import threading
import time
import unittest
import urllib.request
from pathlib import Path
from typing import Any

import trustme

from hearth_bowl.home_network import HomeNetwork
from hearth_bowl.web_server import AT_ONCE, HouseConnection
from tests.api.server import free_port

HERE, ANOTHER = "127.0.0.1", "127.0.0.2"
HEAD = b"GET / HTTP/1.1\r\nHost: x\r\nX-Slow: "


def answered(environ: dict[str, Any], start_response: Any) -> list[bytes]:
    start_response("200 OK", [("Content-Type", "text/plain")])
    return [environ["wsgi.url_scheme"].encode()]


class Doors(unittest.TestCase):
    def door(self, certificate: Path | None = None) -> int:
        house = HomeNetwork(free_port(), only=HERE, certificate=certificate)
        house.serves(answered)
        house.open()
        self.addCleanup(house.close)
        return house.port

    def held(self, port: int, count: int, first: bytes) -> list[socket.socket]:
        """Return connections from another device that each began something."""
        found = []
        for _ in range(count):
            one = socket.create_connection((HERE, port), timeout=20, source_address=(ANOTHER, 0))
            self.addCleanup(one.close)
            one.sendall(first)
            found.append(one)
        return found

    def drip(self, sockets: list[socket.socket]) -> None:
        """Send a byte on each, again and again, until the test ends."""
        ended = threading.Event()

        def send() -> None:
            while not ended.wait(0.25):
                for one in sockets:
                    with contextlib.suppress(OSError):
                        one.send(b"a")

        thread = threading.Thread(target=send)
        thread.start()
        self.addCleanup(thread.join)
        self.addCleanup(ended.set)

    def test_others_are_answered_while_forty_connections_of_a_device_drip(self) -> None:
        port = self.door()
        self.drip(self.held(port, 40, HEAD))
        for _ in range(20):
            with urllib.request.urlopen(f"http://{HERE}:{port}/", timeout=5) as answer:
                self.assertEqual(answer.read(), b"http")

    def test_an_address_has_so_many_requests_at_a_time_and_no_more(self) -> None:
        port = self.door()
        self.held(port, AT_ONCE, HEAD)
        while HouseConnection.busy[ANOTHER] < AT_ONCE:
            time.sleep(0.01)
        (one,) = self.held(port, 1, b"GET / HTTP/1.1\r\nHost: x\r\n\r\n")
        with contextlib.suppress(ConnectionResetError):
            self.assertEqual(one.recv(100), b"")
        with urllib.request.urlopen(f"http://{HERE}:{port}/", timeout=5) as answer:
            self.assertEqual(answer.read(), b"http")

    def test_a_head_that_only_drips_is_let_go_of(self) -> None:
        port = self.door()
        (one,) = held = self.held(port, 1, HEAD)
        self.drip(held)
        with contextlib.suppress(ConnectionResetError):
            self.assertIn(one.recv(100)[:12], (b"", b"HTTP/1.1 408"))

    def test_in_https_who_never_shakes_hands_holds_up_nobody(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        authority, file = trustme.CA(), Path(folder.name) / "own.pem"
        authority.issue_cert(HERE).private_key_and_cert_chain_pem.write_to_path(str(file))
        port = self.door(file)
        self.held(port, 40, b"")
        self.held(port, 20, b"GET / HTTP/1.1\r\nHost: x\r\n\r\n")
        trusted = ssl.create_default_context()
        authority.configure_trust(trusted)
        for _ in range(5):
            with urllib.request.urlopen(f"https://{HERE}:{port}/", timeout=5, context=trusted) as answer:
                self.assertEqual(answer.read(), b"https")


if __name__ == "__main__":
    unittest.main()
