"""What the API says of timber: stock, prices, cut plans, shopping lists."""

from pydantic import BaseModel, Field

from yardcliff.api.racks.wire import FindingView
from yardcliff.api.wire import BoxView, Wire
from yardcliff.app.moments import Moment
from yardcliff.core.findings.finding import Patch
from yardcliff.core.materials.goods import Form, Stuff
from yardcliff.core.wood.stock import Section


class FlawView(Wire):
    what: str
    at: str
    width: str
    back: bool
    x0: float
    x1: float


class StickView(Wire):
    """A stick on hand: what it is, its fields as text, and its size in mm to draw it."""

    id: str
    says: str
    form: Form
    stuff: Stuff
    species: str
    wide: str
    thick: str
    thread: str
    long: str
    reclaimed: bool
    note: str
    flaws: list[FlawView]
    long_mm: float
    wide_mm: float


class PriceListView(Wire):
    supplier: str
    currency: str
    taken: str
    timber: int = Field(description="How many pieces of timber it has a price of.")
    wares: int


class WareView(Wire):
    kind: str
    name: str
    amount: str = Field(description="As it is said and read: `38`, `190 g`.")


class SoldView(Wire):
    """A row of the table of what is sold, to begin a stick with."""

    name: str
    section: Section
    longs: list[str]


class Chosen(Wire):
    """One of a table that may be chosen, and what is to be known of it."""

    name: str
    says: str


class StockView(Wire):
    sticks: list[StickView]
    lists: list[PriceListView]
    wares: list[WareView]
    sold: list[SoldView]
    saws: list[Chosen]
    woods: list[Chosen]
    finishes: list[Chosen]
    yard: bool = Field(description="Whether a timber yard is known that can be asked.")


class PieceView(Wire):
    """A piece on its stick; `at` is the running mark, as a tape reads it that is hooked over the
    squared end.
    """

    name: str
    long: str
    turned: bool
    at: str
    box: BoxView
    plain: tuple[float, float] = Field(
        description="Where its name is read: the longest stretch with no flaw behind it, mm."
    )


class OffcutView(Wire):
    long: str
    keeps: bool
    box: BoxView


class SawnFlawView(Wire):
    """Where a flaw is on a stick, mm; one on its `back` may lie behind a piece."""

    x0: float
    x1: float
    back: bool


class CutStickView(Wire):
    """A stick with what is cut from it, and in which order."""

    key: str
    name: str
    long: str
    long_mm: float
    wide_mm: float
    pieces: list[PieceView]
    offcuts: list[OffcutView]
    flaws: list[SawnFlawView]
    order: list[str]


class SawnView(CutStickView):
    """The same in a plan: what it costs, how much of it is used; whether it is kept so."""

    on_hand: bool
    price: str
    was: str
    note: str
    used: str
    locked: str = Field(description="By which key of the brief it is kept so, if it is.")


class GroupView(Wire):
    """The plan of one thickness: how good it is, in words."""

    says: str
    verdict: str
    proved: bool
    missing: list[str]
    sawn: list[SawnView]


class UnusedView(Wire):
    """A stick on hand that the plan leaves, and why."""

    says: str
    long: str
    why: str


class StopView(Wire):
    long: str
    names: list[str]


class LineView(Wire):
    kind: str
    name: str
    need: str
    buy: str
    each: str
    total: str
    left: str
    timber: bool = Field(description="Whether it is cut from, and bought by the stick.")
    says: str = Field(
        description="Where it is bought, what it was before, whether there is enough of it."
    )
    known: bool
    unit: str = Field(
        description="What a packet of it is measured in: ml, g, or nothing where it is counted."
    )
    noted: str = Field(
        description="The packet and its price that the user noted, where that is what counts."
    )


class SawingView(Wire):
    id: str
    made_at: str
    planned: str
    spent: str
    over: str


class ForbiddenView(Wire):
    says: str
    patch: Patch


class TimberView(Wire):
    """A rack's timber: the plan, what to buy, what it costs, what there is to say of it."""

    groups: list[GroupView]
    stops: list[StopView]
    lines: list[LineView]
    total: str
    unknown: int
    cost: int = Field(description="The total in hundredths, to compare plans by.")
    currency: str
    priced: str = Field(description="Whose prices of which day, or that there are none.")
    kerf: str
    findings: list[FindingView]
    forbidden: list[ForbiddenView]
    sawings: list[SawingView]
    spent: str = Field(description="What went into it so far.")
    cut: int = Field(description="How many pieces are cut.")
    parts: list[str] = Field(
        description="The names of all pieces that may be asked to match, or to hide their backs."
    )
    on_sheets: list[str] = Field(
        description="Those of them that come from a sheet, and may lie across its grain."
    )
    cautions: list[str]
    work: str = Field(
        description=(
            "How long ripping and planing take, with what, and what they save; nothing where there"
            " is none."
        )
    )
    unused: list[UnusedView]


class TriedView(Wire):
    """What a change of the plan would cost, against the plan as it is."""

    timber: TimberView
    says: str
    dearer: int


class CostView(Wire):
    """What a count of the ladder costs."""

    count: int
    total: str
    per_holder: str


class FlawText(BaseModel):
    what: str = "knot"
    at: str = ""
    width: str = "30 mm"
    back: bool = False


class StickText(BaseModel):
    """A stick as it is typed."""

    form: Form = "board"
    stuff: Stuff = "softwood"
    species: str = ""
    wide: str = Field("", description="Left out for a threaded rod: its thread says it.")
    thick: str = ""
    thread: str = ""
    long: str
    flaws: list[FlawText] = Field(default_factory=list, max_length=40)
    reclaimed: bool = False
    note: str = ""
    many: int = Field(1, ge=1, le=100, description="So many alike.")


class WareText(BaseModel):
    """So much of a ware is there: `38`, `190 g`; of none of it is nothing kept."""

    kind: str
    name: str = Field(min_length=1, max_length=80)
    amount: str = Field(max_length=40)


class PriceText(BaseModel):
    """What a packet of a ware costs, as its label says: `pack` is what is in it, `750 ml`, `1 kg`,
    `50`. Without a price, what was noted of that ware is taken back.
    """

    kind: str = Field(max_length=40)
    name: str = Field(min_length=1, max_length=80)
    pack: str = Field("", max_length=40)
    price: str = Field("", max_length=40)


class Spent(BaseModel):
    """What was spent in the end, as written; left out, as much as was planned. `after` so many of
    this rack's plans were carried out before: another one, sawn in the same moment elsewhere, is
    told and not booked twice.
    """

    spent: str | None = Field(None, max_length=40)
    after: int = Field(0, ge=0, le=1000)
    now: Moment | None = None


class TimberFile(Wire):
    """What a file had: rows that were read, and those that were refused."""

    taken: int
    refused: list[str]
