"""The command as a person runs it, in a process of its own, from one that has loaded it: a start takes no second.

The spawner is forked when this module is loaded, before any thread or browser is there.
"""

import atexit
import contextlib
import json
import os
import select
import signal
import socket
import sys
import tempfile
from multiprocessing import resource_tracker
from typing import Any, NoReturn

import hearth_bowl.__main__
import hearth_bowl.safekeeping
import hearth_bowl.server
from tests.network import OWN, go_into

__all__ = ["Done", "Running", "run", "start"]


class Running:
    """A command that runs: its process and where it ends."""

    def __init__(self, pid: int, ending: socket.socket) -> None:
        self.pid = pid
        self.returncode: int | None = None
        self._ending = ending

    def poll(self) -> int | None:
        """Return its exit code, negative for a signal; None while it runs."""
        return self._ended(0.0)

    def wait(self, timeout: float | None = None) -> int:
        """Wait for its end; return its exit code."""
        code = self._ended(timeout)
        if code is None:
            raise TimeoutError(f"process {self.pid} did not end in {timeout} s")
        return code

    def kill(self) -> None:
        """End it at once, as a power cut would."""
        if self.poll() is None:
            with contextlib.suppress(ProcessLookupError):
                os.kill(self.pid, signal.SIGKILL)

    def _ended(self, timeout: float | None) -> int | None:
        if self.returncode is None and select.select([self._ending], [], [], timeout)[0]:
            self.returncode = int(self._ending.recv(20) or b"-9")
            self._ending.close()
        return self.returncode


class Done:
    """A command that ended."""

    def __init__(self, returncode: int, stdout: bytes, stderr: bytes) -> None:
        self.returncode, self.stdout, self.stderr = returncode, stdout.decode(), stderr.decode()


def start(*arguments: str, stdin: int | None = None, stdout: int | None = None, stderr: int | None = None) -> Running:
    """Start the command in the network of this thread; streams are file descriptors, None for nothing."""
    ending, far = socket.socketpair()
    with open(os.devnull, "r+b") as nothing, open(OWN, "rb") as network, far:
        streams = [nothing.fileno() if stream is None else stream for stream in (stdin, stdout, stderr)]
        given = [*streams, network.fileno(), far.fileno()]
        socket.send_fds(_SPAWNER, [json.dumps(arguments).encode()], given)
    return Running(int(ending.recv(20)), ending)


def run(*arguments: str, stdin: bytes = b"") -> Done:
    """Run the command to its end."""
    with tempfile.TemporaryFile() as given, tempfile.TemporaryFile() as out, tempfile.TemporaryFile() as err:
        given.write(stdin)
        given.seek(0)
        running = start(*arguments, stdin=given.fileno(), stdout=out.fileno(), stderr=err.fileno())
        code = running.wait()
        for file in (out, err):
            file.seek(0)
        return Done(code, out.read(), err.read())


def _spawn(asked: socket.socket) -> NoReturn:
    """Start what is asked for, until nobody asks any more."""
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)  # the keepers end by themselves
    while True:
        words, streams, _, _ = socket.recv_fds(asked, 1_000_000, 5)
        if not words:
            os._exit(0)
        if os.fork() == 0:
            asked.close()
            _keep(json.loads(words), streams)
        for stream in streams:
            os.close(stream)


def _keep(arguments: list[str], streams: list[int]) -> NoReturn:
    """Start one command, say its number, wait for it, say how it ended."""
    signal.signal(signal.SIGCHLD, signal.SIG_DFL)
    *three, network, ending = streams
    go_into(network)
    os.close(network)
    said = socket.socket(fileno=ending)
    pid = os.fork()
    if pid == 0:
        said.close()
        for number, stream in enumerate(three):
            os.dup2(stream, number)
        for stream in three:
            os.close(stream)
        _become(arguments)
    for stream in three:
        os.close(stream)
    said.sendall(str(pid).encode().ljust(20))
    said.sendall(str(os.waitstatus_to_exitcode(os.waitpid(pid, 0)[1])).encode())
    os._exit(0)


def _become(arguments: list[str]) -> NoReturn:
    """Be the command, as `python -m hearth_bowl` is."""
    atexit._clear()
    tracker = resource_tracker._resource_tracker
    tracker._fd = tracker._pid = None  # type: ignore[attr-defined]  # it keeps count of its own
    sys.modules["__main__"] = hearth_bowl.__main__
    sys.argv = ["hearth-bowl", *arguments]
    sys.stdin = open(0, encoding="utf-8", closefd=False)  # noqa: SIM115
    sys.stdout = open(1, "w", encoding="utf-8", closefd=False)  # noqa: SIM115
    sys.stderr = open(2, "w", encoding="utf-8", closefd=False)  # noqa: SIM115
    code: Any = 1
    try:
        code = hearth_bowl.__main__.main()
    except SystemExit as ended:
        code = ended.code
    finally:
        atexit._run_exitfuncs()  # forked, it would leave without them
        for stream in (sys.stdout, sys.stderr):
            with contextlib.suppress(ValueError, OSError):
                stream.flush()
        os._exit(code if isinstance(code, int) else 0 if code is None else 1)


def _started() -> socket.socket:
    near, far = socket.socketpair(socket.AF_UNIX, socket.SOCK_SEQPACKET)
    if os.fork() == 0:
        near.close()
        _spawn(far)
    far.close()
    return near


_SPAWNER = _started()
