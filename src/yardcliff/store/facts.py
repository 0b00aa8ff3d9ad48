"""What happened to the racks: facts, which are added and never changed."""

import json
import sqlite3
import uuid

from yardcliff.core.built.facts import Fact, Kind
from yardcliff.store.database import Store, now
from yardcliff.store.errors import StoreNotFound
from yardcliff.store.sheets import check_rack

STANDS = (
    "fact.kind <> 'back' AND NOT EXISTS (SELECT 1 FROM fact later WHERE later.undoes = fact.id)"
)


class Facts(Store):
    def standing(self, rack_id: str | None = None, *kinds: Kind) -> list[Fact]:
        """The facts that nothing takes back, or those of some kinds, the oldest first: of a rack,
        or of all that are not in the bin.
        """
        with self._db.reading() as db:
            return told(db, rack_id, *kinds)

    def newest(self, rack_id: str) -> int:
        """The number of a rack's last fact: another one once anything happened."""
        with self._db.reading() as db:
            found = db.execute(
                "SELECT max(number) FROM fact WHERE rack_id = ?", (rack_id,)
            ).fetchone()[0]
        return found or 0

    def tell(self, fact: Fact) -> bool:
        """A new fact; one that was told is not told again. Whether it is new. Raises
        `SheetNotFound`.
        """
        with self._db.writing() as db:
            check_rack(db, fact.rack_id)
            return add(db, fact)

    def take_back(self, rack_id: str, fact_id: str, at: str = "") -> None:
        """A fact stands no more. Raises `StoreNotFound` where none does."""
        with self._db.writing() as db:
            undo(db, rack_id, fact_id, at)

    def take_back_all(
        self, rack_id: str, kind: Kind, what: str, by: str = "", at: str = "", device: str = ""
    ) -> None:
        """Whatever stands of that kind about a thing stands no more. Told again under the id that
        it came `by`, nothing more happens.
        """
        with self._db.writing() as db:
            check_rack(db, rack_id)
            if (
                by
                and db.execute("SELECT 1 FROM fact WHERE id IN (?, ?)", (by, f"{by} 1")).fetchone()
            ):
                return
            by = by or uuid.uuid4().hex[:12]
            for k, fact in enumerate(
                (fact for fact in told(db, rack_id, kind) if fact.what == what), 1
            ):
                add(
                    db,
                    Fact(
                        f"{by} {k}", rack_id, at or now(), Kind.BACK, device=device, undoes=fact.id
                    ),
                )


def told(db: sqlite3.Connection, rack_id: str | None, *kinds: Kind) -> list[Fact]:
    """The facts that stand, or those of some kinds, the oldest first."""
    of = "sheet.deleted_at IS NULL" if rack_id is None else "rack_id = :rack"
    of += " AND fact.kind IN (SELECT value FROM json_each(:kinds))" if kinds else ""
    rows = db.execute(
        f"SELECT fact.* FROM fact JOIN sheet ON sheet.id = rack_id WHERE {of} AND {STANDS} ORDER BY"
        " number",
        {"rack": rack_id, "kinds": json.dumps(kinds)},
    ).fetchall()
    return [
        Fact(
            row["id"],
            row["rack_id"],
            row["at"],
            Kind(row["kind"]),
            row["what"],
            json.loads(row["data"]),
            row["device"],
        )
        for row in rows
    ]


def add(db: sqlite3.Connection, fact: Fact) -> bool:
    """A fact inside a write; whether it is new."""
    values = (
        fact.id,
        fact.rack_id,
        fact.at,
        fact.kind,
        fact.what,
        json.dumps(fact.data),
        fact.device,
        fact.undoes,
        now(),
    )
    return bool(
        db.execute(
            "INSERT OR IGNORE INTO fact (id, rack_id, at, kind, what, data, device, undoes,"
            " made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
            values,
        ).rowcount
    )


def undo(db: sqlite3.Connection, rack_id: str, fact_id: str, at: str = "") -> None:
    """A fact is taken back inside a write. Raises `StoreNotFound` where it does not stand."""
    stands = db.execute(
        f"SELECT 1 FROM fact WHERE id = ? AND rack_id = ? AND {STANDS}", (fact_id, rack_id)
    ).fetchone()
    if not stands:
        raise StoreNotFound("entry", fact_id)
    add(db, Fact(uuid.uuid4().hex[:12], rack_id, at or now(), Kind.BACK, undoes=fact_id))
