-- Timber on hand, suppliers' prices as they were on a day, wares on hand, and plans that were carried out. A stick that is cut up
-- or thrown out stays until the plan that took it is taken back.
CREATE TABLE stick (
    id TEXT PRIMARY KEY,
    stick TEXT NOT NULL CHECK (json_valid(stick)),
    made_at TEXT NOT NULL,
    gone_at TEXT
) STRICT;

CREATE TABLE price_list (
    supplier TEXT PRIMARY KEY,
    list TEXT NOT NULL CHECK (json_valid(list)),
    taken_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE ware (
    kind TEXT NOT NULL,
    name TEXT NOT NULL,
    amount INTEGER NOT NULL CHECK (amount > 0),
    PRIMARY KEY (kind, name)
) STRICT, WITHOUT ROWID;

-- `made` and `cut` are lists of stick ids: what came back to the rack, and what went; `wares` are [kind, name, by how much more or
-- less of it is on hand].
CREATE TABLE sawing (
    id TEXT PRIMARY KEY,
    rack_id TEXT NOT NULL REFERENCES sheet (id) ON DELETE CASCADE,
    cut TEXT NOT NULL CHECK (json_valid(cut)),
    made TEXT NOT NULL CHECK (json_valid(made)),
    wares TEXT NOT NULL CHECK (json_valid(wares)),
    currency TEXT NOT NULL,
    planned INTEGER NOT NULL,
    spent INTEGER NOT NULL,
    made_at TEXT NOT NULL,
    back_at TEXT
) STRICT;
