-- Where an entry stands in the order of what was said, whatever the clock of its screen; none in
-- entries of builds before it.
ALTER TABLE entry ADD COLUMN stamp_ms INTEGER;

-- The salon's own name among salons: what was said for it is never sent to another.
CREATE TABLE salon (
  only_one INTEGER PRIMARY KEY CHECK (only_one = 1),
  id       TEXT    NOT NULL CHECK (length(id) = 36),
  -- The mark of the program that served the file last.
  served_by TEXT
) STRICT;
