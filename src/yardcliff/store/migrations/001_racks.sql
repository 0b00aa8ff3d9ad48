-- A rack is a line of revisions and a place in it: undo and redo move the place, a change cuts what
-- lay ahead. `version` counts every write, so that a stale window is told apart from an undo.
CREATE TABLE rack (
    id TEXT PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    version INTEGER NOT NULL,
    position INTEGER NOT NULL,
    created_at TEXT NOT NULL,
    updated_at TEXT NOT NULL,
    deleted_at TEXT
) STRICT;

CREATE TABLE revision (
    rack_id TEXT NOT NULL REFERENCES rack (id) ON DELETE CASCADE,
    position INTEGER NOT NULL,
    label TEXT NOT NULL,
    brief TEXT NOT NULL CHECK (json_valid(brief)),
    made_at TEXT NOT NULL,
    PRIMARY KEY (rack_id, position)
) STRICT, WITHOUT ROWID;
