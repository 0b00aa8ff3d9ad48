"""A real server in a process of its own, for the tests that need one."""

import subprocess
import sys
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from time import monotonic, sleep


@dataclass
class Server:
    process: subprocess.Popen[str]
    address: str


@contextmanager
def running(data: Path, command: str = "serve", port: int = 0) -> Iterator[Server]:
    """`yardcliff serve` or `demo` on a free port, stopped at the end if it still runs."""
    arguments = [sys.executable, "-m", "yardcliff", command, "--data", str(data), "--port", str(port)]
    process = subprocess.Popen(arguments, stdout=subprocess.PIPE, text=True)
    try:
        assert process.stdout
        address = process.stdout.readline().split()[-1]
        deadline = monotonic() + 20
        while monotonic() < deadline:
            try:
                urllib.request.urlopen(f"{address}/api/health").close()
                break
            except OSError:
                sleep(0.02)
        yield Server(process, address)
    finally:
        process.terminate()
        process.wait()
        if process.stdout:
            process.stdout.close()
