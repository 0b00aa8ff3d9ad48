"""How a sheet - a rack, a wall - is changed: by a merge patch, from the version that it was seen
at.
"""

from typing import Annotated

from pydantic import BaseModel, Field, StringConstraints

from yardcliff.core.findings.finding import Patch
from yardcliff.store.sheets import Sheets

SheetName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]


class Change(BaseModel):
    """A JSON merge patch (RFC 7396) on the brief, made from version `base` of the rack."""

    base: int
    patch: Patch


class Base(BaseModel):
    base: int = Field(description="The version that the change is made from.")


class Steps(Base):
    steps: int = Field(1, ge=1, le=1000, description="How many changes.")


class DoneView(BaseModel):
    """A change that can be taken back, or brought again."""

    label: str
    made_at: str
    steps: int = Field(description="What undoes it with all after it (below 0), or redoes it.")


MOST_STEPS = 40
"""Of a history, to each side."""


class Rename(Base):
    name: SheetName


def view_history(sheets: Sheets, sheet_id: str) -> list[DoneView]:
    return [
        DoneView(label=step.label, made_at=step.made_at, steps=step.steps)
        for step in sheets.history(sheet_id, MOST_STEPS)
    ]
