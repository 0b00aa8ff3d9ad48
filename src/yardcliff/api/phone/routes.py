"""The bench on a phone: allowed by the user of this machine, off at every start."""

import re
from typing import Annotated

from fastapi import APIRouter, Query, Request

from yardcliff.api.phone.access import Phone
from yardcliff.api.wire import Wire
from yardcliff.core.base.errors import YardcliffError
from yardcliff.messages import tr

router = APIRouter(prefix="/api/phone", tags=["making"])


class CannotListen(YardcliffError):
    def __init__(self, why: str | None) -> None:
        super().__init__(tr("api.no-phone-can-be-let-in", why=why or tr("api.nothing-can-listen")))


class PhoneView(Wire):
    """Whether the bench is open to a phone; then its address and key, and a link that carries both,
    as a QR code's rows of 0 and 1.
    """

    open: bool
    address: str
    key: str
    link: str
    code: list[str]


To = Annotated[
    str,
    Query(max_length=80, description="The bench that the link leads to, like /racks/0f3a/bench."),
]


def _view(phone: Phone, to: str) -> PhoneView:
    if not phone.open:
        return PhoneView(open=False, address="", key="", link="", code=[])
    import segno  # rarely asked for

    link = f"http://{phone.address}/phone?key={phone.key}"
    if re.fullmatch(r"/racks/[0-9a-f]+/bench", to):
        link += f"&to={to}"
    rows = ["".join(map(str, row)) for row in segno.make_qr(link, error="m").matrix]
    return PhoneView(open=True, address=phone.address, key=phone.key, link=link, code=rows)


@router.get("")
def get_phone(request: Request, to: To = "") -> PhoneView:
    """Whether a phone may come in, and how."""
    return _view(request.app.state.phone, to)


@router.post("")
def allow_phone(request: Request, to: To = "") -> PhoneView:
    """Let phones on the same network in, with a key, to the bench only."""
    try:
        request.app.state.phone.allow()
    except OSError as error:
        raise CannotListen(error.strerror) from None
    return _view(request.app.state.phone, to)


@router.delete("")
def shut_phone(request: Request) -> PhoneView:
    """Let nobody in any more."""
    request.app.state.phone.shut()
    return _view(request.app.state.phone, "")
