-- The keys that came with writes, each taken down inside its write: what is sent again, after a crash too, is not written again.
CREATE TABLE written (
    number INTEGER PRIMARY KEY,
    key TEXT NOT NULL UNIQUE
) STRICT;
