"""A real server in a process of its own, and the browser to meet it: for tests, bench and
screenshots.
"""

import subprocess
import sys
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from threading import Thread
from time import monotonic, sleep

import uvicorn
from fastapi import FastAPI

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
    address: str


@dataclass
class OwnProcess(Server):
    process: subprocess.Popen[str]
    seconds: float
    """From the start to the first answer."""


@contextmanager
def serving(app: FastAPI) -> Iterator[Server]:
    """An application on a free port, in a thread of this process: there at once."""
    config = uvicorn.Config(
        app, port=0, log_level="error", lifespan="off", ws_per_message_deflate=False
    )
    server = uvicorn.Server(config)
    thread = Thread(target=server.run, daemon=True)
    thread.start()
    while not server.started:
        sleep(0.005)
    yield Server(f"http://127.0.0.1:{server.servers[0].sockets[0].getsockname()[1]}")
    server.should_exit = True
    thread.join()


@contextmanager
def running(data: Path, command: str = "serve", *more: str, port: int = 0) -> Iterator[OwnProcess]:
    """`yardcliff serve` or `demo` on a free port, stopped at the end if it still runs."""
    arguments = [
        sys.executable,
        "-m",
        "yardcliff",
        command,
        "--data",
        str(data),
        "--port",
        str(port),
        *more,
    ]
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
        yield OwnProcess(address, process, monotonic() - start)
    finally:
        process.terminate()
        process.wait()
        if process.stdout:
            process.stdout.close()
