-- The workshop (one row), what is ticked off at the bench, and waits that are timed. `said` are the writes that were taken, by the id
-- that the sender gave them: what is sent twice counts once. `at` is the time on the workshop's wall.
CREATE TABLE shop (
    only_row INTEGER PRIMARY KEY CHECK (only_row = 1),
    shop TEXT NOT NULL CHECK (json_valid(shop))
) STRICT;

CREATE TABLE tick (
    rack_id TEXT NOT NULL REFERENCES sheet (id) ON DELETE CASCADE,
    item TEXT NOT NULL,
    at TEXT NOT NULL,
    PRIMARY KEY (rack_id, item)
) STRICT, WITHOUT ROWID;

CREATE TABLE timer (
    id TEXT PRIMARY KEY,
    rack_id TEXT NOT NULL REFERENCES sheet (id) ON DELETE CASCADE,
    task TEXT NOT NULL,
    says TEXT NOT NULL,
    minutes INTEGER NOT NULL CHECK (minutes >= 0),
    started_at TEXT NOT NULL,
    over_at TEXT
) STRICT;

CREATE TABLE said (
    id TEXT PRIMARY KEY,
    made_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
