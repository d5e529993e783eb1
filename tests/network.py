"""The network that a thread works in (network_namespaces(7))."""

import ctypes
import os
from typing import Final

OWN: Final = "/proc/thread-self/ns/net"
CLONE_NEWNET: Final = 0x40000000
"""The kind of namespace that is meant (setns(2))."""


def go_into(network: int) -> None:
    """Move this thread, and what it starts from here on, into a network, where it is not there already.

    :raises OSError: it may not.
    """
    if os.fstat(network).st_ino == os.stat(OWN).st_ino:
        return
    libc = ctypes.CDLL(None, use_errno=True)
    if libc.setns(network, CLONE_NEWNET) != 0:
        raise OSError(ctypes.get_errno(), "setns")
