"""Write the OpenAPI document to standard output, for the front end's generated types: without what
types have no use for.
"""

import json
from typing import Any

from pydantic.json_schema import models_json_schema

from yardcliff.api.app import create_app
from yardcliff.api.instruments import ShownView
from yardcliff.api.racks.solve import Tried
from yardcliff.api.wood.batch import BatchView
from yardcliff.app.application import Application
from yardcliff.store.database import Database

ALONG_LINES = (Tried, BatchView, ShownView)
"""What comes along WebSockets, which OpenAPI does not describe."""


def typed(schema: Any) -> Any:
    """A part of the document without titles, examples, and defaults of what is always there."""
    if isinstance(schema, list):
        return [typed(part) for part in schema]
    if not isinstance(schema, dict):
        return schema
    there = schema.get("required", ())
    return {
        key: {name: _plain(field, name in there) for name, field in part.items()}
        if key == "properties"
        else typed(part)
        for key, part in schema.items()
    }


def _plain(field: dict[str, Any], there: bool) -> Any:
    dropped = ("title", "examples", "default") if there else ("title", "examples")
    return typed({key: part for key, part in field.items() if key not in dropped})


def main() -> None:
    document = create_app(Application(Database(":memory:"))).openapi()
    _, along = models_json_schema(
        [(model, "serialization") for model in ALONG_LINES],
        ref_template="#/components/schemas/{model}",
    )
    document["components"]["schemas"] = along["$defs"] | document["components"]["schemas"]
    print(json.dumps(typed(document), indent=1))


if __name__ == "__main__":
    main()
