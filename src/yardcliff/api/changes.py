"""How a sheet - a rack, a wall - is changed: by a merge patch, from the version that it was seen
at.
"""

from typing import Annotated

from pydantic import BaseModel, Field, StringConstraints

from yardcliff.core.findings.finding import Patch

SheetName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]


class Change(BaseModel):
    """A JSON merge patch (RFC 7396) on the brief, made from version `base` of the rack."""

    base: int
    patch: Patch


class Base(BaseModel):
    base: int = Field(description="The version that the change is made from.")


class Rename(Base):
    name: SheetName
