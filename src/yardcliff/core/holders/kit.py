"""Holders as a kit: any of them on any part that can carry it."""

from typing import Annotated, Any

from pydantic import Field, TypeAdapter

from yardcliff.core.brief.choices import Section
from yardcliff.core.holders import bent as bents
from yardcliff.core.holders import bent_fit, hook_fit, peg_fit
from yardcliff.core.holders import bolt as bolts
from yardcliff.core.holders import hook as hooks
from yardcliff.core.holders import peg as pegs
from yardcliff.core.holders.fitting import Fitting, Ground
from yardcliff.core.units.trade import Trade

AnyHolder = hooks.Hook | pegs.Peg | bents.Bent | bolts.Bolt
Holder = Annotated[AnyHolder, Field(discriminator="kind")]
_HOLDER: TypeAdapter[AnyHolder] = TypeAdapter(Holder)


def read(values: dict[str, Any]) -> AnyHolder:
    """A holder from its fields, as a table has them."""
    return _HOLDER.validate_python(values, context={"exact": True})


def fit(holder: AnyHolder, ground: Ground) -> Fitting:
    """The holder on its ground."""
    match holder:
        case pegs.Peg():
            return peg_fit.fit(holder, ground)
        case bents.Bent():
            return bent_fit.fit(holder, ground)
        case bolts.Bolt():
            return bolts.fit(holder, ground)
        case hooks.Hook():
            return hook_fit.fit(holder, ground)


def share(fitting: Fitting) -> float:
    """How much of what it may bear the weakest link of a holder bears."""
    return max((link.share for link in fitting.links), default=0.0)


def choices(holder: AnyHolder, trade: Trade) -> tuple[Section, ...]:
    """What the holder alone is asked, beyond what every hook and peg is."""
    match holder:
        case bents.Bent():
            return (bents.choices(trade),)
        case bolts.Bolt():
            return (bolts.choices(trade),)
        case hooks.Hook():
            return (hooks.choices(holder),)
        case _:
            return ()
