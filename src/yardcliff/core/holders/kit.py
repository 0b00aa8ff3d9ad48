"""Holders as a kit: any of them on any part that can carry it."""

from typing import Annotated

from pydantic import Field

from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting, Ground

Holder = Annotated[hooks.Hook | pegs.Peg, Field(discriminator="kind")]


def fit(holder: hooks.Hook | pegs.Peg, ground: Ground) -> Fitting:
    """The holder on its ground."""
    return pegs.fit(holder, ground) if isinstance(holder, pegs.Peg) else hooks.fit(holder, ground)
