"""One map from Yardcliff's errors to HTTP: application/problem+json (RFC 9457)."""

from collections.abc import Mapping
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, ValidationError
from starlette.exceptions import HTTPException

from yardcliff.core.base.effort import GivenUp
from yardcliff.core.base.errors import YardcliffError
from yardcliff.core.design.as_built import MadeAlready
from yardcliff.core.findings.patch import BriefError
from yardcliff.core.row.mark_check import MarksError
from yardcliff.core.things.listing import ListingError
from yardcliff.core.units.length_text import LengthError
from yardcliff.imports.rackfile import RackFileError
from yardcliff.imports.rows import CsvFileError
from yardcliff.messages import tr
from yardcliff.store.errors import (
    AlreadyWritten,
    DataFileError,
    NothingToUndo,
    SheetNotFound,
    StaleSheet,
    StaleStock,
    StoreNotFound,
)
from yardcliff.store.versions import TooManyVersions, VersionNotFound
from yardcliff.suppliers import SupplierError

MOST = 20
"""Fields that are named where more cannot be read."""


class FieldError(BaseModel):
    """What is wrong with one field of the request, by its dotted path."""

    field: str
    message: str


class Problem(BaseModel):
    """An error as the API gives it."""

    type: str
    title: str
    status: int
    detail: str
    errors: list[FieldError] = []
    version: int | None = None


# Class -> (status, short name, title). The first match in order wins.
_MAP: list[tuple[type[YardcliffError], int, str, str]] = [
    (SheetNotFound, 404, "not-found", "api.no-such-sheet"),
    (StoreNotFound, 404, "not-found", "api.no-such-thing"),
    (SupplierError, 502, "supplier", "api.no-prices"),
    (VersionNotFound, 404, "version-not-found", "api.no-such-version"),
    (TooManyVersions, 409, "too-many-versions", "api.too-many-versions"),
    (StaleSheet, 409, "stale", "api.changed-in-another-window"),
    (StaleStock, 409, "stale-stock", "api.changed-in-another-window"),
    (AlreadyWritten, 409, "already-written", "api.done-already"),
    (MadeAlready, 409, "made", "api.made-already"),
    (NothingToUndo, 409, "nothing-to-undo", "api.nothing-there"),
    (BriefError, 422, "unreadable-brief", "api.a-value-cannot-be-read"),
    (ListingError, 422, "unreadable-item", "api.a-measure-cannot-be-read"),
    (LengthError, 422, "unreadable-length", "api.a-length-cannot-be-read"),
    (MarksError, 422, "unreadable-marks", "api.the-marks-cannot-be-read"),
    (CsvFileError, 422, "unreadable-file", "api.the-file-cannot-be-read"),
    (RackFileError, 422, "unreadable-file", "api.the-file-cannot-be-opened"),
    (DataFileError, 507, "data-file", "api.the-data-file-cannot-be-used"),
    (GivenUp, 499, "given-up", "api.given-up"),
    (YardcliffError, 400, "refused", "api.that-cannot-be-done"),
]


def problem(status: int, name: str, title: str, detail: str, **more: Any) -> Problem:
    return Problem(type=f"/problems/{name}", title=title, status=status, detail=detail, **more)


def _message(error: Mapping[str, Any]) -> str:
    if error["type"] == "string_too_long":
        return tr(
            "api.characters-too-many-most",
            count=len(str(error["input"])),
            max_length=error["ctx"]["max_length"],
        )
    return str(error["msg"])


def several(errors: list[FieldError]) -> Problem:
    """What of a request cannot be read: the first few, and how many more."""
    said = [f"{e.field or 'request'}: {e.message}" for e in errors[:MOST]]
    said += [tr("api.and-more", count=len(errors) - MOST)] if len(errors) > MOST else []
    return problem(
        422,
        "unreadable-request",
        tr("api.the-request-cannot-be-read"),
        "; ".join(said),
        errors=errors[:MOST],
    )


def respond(problem: Problem) -> JSONResponse:
    return JSONResponse(
        problem.model_dump(exclude_defaults=True),
        problem.status,
        media_type="application/problem+json",
    )


def explained(error: Exception) -> Problem:
    """Any error that a request can lead to, as the API gives it."""
    if isinstance(error, (RequestValidationError, ValidationError)):
        return several(
            [
                FieldError(
                    field=".".join(str(p) for p in e["loc"] if p != "body"), message=_message(e)
                )
                for e in error.errors()
            ]
        )
    status, name, title = next(row[1:] for row in _MAP if isinstance(error, row[0]))
    more: dict[str, Any] = {}
    if isinstance(error, (BriefError, ListingError)):
        more["errors"] = [
            FieldError(field=field, message=text) for field, text in error.problems[:MOST]
        ]
    if isinstance(error, StaleSheet):
        more["version"] = error.version
    return problem(status, name, tr(title), str(error), **more)


def install(app: FastAPI) -> None:
    """Answer every error of the application in one form."""

    @app.exception_handler(YardcliffError)
    @app.exception_handler(RequestValidationError)
    async def ours(_: Request, error: Exception) -> JSONResponse:
        return respond(explained(error))

    @app.exception_handler(HTTPException)
    async def http(_: Request, error: HTTPException) -> JSONResponse:
        return respond(problem(error.status_code, "http", tr("api.refused"), str(error.detail)))
