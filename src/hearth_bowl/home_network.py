"""The home network: doors at this machine's addresses in the house, opened when they are asked for, on a thread of
their own and with their own threads, so that nothing out there holds up what is done here."""

import contextlib
import ipaddress
import socket
import threading
from pathlib import Path
from typing import TYPE_CHECKING, Final

import ifaddr

from hearth_bowl.service.pairing import CannotOpen
from hearth_bowl.web_server import HandshakeLater, house_server

if TYPE_CHECKING:
    from _typeshed.wsgi import WSGIApplication
    from cheroot.wsgi import Server

LOOK_EVERY_S: Final = 10.0
"""How often it is looked whether the machine has another address now: a judgement."""
A_HOUSE_BEYOND: Final = ("203.0.113.1", 9)
"""An address that stands for anywhere else (RFC 5737): nothing is sent to it, it only tells which way leads out."""


class HomeNetwork:
    """Doors to the house. Made closed; `serves` says what is behind them."""

    def __init__(
        self,
        port: int,
        *,
        only: str | None = None,
        names: tuple[str, ...] = (),
        certificate: Path | None = None,
        key: Path | None = None,
    ) -> None:
        """
        :param only: the one address to be answered at; else all of this machine's in private networks.
        :param names: names that it is reached by besides, as a certificate has them: the first is told.
        :param certificate: for HTTPS, with its chain; `key` is its key, where that is in a file of its own.
        :raises CannotOpen: certificate or key cannot be used.
        """
        self.port = port
        self._only, self._names = only, names
        self._tls = None if certificate is None else _tls(certificate, key)
        self._door: WSGIApplication | None = None
        self._lock = threading.RLock()
        self._doors: dict[str, Server] = {}
        self._wanted = False
        self._ended = threading.Event()
        self._trouble = ""

    def serves(self, door: "WSGIApplication") -> None:
        """Say what devices of the house get."""
        self._door = door

    @property
    def is_open(self) -> bool:
        """Return whether devices of the house are answered, or will be once there is an address."""
        return self._wanted

    @property
    def is_safe(self) -> bool:
        """Return whether nobody in between can read along."""
        return self._tls is not None

    @property
    def urls(self) -> tuple[str, ...]:
        """Return where they are answered, the likeliest first."""
        scheme = "http" if self._tls is None else "https"
        with self._lock:
            return tuple(f"{scheme}://{name}:{self.port}/" for name in (*self._names, *self._doors) if self._doors)

    def hosts(self) -> frozenset[str]:
        """Return the names and addresses that requests may be for."""
        with self._lock:
            return frozenset((*self._doors, *self._names))

    def open(self) -> None:
        """Open a door at each address, and follow these as they change.

        :raises CannotOpen: there is no address, or the port is taken at each.
        """
        with self._lock:
            if self._wanted:
                return
            self._look()
            if not self._doors:
                why = self._trouble or "this machine has no address in a home network just now"
                raise CannotOpen(f"Other devices cannot be answered: {why}.")
            self._wanted = True
            self._ended = threading.Event()
            threading.Thread(target=self._follow, args=(self._ended,), name="home-network", daemon=True).start()

    def close(self) -> None:
        """Close every door."""
        with self._lock:
            self._wanted = False
            self._ended.set()
            for address in list(self._doors):
                self._shut(address)

    def _follow(self, ended: threading.Event) -> None:
        while not ended.wait(LOOK_EVERY_S):
            with self._lock:
                if not ended.is_set():
                    self._look()

    def _look(self) -> None:
        """Open doors at new addresses; shut those at addresses that are gone."""
        there = house_addresses() if self._only is None else (self._only,)
        for address in set(self._doors) - set(there):
            self._shut(address)
        for address in there:
            if address not in self._doors:
                self._try(address)
        self._doors = {address: self._doors[address] for address in there if address in self._doors}

    def _try(self, address: str) -> None:
        if self._door is None:
            raise RuntimeError("nothing is served yet")
        server = house_server(self._door, address, self.port, self._tls)
        try:
            server.prepare()
        except OSError as problem:
            self._trouble = f"port {self.port} at {address} cannot be used ({problem})"
            return
        self._doors[address] = server
        threading.Thread(target=server.serve, name=f"door-{address}", daemon=True).start()

    def _shut(self, address: str) -> None:
        with contextlib.suppress(Exception):
            self._doors.pop(address).stop()


def house_addresses() -> tuple[str, ...]:
    """Return this machine's IPv4 addresses in private networks, the one that leads out first."""
    found = [
        str(one.ip)
        for adapter in ifaddr.get_adapters()
        for one in adapter.ips
        if one.is_IPv4 and _is_of_a_house(str(one.ip))
    ]
    leads_out = _leads_out()
    return tuple(sorted(dict.fromkeys(found), key=lambda address: address != leads_out))


def _is_of_a_house(address: str) -> bool:
    known = ipaddress.ip_address(address)
    return known.is_private and not known.is_loopback and not known.is_link_local


def _leads_out() -> str:
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as trial:
        try:
            trial.connect(A_HOUSE_BEYOND)
            return str(trial.getsockname()[0])
        except OSError:
            return ""


def _tls(certificate: Path, key: Path | None) -> HandshakeLater:
    try:
        return HandshakeLater(str(certificate), str(key or certificate))
    except (OSError, ValueError) as problem:  # an SSLError is an OSError
        raise CannotOpen(f"The certificate cannot be used: {problem}") from None
