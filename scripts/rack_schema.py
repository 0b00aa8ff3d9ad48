"""Write the JSON Schema of a rack file to standard output: docs/rack.schema.json."""

import json

from yardcliff.exports.rackfile import schema

print(json.dumps(schema(), indent=2))
