-- How a sheet is kept among the others. That is no part of what it is: no version is counted for it, and no window goes stale.
ALTER TABLE sheet ADD COLUMN tags TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(tags));
ALTER TABLE sheet ADD COLUMN favourite INTEGER NOT NULL DEFAULT 0 CHECK (favourite IN (0, 1));
ALTER TABLE sheet ADD COLUMN done INTEGER NOT NULL DEFAULT 0 CHECK (done IN (0, 1));
