-- The workshop (one row), and what is ticked off at the bench: waits count from the tick of their task. `said` are the ticks that were
-- taken, by the id that the sender gave them: what is sent twice counts once. `at` is the time on the workshop's wall.
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

CREATE TABLE said (
    id TEXT PRIMARY KEY,
    made_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
