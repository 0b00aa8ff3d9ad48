"""The ways of building. A new one is one new module with a brief and a `build`, listed here."""

from yardcliff.core.families import rail
from yardcliff.core.families.rail import RailBrief

Brief = RailBrief
"""Every family's brief; a discriminated union on `family` once there is a second one."""

FAMILIES = {"rail": rail}
