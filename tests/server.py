"""A real server in a process of its own, and the browser to meet it: for tests, bench and screenshots."""

import subprocess
import sys
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from time import monotonic, sleep

CHROMIUM = "/usr/bin/chromium"
CHROMIUM_ARGS = [
    "--no-sandbox",
    "--disable-quic",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
]


@dataclass
class Server:
    process: subprocess.Popen[str]
    address: str
    seconds: float
    """From the start to the first answer."""


@contextmanager
def running(data: Path, command: str = "serve", *more: str, port: int = 0) -> Iterator[Server]:
    """`yardcliff serve` or `demo` on a free port, stopped at the end if it still runs."""
    arguments = [sys.executable, "-m", "yardcliff", command, "--data", str(data), "--port", str(port), *more]
    start = monotonic()
    process = subprocess.Popen(arguments, stdout=subprocess.PIPE, text=True)
    try:
        assert process.stdout
        address = process.stdout.readline().split()[-1]
        while monotonic() < start + 60:
            try:
                urllib.request.urlopen(f"{address}/api/health").close()
                break
            except OSError:
                sleep(0.01)
        yield Server(process, address, monotonic() - start)
    finally:
        process.terminate()
        process.wait()
        if process.stdout:
            process.stdout.close()
