-- A version is a state of a rack that its user gave a name, to come back to and to compare. One that
-- was let go stays until it is brought back or its rack is gone.
CREATE TABLE version (
    id TEXT PRIMARY KEY,
    rack_id TEXT NOT NULL REFERENCES rack (id) ON DELETE CASCADE,
    name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
    brief TEXT NOT NULL CHECK (json_valid(brief)),
    made_at TEXT NOT NULL,
    gone_at TEXT
) STRICT;

CREATE INDEX version_of_rack ON version (rack_id, made_at);
