"""The command line: serve, demo, yard, row, export, import, backup."""

import gc
import socket
import sys
from collections.abc import Callable
from functools import partial
from pathlib import Path
from threading import Timer
from typing import TYPE_CHECKING, Annotated, NoReturn, get_args

import typer

from yardcliff import __version__
from yardcliff.core.base.errors import YardcliffError
from yardcliff.row_command import row

if TYPE_CHECKING:
    from yardcliff.app.application import Application
    from yardcliff.app.locale import UserLocale

app = typer.Typer(
    name="yardcliff",
    no_args_is_help=True,
    add_completion=False,
    pretty_exceptions_enable=False,
    help="Hanging racks, from what hangs to the pencil mark.",
)
app.command()(row)

Data = Annotated[
    Path | None, typer.Option("--data", help="The data file (default: your user data folder).")
]
Port = Annotated[int, typer.Option(help="Port to listen on.", min=0, max=65535)]
Host = Annotated[
    str, typer.Option(help="Address to listen on. Others than loopback are open to your network.")
]
Yard = Annotated[
    str | None, typer.Option("--yard", help="Address of a timber yard that gives its prices.")
]
PORT = 8722
YARD_PORT = 8723
YARD_OPENS = 2.0  # s


@app.command()
def serve(
    data: Data = None, host: Host = "127.0.0.1", port: Port = PORT, yard: Yard = None
) -> None:
    """Start Yardcliff."""
    _run(data or _data_file("yardcliff.db"), host, port, yard)


@app.command()
def demo(data: Data = None, host: Host = "127.0.0.1", port: Port = PORT) -> None:
    """Start Yardcliff with the racks of Larkhollow Hut, in a data file of their own, in the sizes
    that are sold where the first browser is, and a made-up timber yard beside it.
    """
    from yardcliff.demo import fill

    listener = _listen("127.0.0.1", 0)
    listener.listen()
    # The yard is asked rarely: it comes up once Yardcliff is there, and who asks before that waits.
    yard_opens = Timer(YARD_OPENS, _serve_yard, (listener,))
    yard_opens.daemon = True
    yard_opens.start()
    address = f"http://127.0.0.1:{listener.getsockname()[1]}"
    _run(
        data or _data_file("demo.db"),
        host,
        port,
        address,
        lambda app, locale: fill(app, locale.trade),
    )


@app.command()
def yard(host: Host = "127.0.0.1", port: Port = YARD_PORT) -> None:
    """Start a made-up timber yard, to be asked for prices: serve --yard."""
    listener = _listen(host, port)
    print(
        f"The timber yard is at http://{host}:{listener.getsockname()[1]}\nStop it with Ctrl+C.",
        flush=True,
    )
    _serve_yard(listener)


@app.command()
def export(
    rack: Annotated[str, typer.Argument(help="A rack's name or id.")],
    kind: Annotated[
        str,
        typer.Argument(
            help=(
                "rack.json, marks.csv, holes.csv, drawing.svg, sheet.pdf, template.pdf,"
                " putting-up.pdf or wall-template.pdf."
            )
        ),
    ],
    out: Annotated[
        Path | None, typer.Option("--out", "-o", help="File to write (default: standard output).")
    ] = None,
    paper: Annotated[str, typer.Option(help="a4 or letter, for PDFs.")] = "a4",
    data: Data = None,
) -> None:
    """Write a rack as a file."""
    from yardcliff.app.application import Application
    from yardcliff.exports.paper import Paper
    from yardcliff.exports.rack_files import RackFile, write_rack_file
    from yardcliff.store.database import Database

    file = next((file for file in get_args(RackFile) if file == kind), None)
    sheet = next((sheet for sheet in get_args(Paper) if sheet == paper), None)
    if file is None:
        _fail(f"There is no export “{kind}”: use {', '.join(get_args(RackFile))}.")
    if sheet is None:
        _fail(f"There is no paper “{paper}”: use {' or '.join(get_args(Paper))}.")
    try:
        application = Application(Database(data or _data_file("yardcliff.db"), to_read=True))
        stored = application.racks.all()
        record = next((record for record in stored if rack in (record.id, record.name)), None)
        if record is None:
            names = ", ".join(f"“{record.name}”" for record in stored) or "none yet"
            _fail(f"There is no rack “{rack}”. There are: {names}.")
        content = write_rack_file(file, record.name, application.designs.stored(record), sheet)
    except YardcliffError as error:
        _fail(str(error))
    raw = content.encode() if isinstance(content, str) else content
    if out is None:
        sys.stdout.buffer.write(raw)
        return
    try:
        out.write_bytes(raw)
    except OSError as error:
        _fail(f"{out} cannot be written: {error.strerror}.")


@app.command("import")
def import_(file: Path, data: Data = None) -> None:
    """Open a rack file as a new rack."""
    from yardcliff.core.design.change import dump
    from yardcliff.imports.rackfile import read_rackfile
    from yardcliff.store.database import Database
    from yardcliff.store.sheets import Racks

    try:
        name, brief = read_rackfile(file.read_bytes())
        record = Racks(Database(data or _data_file("yardcliff.db"))).create(name, dump(brief))
    except OSError as error:
        _fail(f"{file} cannot be read: {error.strerror}.")
    except YardcliffError as error:
        _fail(str(error))
    print(f"“{record.name}” is in, as {record.id}.")


@app.command()
def backup(to: Path, data: Data = None) -> None:
    """Copy the data file, also while Yardcliff is running."""
    from yardcliff.store.database import Database

    if to.exists():
        _fail(f"{to} is there already: give a new name.")
    try:
        Database(data or _data_file("yardcliff.db"), to_read=True).backup(to)
    except YardcliffError as error:
        _fail(str(error))
    print(f"Backed up to {to}.")


@app.callback(invoke_without_command=True)
def about(
    version: Annotated[bool, typer.Option("--version", help="Print the version.")] = False,
) -> None:
    if version:
        print(__version__)
        raise typer.Exit


def _data_file(name: str) -> Path:
    from platformdirs import user_data_path

    return user_data_path("yardcliff") / name


def _fail(message: str) -> NoReturn:
    print(message, file=sys.stderr)
    raise typer.Exit(1)


def _serve_yard(listener: socket.socket) -> None:
    import uvicorn

    from yardcliff.standins.timber_yard import create_yard

    uvicorn.Server(uvicorn.Config(create_yard(), log_level="warning", access_log=False)).run(
        sockets=[listener]
    )


def _listen(host: str, port: int) -> socket.socket:
    """A socket that listens there, or an end with the reason."""
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    # The protocol is named so that asyncio turns Nagle's delay off: a drag waits on every answer.
    listener = socket.socket(family, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listener.bind((host, port))
    except OSError as error:
        _fail(f"Cannot listen on {host}, port {port}: {error.strerror}. Try another --port.")
    return listener


def _run(
    data: Path,
    host: str,
    port: int,
    yard: str | None,
    welcome: "Callable[[Application, UserLocale], object] | None" = None,
) -> None:
    import uvicorn

    from yardcliff.api.app import create_app
    from yardcliff.api.security import LOCAL_NAMES, MAX_BODY
    from yardcliff.app.application import Application
    from yardcliff.standins.simulated import instruments
    from yardcliff.store.database import Database
    from yardcliff.suppliers import HttpSupplier

    try:
        database = Database(data)
    except YardcliffError as error:
        _fail(str(error))
    listener = _listen(host, port)
    shown = f"[{host}]" if ":" in host else host
    address = f"http://{shown}:{listener.getsockname()[1]}"
    print(f"Yardcliff is at {address}\nData: {data}\nStop it with Ctrl+C.", flush=True)
    application = Application(database, HttpSupplier(yard) if yard else None, instruments())
    server = create_app(
        application, LOCAL_NAMES | {host}, partial(welcome, application) if welcome else None
    )
    config = uvicorn.Config(
        server,
        log_level="warning",
        access_log=False,
        ws_max_size=MAX_BODY,
        ws_per_message_deflate=False,  # squeezing takes longer than the loopback does
    )
    # What was imported stays: looking through it for garbage would cost a drag a frame now and
    # then.
    gc.collect()
    gc.freeze()
    uvicorn.Server(config).run(sockets=[listener])


def main() -> None:
    # Neither imports nor designs leave cycles: looking for them costs a tenth of a start, and of
    # every frame of a drag.
    gc.set_threshold(100_000)
    app()
