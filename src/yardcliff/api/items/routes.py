"""The user's own things: kept across racks, as measured; in and out as CSV."""

from typing import Annotated, Literal

from fastapi import APIRouter, Body, HTTPException, Query, Response
from pydantic import Field

from yardcliff.api.deps import App, AskedLocale
from yardcliff.api.racks.item_views import view_listed
from yardcliff.api.racks.wire import ItemChoice
from yardcliff.api.wire import Wire
from yardcliff.app.application import Application
from yardcliff.app.locale import UserLocale
from yardcliff.core.design.change import brought_up_to, dump, read_brief
from yardcliff.core.things.asking import MOST_TEXT, read_answer
from yardcliff.core.things.listing import COLUMNS, Listed, read_row
from yardcliff.core.units.length_text import Unit
from yardcliff.exports.items_csv import write_items
from yardcliff.imports.items_csv import ReadRow, read_items
from yardcliff.messages import tr

router = APIRouter(prefix="/api/items", tags=["items"])
CsvText = Annotated[str, Body(media_type="text/csv")]


class ItemText(Wire):
    """A thing as it is typed, each column as text. Name, left, right and below are needed."""

    columns: dict[str, str] = Field(
        description=f"Of: {', '.join(COLUMNS)}.", max_length=len(COLUMNS)
    )
    unit: Unit = "mm"


class Used(Wire):
    """A rack that uses a thing, with other measures than the list has."""

    id: str
    name: str


class Kept(Wire):
    """A thing that was kept, and the racks that could be brought up to it."""

    item: ItemChoice
    racks: list[Used]


class ImportRow(Wire):
    line: int
    name: str
    standing: Literal["new", "replaces", "same", "refused"]
    why: str


class ImportReport(Wire):
    """What is in the file, row by row. Nothing is kept unless that was asked for."""

    rows: list[ImportRow]
    taken: int


class Asked(Wire):
    """A thing that was named, and how many of it, if that was said."""

    item: str
    count: int | None


class NotListed(Wire):
    """What was named and is in no list, and how many of it."""

    name: str
    count: int | None


class Answered(Wire):
    """What was read of an answer, and what of the list it may mean, the nearest first."""

    hangs: list[Asked]
    width: str | None = Field(description="How wide the place is, if that was said.")
    unknown: list[NotListed] = Field(description="What is in no list.")
    unread: list[str] = Field(description="What cannot be read: a width without a unit, none.")
    found: list[str] = Field(description="Keys of the list; all of it for no text.")


@router.get("/find")
def find_items(
    app: App,
    locale: AskedLocale,
    text: Annotated[str, Query(max_length=MOST_TEXT, examples=["7 coats on 1.2 m"])],
) -> Answered:
    """What hangs, how many and on what width, as somebody says it; by any name that a thing has."""
    tape = app.settings.tape(locale)
    listed = app.items.listed(tape.trade)
    answer = read_answer(text, listed, tape.unit)
    return Answered(
        hangs=[Asked(item=entry.key, count=count) for entry, count in answer.hangs],
        width=None if answer.width is None else tape.write_given(answer.width),
        unknown=[NotListed(name=name, count=count) for name, count in answer.unknown],
        unread=list(answer.unread),
        found=[entry.key for entry in answer.found],
    )


@router.get("/items.csv", response_class=Response)
def export_items(
    app: App, locale: AskedLocale, everything: Annotated[bool, Query(alias="all")] = False
) -> Response:
    """The user's own things as CSV; with `all` the typical ones too."""
    return Response(
        write_items(
            app.items.listed(app.settings.tape(locale).trade) if everything else app.items.own()
        ),
        media_type="text/csv",
        headers={"content-disposition": 'attachment; filename="things-that-hang.csv"'},
    )


@router.post("/import")
def import_items(text: CsvText, app: App, unit: Unit = "mm", take: bool = False) -> ImportReport:
    """Read a CSV file of things, and keep its good rows if `take` says so."""
    rows, there = read_items(text, unit), {entry.key: entry for entry in app.items.own()}
    fresh = [row.entry for row in rows if row.entry and there.get(row.entry.key) != row.entry]
    if take:
        app.items.keep(fresh)
    return ImportReport(
        rows=[_import_row(row, there) for row in rows], taken=len(fresh) if take else 0
    )


def _import_row(row: ReadRow, there: dict[str, Listed]) -> ImportRow:
    standing: Literal["new", "replaces", "same", "refused"] = "new"
    if row.entry is None:
        standing = "refused"
    elif row.entry.key in there:
        standing = "same" if there[row.entry.key] == row.entry else "replaces"
    return ImportRow(line=row.line, name=row.name, standing=standing, why=row.why)


@router.post("", status_code=201)
def keep_new_item(body: ItemText, app: App, locale: AskedLocale) -> Kept:
    """Keep a thing as measured, under a key made from its name. 422 names unreadable columns."""
    return _keep(read_row({**body.columns, "key": ""}, body.unit), app, locale)


@router.put("/{key}")
def keep_item(key: str, body: ItemText, app: App, locale: AskedLocale) -> Kept:
    """Keep a thing as measured, in place of what the list has under its key. 422 names unreadable
    columns.
    """
    return _keep(read_row({**body.columns, "key": key}, body.unit), app, locale)


def _keep(entry: Listed, app: Application, locale: UserLocale) -> Kept:
    app.items.keep([entry])
    behind = [Used(id=rack_id, name=name) for rack_id, name, _, _ in _behind(entry, app)]
    return Kept(item=view_listed(entry, app.settings.tape(locale).trade, own=True), racks=behind)


@router.delete("/{key}", status_code=204)
def forget_item(key: str, app: App) -> None:
    """Forget an own thing; racks keep it as they have it, and a typical one of the key is listed
    again.
    """
    if not app.items.forget(key):
        raise HTTPException(404, tr("api.there-no-thing-your-own", key_name=key))


@router.post("/{key}/racks")
def update_racks(key: str, app: App, locale: AskedLocale) -> list[Used]:
    """Bring every rack that uses a thing up to its measures. Each can be undone on its own."""
    entry = app.items.find(key, app.settings.tape(locale).trade)
    updated = []
    with app.racks.changing():
        for rack_id, name, version, brief in _behind(entry, app):
            app.racks.save(rack_id, version, brief, tr("api.as-measured-now", name=entry.item.name))
            updated.append(Used(id=rack_id, name=name))
    return updated


def _behind(entry: Listed, app: Application) -> list[tuple[str, str, int, dict[str, object]]]:
    """(id, name, version, the brief brought up) of each rack whose measures of the thing differ."""
    found = []
    for record in app.racks.all():
        brief = brought_up_to(read_brief(record.brief), entry)
        if brief is not None:
            found.append((record.id, record.name, record.version, dump(brief)))
    return found
