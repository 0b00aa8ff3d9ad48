"""The workshop."""

import json
from typing import Any

from yardcliff.store.database import Store

Json = dict[str, Any]


class Bench(Store):
    def shop(self) -> Json | None:
        """The workshop as it was kept, if it was."""
        with self._db.reading() as db:
            row = db.execute("SELECT shop FROM shop").fetchone()
        return json.loads(row["shop"]) if row else None

    def keep_shop(self, shop: Json) -> None:
        with self._db.writing() as db:
            db.execute(
                "INSERT OR REPLACE INTO shop (only_row, shop) VALUES (1, ?)", (json.dumps(shop),)
            )
