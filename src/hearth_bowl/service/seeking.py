"""Which orders are looked for just now: one that nobody waits for any more is not kept when it is found."""

from itertools import count
from threading import Lock


class Seeking:
    """The latest search of each occasion, by a number of its own. Used by several threads."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._numbers = count(1)
        self._latest: dict[int, int] = {}

    def begin(self, occasion_id: int) -> int:
        """Note that an order is looked for; any that was looked for before is not wanted any more."""
        with self._lock:
            self._latest[occasion_id] = next(self._numbers)
            return self._latest[occasion_id]

    def settle(self, occasion_id: int) -> None:
        """Let the order that there is stand: what is still looked for is not wanted any more."""
        with self._lock:
            self._latest.pop(occasion_id, None)

    def is_wanted(self, occasion_id: int, number: int) -> bool:
        """Return whether what was looked for is still wanted."""
        with self._lock:
            return self._latest.get(occasion_id) == number
