"""What the API says of walls: surveys, a rack on one, how it is fixed and put up. `wall_views` puts
core values into them.
"""

from pydantic import Field

from yardcliff.api.wire import BoxView, DimensionView, SceneView, TapeView, Wire
from yardcliff.core.findings.finding import Patch
from yardcliff.core.wall.wall import Wall


class SnapView(Wire):
    """Where a dragged rack catches, mm: as exact text for the brief, and why there."""

    at: float
    value: str
    text: str
    why: str


class FixedView(Wire):
    """How one body of the rack is held: `share` is of what its weakest link may bear."""

    body: str
    by: str
    name: str
    count: int
    share: str
    level: float
    good: bool
    strip: bool = Field(
        description="Whether it hangs on a strip that goes up first, and so stands off the wall."
    )


class LinkView(Wire):
    """One link from the thing to the wall: how much of what it may bear it bears; `figure` is the
    key of its working.
    """

    kind: str
    name: str
    share: str
    level: float
    figure: str


class ChainView(Wire):
    """What holds what hangs there: what was assumed, the links from the weakest on, and what is not
    checked yet.
    """

    assumed: list[str]
    links: list[LinkView]
    unchecked: str
    note: str


class OnWallView(Wire):
    """A rack on its wall. `box` is what it takes up, in the rack's frame."""

    wall: str
    name: str
    x: str
    x_mm: float
    hung_mm: float
    box: BoxView
    face: BoxView = Field(description="The whole wall, in the rack's frame.")
    reach: str
    depth: str
    verdict: str
    fixed: list[FixedView]
    dimensions: list[DimensionView] = Field(
        description="Where it is, measured from corner, floor and ceiling."
    )
    snaps_x: list[SnapView]
    snaps_y: list[SnapView]


class AimView(Wire):
    """The best place by one aim, and what it costs."""

    aim: str
    name: str
    why: str
    but: str = Field(
        description="How far it is from what was aimed at, and why; nothing where it is just there."
    )
    x: str
    off: str
    studs: int
    screws: int
    share: str
    here: bool
    patch: Patch


class FixingWay(Wire):
    """One choice of fixing, and what it would mean here."""

    value: str
    name: str
    why: str
    verdict: str
    good: bool


class HoleView(Wire):
    number: int
    body: str
    x: str
    y: str
    into: str


class StepView(Wire):
    do: str
    why: str


class PutUpView(Wire):
    """How it is put up: holes from the wall's left corner and from the floor, steps in order,
    tools, cautions.
    """

    holes: list[HoleView]
    steps: list[StepView]
    tools: list[str]
    cautions: list[str]


class StandingView(Wire):
    """What its wall allows a rack: places by each aim, ways of fixing, putting it up."""

    assumed: str = Field(description="What of the wall is assumed; empty where it is measured.")
    aims: list[AimView]
    by: list[FixingWay]
    into: list[FixingWay]
    helps: str | None = Field(
        description="What would take most off the weakest link; null where little would."
    )
    put_up: PutUpView


class WallDesign(Wire):
    """A survey as the interface shows it. `fields` holds the text to show for each length."""

    survey: Wall
    fields: dict[str, str]
    tape: TapeView
    assumed: str = Field(description="What nobody has looked for yet; empty where all is measured.")
    studs: list[str]
    areas: list[BoxView] = Field(description="Where each obstacle is, in mm.")
    scene: SceneView


class WallRack(Wire):
    """A rack on a wall."""

    id: str
    name: str
    says: str
    x: str
    hung: str
    to_settle: int


class WallView(Wire):
    """A stored wall with its racks. `version` goes back with every change made to it."""

    id: str
    name: str
    version: int
    undo: str | None
    redo: str | None
    deleted: bool
    design: WallDesign
    racks: list[WallRack]


class WallChoice(Wire):
    """A wall that a rack could hang on; the patch that puts it there, and what is free."""

    id: str
    name: str
    says: str
    patch: Patch
