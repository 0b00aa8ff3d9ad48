"""What the API says of racks: the models that travel. `views` puts core values into them."""

from typing import Any, Literal

from pydantic import Field

from yardcliff.api.walls.wire import ChainView, OnWallView
from yardcliff.api.wire import BoxView, NamedScene, SceneView, TapeView, Wire
from yardcliff.core.design.begin import How
from yardcliff.core.findings.finding import Patch
from yardcliff.core.row.keepouts import Flaw
from yardcliff.core.ways import AnyBrief

BriefJson = dict[str, Any]
"""A brief as it is sent: not read yet, since a change is merged into it first."""


class InputView(Wire):
    symbol: str
    name: str
    text: str


class FigureView(Wire):
    """A derived figure with its working. `tape` is the reading where it differs from `text`."""

    key: str
    label: str
    text: str
    tape: str | None
    formula: str
    inputs: list[InputView]
    why: str


class FixView(Wire):
    label: str
    patch: Patch = Field(description="A JSON merge patch on the brief that settles the finding.")


class FindingView(Wire):
    """What is wrong: part, figure, limit, the nearest ways out, and where on the drawing."""

    code: str
    severity: Literal["stop", "care", "note"]
    title: str
    part: str
    message: str
    figure: str
    value: str
    limit: str
    x: float
    y: float
    fixes: list[FixView]


class RungView(Wire):
    """One count of the ladder; `axes` and `length_mm` draw its miniature."""

    count: int
    hang: int = Field(description="How many things hang then, on all rows.")
    chosen: bool
    verdict: str
    length: str
    pitch: str
    air: str
    ends: str
    full: str
    axes: list[float]
    length_mm: float
    patch: Patch


class MarksView(Wire):
    """The pencil marks of a row from the datum, in columns: hundreds travel on every frame of a
    drag.

    `drift` is what stepping off a rounded pitch would have cost, where the row has one pitch;
    `pinned` the indexes of those that the user pinned.
    """

    x: list[float]
    text: list[str]
    from_end: list[str]
    exact: list[str]
    error: list[str]
    drift: list[str] | None
    pinned: list[int]


class MeasuresView(Wire):
    """An item about its own axis, how far it stands off the wall, how thick it is where it is held,
    mm.
    """

    box: BoxView
    front: float
    held: float | None


class ThingsView(Wire):
    """The things of the first row from the datum, in columns: kind, own axis, first holder, kept
    free.
    """

    kind: list[str]
    x: list[float]
    holder: list[int]
    spare: list[bool]


class KeepOutView(Wire):
    """What the row keeps clear of: its left edge and width in mm, and where it stands
    on the tape.
    """

    flaw: Flaw
    x: float
    width: float
    at: str


class RowView(Wire):
    """A row from the top. `alike` is the first row that has the same marks; only that one carries
    them.

    The first row's marks stand in the design itself.
    """

    y: float
    kind: str = Field(description="What it hangs, or “=” for what the first row hangs.")
    count: int
    alike: int
    names: str = Field(
        description="What the rows with these marks are called together: rows 1 and 3, left board."
    )
    marks: MarksView | None


class OperationView(Wire):
    """A line of the machining schedule, in words; `web` is empty where nothing stays behind."""

    what: str
    count: int
    where: str
    tool: str
    depth: str
    setting: str
    web: str
    stop: str
    note: str


class HoleView(Wire):
    """A line of a hole table, in words."""

    number: int
    along: str
    across: str
    rest: str
    bit: str
    depth: str
    tilt: str
    head: str
    purpose: str


class FaceTableView(Wire):
    """The holes of a face: along from this end, across from this edge, the rest to that one."""

    face: str
    along: str
    across: str
    rest: str
    lines: list[HoleView]


class HoleTableView(Wire):
    """The holes of a part, or of parts that are drilled alike."""

    name: str
    faces: list[FaceTableView]


class OptionView(Wire):
    value: str
    name: str
    why: str


class ChoiceField(Wire):
    """A field of the brief, by its path: picked from the options, or typed where there are none.

    Where it may be left out, `figure` is the key of what it then is.
    """

    path: str
    label: str
    options: list[OptionView]
    figure: str


class ChoiceSection(Wire):
    """Choices that this way of building alone has, and the figures that follow from them."""

    title: str
    fields: list[ChoiceField]
    figures: list[str]


class DesignView(Wire):
    """A brief worked out in full. `fields` holds the text to show for each length of the brief."""

    brief: AnyBrief
    fields: dict[str, str]
    follows: str
    count: int
    holder_count: int
    length_mm: float
    up: bool = Field(
        description=(
            "Whether the row runs up from the foot instead of along the wall from the left end."
        )
    )
    ends: tuple[str, str] = Field(
        description="What the two ends of the row are called, the datum first."
    )
    origin: tuple[float, float] = Field(description="Where the first row starts, (x, y) in mm.")
    holders: str
    holder: str = Field(description="What one of them is called.")
    tape: TapeView
    kinds: dict[str, MeasuresView]
    things: ThingsView
    marks: MarksView
    keepouts: list[KeepOutView]
    rows: list[RowView]
    figures: dict[str, FigureView]
    findings: list[FindingView]
    machining: list[OperationView]
    cautions: list[str]
    chain: ChainView
    scene: SceneView
    views: list[NamedScene]
    on_wall: OnWallView | None
    family: str
    ways: list[OptionView] = Field(
        description="Every way of building, the most fitting first, with the reason."
    )
    several: Literal["one", "two", "several", "boards"] = Field(
        description=(
            "The rows that this way of building can have: one, a second with things of its own,"
            " several, or several on boards of their own."
        )
    )
    choices: list[ChoiceSection]


class RoomView(Wire):
    """How a new rack has room where it is for, and what it would be."""

    how: How
    name: str
    says: str = Field(description="What gave way for it, if anything.")
    made: str
    size: str
    musts: int = Field(description="How much has to be fixed in it.")
    brief: BriefJson
    scene: SceneView


class WayView(Wire):
    """A way of building that could hold what was asked for, how well it suits, and each way that it
    has room where it is for: of the way of building that is not asked for only the best.
    """

    family: str
    name: str
    says: str
    fits: Literal["made for it", "suits", "at a pinch", "not really"]
    why: str
    rooms: list[RoomView]


class RackView(Wire):
    """A stored rack. `version` goes back with every change made to it."""

    id: str
    name: str
    version: int
    undo: str | None = Field(description="What undo would take back, or null.")
    redo: str | None
    updated_at: str
    deleted: bool
    design: DesignView
    ladder: list[RungView]
    site: str = Field(
        description=(
            "The state of its wall and of the other racks there: another once any of them changes."
        )
    )


class ItemChoice(Wire):
    """A thing of the list: its measures as a patch for a brief's item, its columns as text, its
    figure.
    """

    key: str
    group: str
    own: bool
    name: str
    plural: str
    patch: Patch
    air: str
    columns: dict[str, str]
    measures: MeasuresView
    scene: SceneView
