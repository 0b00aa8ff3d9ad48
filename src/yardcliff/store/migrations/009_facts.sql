-- What happened to each rack, in the order that it was told: facts are added and never changed. `id` is the teller's, so that what is
-- sent twice is one fact; `at` is the time or the day on the workshop's wall; a fact that another one `undoes` does not stand.
CREATE TABLE fact (
    number INTEGER PRIMARY KEY,
    id TEXT NOT NULL UNIQUE,
    rack_id TEXT NOT NULL REFERENCES sheet (id) ON DELETE CASCADE,
    at TEXT NOT NULL,
    kind TEXT NOT NULL,
    what TEXT NOT NULL,
    data TEXT NOT NULL CHECK (json_valid(data)),
    device TEXT NOT NULL,
    undoes TEXT UNIQUE REFERENCES fact (id),
    made_at TEXT NOT NULL
) STRICT;

CREATE INDEX fact_of_rack ON fact (rack_id, number);

-- Ticks, entries of the log and sawings were tables of their own.
INSERT INTO fact (id, rack_id, at, kind, what, data, device, made_at)
SELECT id, rack_id, at, kind, what, data, '', made_at FROM (
    SELECT 'tick ' || rack_id || ' ' || item AS id, rack_id, at, 'done' AS kind, item AS what, '{}' AS data, at AS made_at FROM tick
    UNION ALL SELECT id, rack_id, day, kind, what, data, made_at FROM entry
    UNION ALL SELECT id, rack_id, made_at, 'sawn', '',
        json_object('cut', json(cut), 'made', json(made), 'wares', json(wares), 'currency', currency, 'planned', planned, 'spent', spent), made_at
    FROM sawing
) ORDER BY made_at;

INSERT INTO fact (id, rack_id, at, kind, what, data, device, undoes, made_at)
SELECT 'back ' || id, rack_id, gone_at, 'back', '', '{}', '', id, gone_at FROM (
    SELECT id, rack_id, gone_at FROM entry UNION ALL SELECT id, rack_id, back_at FROM sawing
) WHERE gone_at IS NOT NULL ORDER BY gone_at;

DROP TABLE tick;
DROP TABLE said;
DROP TABLE entry;
DROP TABLE sawing;
