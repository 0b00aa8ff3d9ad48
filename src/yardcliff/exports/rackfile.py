"""The rack as a file: JSON that opens again losslessly, lengths as exact text."""

import json
from typing import Any

from pydantic.json_schema import GenerateJsonSchema
from pydantic_core import core_schema

from yardcliff.core.design.change import dump
from yardcliff.core.ways import BRIEFS, Brief

FORMAT, VERSION = "yardcliff-rack", 1


def write_rackfile(name: str, brief: Brief) -> str:
    """The rack file's text."""
    return (
        json.dumps(
            {"format": FORMAT, "version": VERSION, "name": name, "brief": dump(brief)}, indent=2
        )
        + "\n"
    )


class _Openable(GenerateJsonSchema):
    """What opens, and not only what is written: a field with a default may be left out."""

    def field_is_required(
        self,
        field: core_schema.ModelField | core_schema.DataclassField | core_schema.TypedDictField,
        total: bool,
    ) -> bool:
        return super().field_is_required(field, total) and field["schema"]["type"] != "default"


def schema() -> dict[str, Any]:
    """The JSON Schema of a rack file (draft 2020-12)."""
    brief = BRIEFS.json_schema(
        ref_template="#/$defs/{model}", mode="serialization", schema_generator=_Openable
    )
    definitions = brief.pop("$defs")
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "Yardcliff rack",
        "description": (
            "One rack: its name and everything that was decided about it. Derived figures are not"
            " stored."
        ),
        "type": "object",
        "required": ["format", "version", "name", "brief"],
        "additionalProperties": False,
        "properties": {
            "format": {"const": FORMAT},
            "version": {"const": VERSION},
            "name": {"type": "string", "minLength": 1, "maxLength": 80},
            "brief": brief,
        },
        "$defs": definitions,
    }
