"""Pairing: which other devices of the house are let in, as what, and how they prove it.

A code is shown here and given there; it is good for one device and a few minutes, and only its hash is held. What a
device gets for it is a secret of 256 bits, of which only the hash is kept: a plain hash, for nobody guesses such a one.
"""

import hashlib
import hmac
import secrets
import threading
from collections import deque
from collections.abc import Callable, Collection
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from typing import TYPE_CHECKING, Final, Literal, NamedTuple, Protocol, cast

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.service.errors import NotFound
from hearth_bowl.store.models import PairedDeviceRow

if TYPE_CHECKING:
    from _typeshed.wsgi import WSGIApplication

Role = Literal["cook", "helper", "thermometer"]
PEOPLE: Final[tuple[Role, ...]] = ("cook", "helper")
"""The roles that a code can give; a thermometer has a key instead."""
SIGNS: Final = "23456789ABCDEFGHJKMNPQRSTUVWXYZ"
"""What a code is made of: nothing that is taken for something else."""
CODE_SIGNS: Final = 10
"""Of 31 signs each: 8e14 codes, of which a few are tried before it ends."""
CODE_MIN: Final = 10
"""So long a code is good: a judgement; one walks to the tablet and types it."""
TRIES_OF_ONE: Final = 10
TRIES_WITHIN_S: Final = 600.0
"""Wrong codes that one address may send within this time [s] before it has to wait: a judgement.

Addresses are counted apart, so that a stranger's guesses never lock out a right code from elsewhere. There is no count
over all: a thousand guesses a second for ten minutes meet one of twenty codes once in 7e7 times.
"""
MOST_ADDRESSES: Final = 4096
"""Addresses whose wrong tries are remembered; the oldest is forgotten first. A judgement."""
MOST_CODES: Final = 20
MOST_DEVICES: Final = 50
LONGEST_NAME: Final = 60
SECRET_BYTES: Final = 32
SEEN_EVERY: Final = timedelta(minutes=1)
"""How fine it is kept when a device was last here: a judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Device:
    """A paired device: `cook` does all, `helper` sees and ticks, `thermometer` sends readings and weights.

    `paired_by` is the device that made its code or key, None where this machine did. Removing that one removes this.
    """

    id: int
    name: str
    role: Role
    paired_at: datetime
    seen_at: datetime
    paired_by: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Code:
    """A code that lets one device in until a moment."""

    code: str
    role: Role
    until: datetime


class House(Protocol):
    """The doors to the house's own network, which this machine opens and closes."""

    @property
    def is_open(self) -> bool:
        """Whether devices of the house are answered at all."""

    @property
    def is_safe(self) -> bool:
        """Whether nobody in between can read along."""

    @property
    def urls(self) -> tuple[str, ...]:
        """The addresses that they are answered at."""

    def serves(self, door: "WSGIApplication") -> None:
        """Take what devices of the house get."""

    def hosts(self) -> frozenset[str]:
        """Return the names and addresses that requests may be for."""

    def open(self) -> None:
        """Open the doors.

        :raises CannotOpen: why not.
        """

    def close(self) -> None:
        """Close them: who is let in stays so, and is answered again when they are opened."""


class CannotOpen(RuntimeError):  # noqa: N818 - it reads as what it is
    """Why the doors cannot be opened, in one sentence."""


class WrongCode(RuntimeError):  # noqa: N818
    """There is no such code now."""


class TooManyTries(RuntimeError):  # noqa: N818
    """So many codes were wrong that none is looked at for a while."""

    def __init__(self, wait_s: float) -> None:
        super().__init__("Too many codes were wrong.")
        self.wait_s = wait_s


class Grant(NamedTuple):
    """Rights that a code gives: a role, the device that made the code (None: this machine), its end on the clock."""

    role: Role
    by: int | None
    until_s: float


@dataclass(slots=True)
class _Tries:
    """Moments of wrong tries, the oldest first."""

    at: deque[float] = field(default_factory=deque)

    def wait_s(self, now_s: float) -> float:
        """Return the time [s] until another try is checked; 0 where it is checked now."""
        while self.at and self.at[0] <= now_s - TRIES_WITHIN_S:
            self.at.popleft()
        return 0.0 if len(self.at) < TRIES_OF_ONE else self.at[0] + TRIES_WITHIN_S - now_s


class Pairings:
    """Codes that are valid now, and the wrong ones that were tried. It lives as long as the server does."""

    def __init__(self, clock_s: Callable[[], float]) -> None:
        """:param clock_s: a clock that only goes forward [s]; the clock on the wall may be set back."""
        self._clock_s = clock_s
        self._lock = threading.Lock()
        self._codes: dict[str, Grant] = {}
        self._tries: dict[str, _Tries] = {}

    def new_code(self, role: str, now: datetime, by: int | None = None) -> Code:
        """Return a new code for one device.

        :param by: the device that asks for it; None is this machine.
        :raises BadInput: at `role`.
        """
        known: Role | None = next((one for one in PEOPLE if one == role), None)
        if known is None:
            raise BadInput(("role",), f"unknown {role[:40]!r}", " or ".join(PEOPLE), "unknown")
        code = "".join(secrets.choice(SIGNS) for _ in range(CODE_SIGNS))
        now_s = self._clock_s()
        with self._lock:
            self._codes = {key: grant for key, grant in self._codes.items() if grant.until_s > now_s}
            while len(self._codes) >= MOST_CODES:
                self._codes.pop(next(iter(self._codes)))
            self._codes[_hash(code)] = Grant(known, by, now_s + CODE_MIN * 60)
        return Code(code=f"{code[:5]}-{code[5:]}", role=known, until=now + timedelta(minutes=CODE_MIN))

    def use(self, typed: str, address: str) -> Grant:
        """Use up a code; return the rights that it gives.

        :param address: the sender's; each address has its own count of wrong tries.
        :raises TooManyTries: the address sent too many wrong codes. :raises WrongCode: the code is not valid.
        """
        now_s = self._clock_s()
        wanted = _hash("".join(sign for sign in typed.upper() if sign.isalnum()))
        with self._lock:
            tries = self._tries.get(address, _Tries())
            wait_s = tries.wait_s(now_s)
            if wait_s > 0:
                raise TooManyTries(wait_s)
            found = [key for key in self._codes if hmac.compare_digest(key, wanted)]
            grant = self._codes.pop(found[0]) if found else None
            if grant is None or grant.until_s <= now_s:
                tries.at.append(now_s)
                self._tries.pop(address, None)
                self._tries[address] = tries  # the newest stands last
                while len(self._tries) > MOST_ADDRESSES:
                    self._tries.pop(next(iter(self._tries)))
                raise WrongCode
        return grant

    def void(self, devices: Collection[int]) -> None:
        """End the codes that some devices made."""
        with self._lock:
            self._codes = {key: grant for key, grant in self._codes.items() if grant.by not in devices}


def checked_name(session: Session, name: str) -> str:
    """Return the name that one more device is kept by.

    :raises BadInput: at `name`; there are too many devices.
    """
    kept = " ".join(name.split())
    if not 0 < len(kept) <= LONGEST_NAME:
        raise BadInput(("name",), "a name is needed" if not kept else "too long", f"1 to {LONGEST_NAME} signs", "name")
    if len(list_devices(session)) >= MOST_DEVICES:
        raise BadInput(("name",), "too many devices are paired", f"{MOST_DEVICES} at most: let one go", "too-many")
    return kept


def let_in(session: Session, role: Role, name: str, now: datetime, by: int | None = None) -> tuple[Device, str]:
    """Pair a device; return it with its secret, which is shown this once.

    :param by: the device that made its code or key; None is this machine.
    :raises BadInput: at `name`; there are too many devices. :raises WrongCode: `by` was removed meanwhile.
    """
    if by is not None and session.get(PairedDeviceRow, by) is None:
        raise WrongCode
    secret = secrets.token_urlsafe(SECRET_BYTES)
    kept = checked_name(session, name)
    row = PairedDeviceRow(name=kept, role=role, secret_hash=_hash(secret), paired_at=now, seen_at=now, paired_by=by)
    session.add(row)
    session.flush()
    return _device(row), secret


def device_of(session: Session, secret: str) -> Device | None:
    """Return the device that a secret belongs to; None: it belongs to none, or to one that was let go."""
    row = session.scalar(select(PairedDeviceRow).where(PairedDeviceRow.secret_hash == _hash(secret)))
    return None if row is None else _device(row)


def is_seen(session: Session, device_id: int, now: datetime) -> None:
    """Keep that a device is here now."""
    row = session.get(PairedDeviceRow, device_id)
    if row is not None:
        row.seen_at = now


def list_devices(session: Session) -> list[Device]:
    """Return the devices that are let in, in the order in which they came."""
    return [_device(row) for row in session.scalars(select(PairedDeviceRow).order_by(PairedDeviceRow.id))]


def let_go(session: Session, device_id: int) -> frozenset[int]:
    """Remove a device with all that it paired; return their ids. Their secrets open nothing from now on.

    :raises NotFound: there is none.
    """
    if session.get(PairedDeviceRow, device_id) is None:
        raise NotFound("device", device_id)
    gone = {device_id}
    for row in session.scalars(select(PairedDeviceRow).order_by(PairedDeviceRow.id)):  # who pairs is older
        if row.paired_by in gone:
            gone.add(row.id)
    session.execute(delete(PairedDeviceRow).where(PairedDeviceRow.id.in_(gone)))
    return frozenset(gone)


def _device(row: PairedDeviceRow) -> Device:
    return Device(
        id=row.id,
        name=row.name,
        role=cast(Role, row.role),
        paired_at=row.paired_at,
        seen_at=row.seen_at,
        paired_by=row.paired_by,
    )


def _hash(secret: str) -> str:
    return hashlib.sha256(secret.encode()).hexdigest()
