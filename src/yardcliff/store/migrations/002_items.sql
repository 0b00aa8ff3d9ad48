-- The user's own things, as measured. `listed` is the whole entry; `key` is its name in briefs.
CREATE TABLE item (
    key TEXT PRIMARY KEY,
    listed TEXT NOT NULL CHECK (json_valid(listed)),
    updated_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
