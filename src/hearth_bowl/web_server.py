"""The web server, for this machine and for the devices of the house.

A request's head has a deadline, and one address of the house cannot use every thread. Without the deadline, a device
that sends a byte now and then, or starts a handshake and sends no more, would hold its thread for ever.
"""

import socket
import ssl
import threading
import time
from collections import Counter
from typing import TYPE_CHECKING, Any, Final

from cheroot.makefile import MakeFile, StreamReader
from cheroot.server import HTTPConnection, HTTPRequest
from cheroot.ssl.builtin import BuiltinSSLAdapter
from cheroot.wsgi import Server

if TYPE_CHECKING:
    from _typeshed.wsgi import WSGIApplication

OWN_THREADS: Final = 16
OWN_PATIENCE_S: Final = 120
"""Longest silence of a browser on this machine [s], so that it rarely connects again. A judgement."""
THREADS: Final = 24
HEAD_S: Final = 5.0
"""A head is a few hundred bytes: a slow telephone sends it in a tenth of that. A judgement."""
AT_ONCE: Final = 8
"""Requests of one address in progress at a time; a browser sends six. A judgement."""
PATIENCE_S: Final = 15
"""Longest silence of a device in the middle of a body [s]. A judgement."""
QUEUE: Final = 128
CONNECTIONS: Final = 200
"""A browser holds six at a time; beyond this number idle ones are closed: a judgement, for a house."""
LARGEST_BODY_BYTES: Final = 30_000_000
"""A photograph as a camera takes it, and some."""
LARGEST_HEAD_BYTES: Final = 32_000


class _Clocked(socket.SocketIO):
    """Bytes of a socket, until a moment where one is set."""

    until: float | None = None

    def readinto(self, buffer: Any) -> int | None:
        if self.until is not None:
            left = self.until - time.monotonic()
            if left <= 0:
                raise TimeoutError("timed out")
            self._sock.settimeout(left)  # type: ignore[attr-defined]
        return super().readinto(buffer)


class _Reader(StreamReader):
    def __init__(self, clocked: _Clocked, bufsize: int) -> None:
        super(StreamReader, self).__init__(clocked, bufsize)  # its own would read the socket without a clock
        self.bytes_read = 0


class _Request(HTTPRequest):
    conn: "PatientConnection"

    def parse_request(self) -> None:
        """Read the head, all of it within its time."""
        self.conn.clock.until = time.monotonic() + HEAD_S
        try:
            super().parse_request()
        finally:
            self.conn.clock.until = None
            self.conn.socket.settimeout(self.conn.server.timeout)


class PatientConnection(HTTPConnection):
    """A connection that keeps to `HEAD_S`."""

    RequestHandlerClass = _Request

    def __init__(self, server: Any, sock: Any, makefile: Any = MakeFile) -> None:
        """Take a socket over, with a reader that knows the time."""
        super().__init__(server, sock, makefile)
        self.rfile.close()
        self.clock = _Clocked(sock, "rb")
        self.rfile = _Reader(self.clock, self.rbufsize)


class HouseConnection(PatientConnection):
    """A connection that keeps to `AT_ONCE` requests of its address too."""

    busy: Final[Counter[str]] = Counter()
    busy_lock: Final = threading.Lock()

    def communicate(self) -> bool:
        """Answer one request; return whether the connection stays open.

        Not where its address has `AT_ONCE` requests in progress already.
        """
        address = str(self.remote_addr)
        with self.busy_lock:
            if self.busy[address] >= AT_ONCE:
                return False
            self.busy[address] += 1
        try:
            return self._is_agreed() and bool(super().communicate())  # type: ignore[no-untyped-call]
        finally:
            with self.busy_lock:
                self.busy[address] -= 1
                if not self.busy[address]:
                    del self.busy[address]

    def _is_agreed(self) -> bool:
        """Shake hands where that was not done yet; return whether it went well."""
        if not isinstance(self.socket, ssl.SSLSocket) or self.socket.version() is not None:
            return True
        self.socket.settimeout(HEAD_S)
        try:
            self.socket.do_handshake()
        except OSError:  # an SSLError is one; so is running out of time
            return False
        return True


class HandshakeLater(BuiltinSSLAdapter):
    """TLS whose handshake waits for a thread of its own: done where connections come in, one holds up all others."""

    def wrap(self, sock: socket.socket) -> tuple[ssl.SSLSocket, dict[str, str]]:
        """Return a socket that has not shaken hands yet, and what a request of it is told."""
        found = self.context.wrap_socket(sock, do_handshake_on_connect=False, server_side=True)
        return found, {"wsgi.url_scheme": "https", "HTTPS": "on"}


def own_server(door: "WSGIApplication", address: str, port: int) -> Server:
    """Return a server for this machine alone; it listens once it is prepared."""
    return _server(door, address, port, PatientConnection, OWN_THREADS, OWN_PATIENCE_S)


def house_server(door: "WSGIApplication", address: str, port: int, tls: HandshakeLater | None) -> Server:
    """Return a server for devices of the house, by HTTPS where there is a certificate."""
    server = _server(door, address, port, HouseConnection, THREADS, PATIENCE_S)
    server.ssl_adapter = tls
    return server


def _server(
    door: "WSGIApplication", address: str, port: int, connection: type[PatientConnection], threads: int, patience_s: int
) -> Server:
    server = Server(
        (address, port), door, numthreads=threads, timeout=patience_s, server_name="", request_queue_size=QUEUE
    )
    server.ConnectionClass = connection
    server.keep_alive_conn_limit = CONNECTIONS
    server.max_request_body_size = LARGEST_BODY_BYTES
    server.max_request_header_size = LARGEST_HEAD_BYTES
    return server
