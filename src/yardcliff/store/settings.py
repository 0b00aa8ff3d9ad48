"""What the user chose for all racks."""

import json
from typing import Any

from yardcliff.store.database import Store

Json = dict[str, Any]


class SettingsStore(Store):
    def kept(self) -> Json:
        """The settings as they were kept; nothing where none were."""
        with self._db.reading() as db:
            row = db.execute("SELECT settings FROM settings").fetchone()
        return json.loads(row["settings"]) if row else {}

    def keep(self, settings: Json) -> None:
        with self._db.writing() as db:
            db.execute(
                "INSERT OR REPLACE INTO settings (only_row, settings) VALUES (1, ?)",
                (json.dumps(settings),),
            )
