"""Holders as a kit: any of them on any part that can carry it."""

from typing import Annotated

from pydantic import Field

from yardcliff.core.choices import Section
from yardcliff.core.holders import bent as bents
from yardcliff.core.holders import bolt as bolts
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting, Ground

AnyHolder = hooks.Hook | pegs.Peg | bents.Bent | bolts.Bolt
Holder = Annotated[AnyHolder, Field(discriminator="kind")]


def fit(holder: AnyHolder, ground: Ground) -> Fitting:
    """The holder on its ground."""
    match holder:
        case pegs.Peg():
            return pegs.fit(holder, ground)
        case bents.Bent():
            return bents.fit(holder, ground)
        case bolts.Bolt():
            return bolts.fit(holder, ground)
        case hooks.Hook():
            return hooks.fit(holder, ground)


def choices(holder: AnyHolder) -> tuple[Section, ...]:
    """What the holder alone is asked, beyond what every hook and peg is."""
    match holder:
        case bents.Bent():
            return (bents.choices(),)
        case bolts.Bolt():
            return (bolts.choices(),)
        case _:
            return ()
