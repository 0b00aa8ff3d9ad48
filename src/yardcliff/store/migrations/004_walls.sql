-- Racks and walls are both sheets: named, changed step by step, binned. `brief` is what was decided about a rack, or
-- what was surveyed of a wall.
ALTER TABLE rack RENAME TO sheet;
ALTER TABLE sheet ADD COLUMN kind TEXT NOT NULL DEFAULT 'rack' CHECK (kind IN ('rack', 'wall'));
ALTER TABLE revision RENAME COLUMN rack_id TO sheet_id;
CREATE INDEX sheet_of_kind ON sheet (kind, updated_at);
