-- What the user chose for all racks: trade, tape and the like, one JSON object.
CREATE TABLE settings (
    only_row INTEGER PRIMARY KEY CHECK (only_row = 1),
    settings TEXT NOT NULL CHECK (json_valid(settings))
) STRICT;
