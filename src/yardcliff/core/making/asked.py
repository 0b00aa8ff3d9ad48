"""What the tasks of a rack are read off: its design, its timber, its user, the workshop."""

from dataclasses import dataclass

from yardcliff.core.brief.building import Making
from yardcliff.core.design.rack_design import Design
from yardcliff.core.making.finish import Finish
from yardcliff.core.rack import Rack
from yardcliff.core.wood.rack_timber import Timber
from yardcliff.core.workshop.shop import Shop


@dataclass(frozen=True, slots=True)
class Asked:
    """What every task is read off."""

    done: Design
    found: Timber
    making: Making
    shop: Shop

    @property
    def rack(self) -> Rack:
        return self.done.rack

    @property
    def finish(self) -> Finish:
        return Finish(self.done, self.found, self.making)
