"""The application: one store, thin routers, one error form, one guard at the door."""

import asyncio
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager

from fastapi import FastAPI
from starlette.concurrency import run_in_threadpool

from yardcliff import __version__
from yardcliff.api import errors, instruments, page, settings
from yardcliff.api.arrival import Arrival, Welcome, get_ready
from yardcliff.api.items import catalogue
from yardcliff.api.items import routes as items
from yardcliff.api.language import Speaking
from yardcliff.api.log import routes as log
from yardcliff.api.making import bench
from yardcliff.api.making import routes as making
from yardcliff.api.once import Once
from yardcliff.api.phone import routes as phone
from yardcliff.api.phone.access import Phone
from yardcliff.api.racks import marking_aids, new, several, solve, versions
from yardcliff.api.racks import routes as racks
from yardcliff.api.reading import Reading
from yardcliff.api.security import LOCAL_NAMES, Guard
from yardcliff.api.walls import routes as walls
from yardcliff.api.wood import batch, stock
from yardcliff.api.wood import routes as wood
from yardcliff.app.application import Application

ABOUT = """
Yardcliff designs hanging racks: it spaces what hangs, derives the board, and gives the pencil
marks.

* A **brief** is what the user decides. Lengths travel as exact text with a unit (`"6 3/4 in"`,
  `"171.5 mm"`); a bare number takes the unit of the brief's tape.
* A **design** is the brief worked out: marks, figures with their working, findings with fixes,
  a drawing in millimetres (x right from the datum, y up from the floor).
* A **wall** is surveyed once for all racks on it. A brief's `place` says on which and where, its
  `mount` how it is fixed.
* Every change is a **JSON merge patch** on the brief; fixes and ladder rungs come as such
  patches. Stored racks count versions: a change names the version it was made from and is refused
  with 409 when there is a newer one.
* Errors are `application/problem+json`; `errors` names the fields that could not be read.
"""


def create_app(
    application: Application, hosts: frozenset[str] = LOCAL_NAMES, welcome: Welcome | None = None
) -> FastAPI:
    """The ASGI application over an open data file, which it closes on shutdown; `welcome` is what
    is done before the first visitor is answered.
    """

    @asynccontextmanager
    async def lifespan(_: FastAPI) -> AsyncIterator[None]:
        getting_ready = asyncio.ensure_future(run_in_threadpool(get_ready, app.routes))
        yield
        await getting_ready
        app.state.phone.shut()
        application.database.close()

    app = FastAPI(
        title="Yardcliff",
        version=__version__,
        description=ABOUT,
        lifespan=lifespan,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        responses={
            422: {"model": errors.Problem, "description": "A value cannot be read"},
            "4XX": {
                "model": errors.Problem,
                "description": "It cannot be done: it is not there, or not as it was",
            },
            "5XX": {
                "model": errors.Problem,
                "description": "The data file or a supplier cannot be used",
            },
        },
    )
    app.state.application = application
    errors.install(app)

    @app.get("/api/health", tags=["server"])
    def health() -> dict[str, str]:
        """Answers when the server is up."""
        return {"yardcliff": __version__}

    for room in (
        settings,
        catalogue,
        items,
        solve,
        new,
        making,
        bench,
        log,
        instruments,
        phone,
        racks,
        several,
        versions,
        marking_aids,
        walls,
        stock,
        wood,
        batch,
    ):
        app.include_router(room.router)
    page.install(app)
    app.add_middleware(Reading)
    app.add_middleware(Once)
    app.add_middleware(Speaking)
    if welcome:
        app.add_middleware(Arrival, welcome=welcome)
    app.add_middleware(Guard, hosts=hosts)
    app.state.phone = Phone(app)
    return app
