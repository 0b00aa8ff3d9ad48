"""Long work asks now and then whether anybody still waits for it."""

from collections.abc import Callable
from contextvars import ContextVar

from yardcliff.core.base.errors import YardcliffError
from yardcliff.messages import tr


class GivenUp(YardcliffError):
    """Whoever asked for the work went away, or said that it is enough."""


def _waited_for() -> bool:
    return True


WAITED_FOR: ContextVar[Callable[[], bool]] = ContextVar("waited_for", default=_waited_for)
"""Set by whoever starts work that may be given up."""


def check() -> None:
    """Raises `GivenUp` where nobody waits any more: called once a design, a node of a search, a
    round of tries.
    """
    if not WAITED_FOR.get()():
        raise GivenUp(tr("base.was-given-up-nobody-waits-for"))
