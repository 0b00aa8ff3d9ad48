"""Write the OpenAPI document to standard output, for the front end's generated types."""

import json

from yardcliff.api.app import create_app
from yardcliff.app.application import Application
from yardcliff.store.database import Database

print(json.dumps(create_app(Application(Database(":memory:"))).openapi(), indent=1))
