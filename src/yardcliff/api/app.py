"""The application: one store, thin routers, one error form, one guard at the door."""

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager

from fastapi import FastAPI

from yardcliff import __version__
from yardcliff.api import (
    aids,
    batch,
    catalogue,
    errors,
    instruments,
    items,
    log,
    making,
    phone,
    racks,
    site,
    solve,
    stock,
    timber,
    versions,
    walls,
)
from yardcliff.api.door import Phone
from yardcliff.api.once import Once
from yardcliff.api.reading import Reading
from yardcliff.api.security import LOCAL_NAMES, Guard
from yardcliff.instruments import Instruments
from yardcliff.store.database import Database
from yardcliff.suppliers import Supplier

ABOUT = """
Yardcliff designs hanging racks: it spaces what hangs, derives the board, and gives the pencil marks.

* A **brief** is what the user decides. Lengths travel as exact text with a unit (`"6 3/4 in"`, `"171.5 mm"`); a
  bare number takes the unit of the brief's tape.
* A **design** is the brief worked out: marks, figures with their working, findings with fixes,
  a drawing in millimetres (x right from the datum, y up from the floor).
* A **wall** is surveyed once for all racks on it. A brief's `place` says on which and where, its `mount` how it is fixed.
* Every change is a **JSON merge patch** on the brief; fixes and ladder rungs come as such patches. Stored racks
  count versions: a change names the version it was made from and is refused with 409 when there is a newer one.
* Errors are `application/problem+json`; `errors` names the fields that could not be read.
"""


def create_app(
    database: Database,
    hosts: frozenset[str] = LOCAL_NAMES,
    yard: Supplier | None = None,
    measuring: Instruments | None = None,
) -> FastAPI:
    """The ASGI application over an open data file, which it closes on shutdown; a timber `yard` may be asked for prices, instruments for what they are `measuring`."""

    @asynccontextmanager
    async def lifespan(_: FastAPI) -> AsyncIterator[None]:
        yield
        app.state.phone.shut()
        database.close()

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
            "4XX": {"model": errors.Problem, "description": "It cannot be done: it is not there, or not as it was"},
            "5XX": {"model": errors.Problem, "description": "The data file or a supplier cannot be used"},
        },
    )
    app.state.database = database
    app.state.yard = yard
    app.state.instruments = measuring or {}
    errors.install(app)

    @app.get("/api/health", tags=["server"])
    def health() -> dict[str, str]:
        """Answers when the server is up."""
        return {"yardcliff": __version__}

    app.include_router(catalogue.router)
    app.include_router(items.router)
    app.include_router(solve.router)
    app.include_router(making.router)
    app.include_router(log.router)
    app.include_router(instruments.router)
    app.include_router(phone.router)
    app.include_router(racks.router)
    app.include_router(versions.router)
    app.include_router(aids.router)
    app.include_router(walls.router)
    app.include_router(stock.router)
    app.include_router(timber.router)
    app.include_router(batch.router)
    site.install(app)
    app.add_middleware(Reading)
    app.add_middleware(Once)
    app.add_middleware(Guard, hosts=hosts)
    app.state.phone = Phone(app)
    return app
