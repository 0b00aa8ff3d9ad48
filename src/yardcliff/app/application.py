"""The application over an open data file, for whoever serves it: the API and the command line
alike.
"""

from dataclasses import dataclass, field

from yardcliff.app.designs import Designs, Remembered
from yardcliff.app.known_items import KnownItems
from yardcliff.app.settings import KeptSettings
from yardcliff.app.supplies import Supplies
from yardcliff.app.workshop import Workshop
from yardcliff.instruments import Instruments
from yardcliff.store.bench import Bench
from yardcliff.store.database import Database
from yardcliff.store.facts import Facts
from yardcliff.store.items import Items
from yardcliff.store.settings import SettingsStore
from yardcliff.store.sheets import Racks, Walls
from yardcliff.store.timber import Stock
from yardcliff.store.versions import Versions
from yardcliff.suppliers import Supplier


@dataclass(frozen=True, slots=True)
class Application:
    """Everything of a data file; a timber `yard` may be asked for prices, `instruments` by their
    names for what they measure.
    """

    database: Database
    yard: Supplier | None = None
    instruments: Instruments = field(default_factory=dict)
    remembered: Remembered = field(default_factory=Remembered)

    @property
    def racks(self) -> Racks:
        return Racks(self.database)

    @property
    def walls(self) -> Walls:
        return Walls(self.database)

    @property
    def facts(self) -> Facts:
        return Facts(self.database)

    @property
    def versions(self) -> Versions:
        return Versions(self.database)

    @property
    def items(self) -> KnownItems:
        return KnownItems(Items(self.database))

    @property
    def designs(self) -> Designs:
        return Designs(self.database, self.remembered)

    @property
    def settings(self) -> KeptSettings:
        return KeptSettings(SettingsStore(self.database))

    @property
    def workshop(self) -> Workshop:
        return Workshop(Bench(self.database), self.facts)

    @property
    def supplies(self) -> Supplies:
        return Supplies(Stock(self.database), self.yard, self.workshop)
