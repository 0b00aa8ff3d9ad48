-- The log of a rack: dated entries, none ever changed; one that is taken back is gone at a time. What was measured is the newest reading
-- of each thing (`what`).
CREATE TABLE entry (
    id TEXT PRIMARY KEY,
    rack_id TEXT NOT NULL REFERENCES sheet (id) ON DELETE CASCADE,
    day TEXT NOT NULL,
    kind TEXT NOT NULL CHECK (kind IN ('note', 'next', 'time', 'measured', 'fit', 'mishap')),
    what TEXT NOT NULL,
    data TEXT NOT NULL CHECK (json_valid(data)),
    made_at TEXT NOT NULL,
    gone_at TEXT
) STRICT;

CREATE INDEX entry_of_rack ON entry (rack_id, made_at);
