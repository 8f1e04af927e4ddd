-- Photos as they were written anew: JPEG without metadata. What is touched on them is in the log.
CREATE TABLE photo (
  id TEXT PRIMARY KEY,
  visit_id TEXT NOT NULL REFERENCES visit (id),
  at_ms INTEGER NOT NULL,
  view TEXT NOT NULL,
  is_simulated INTEGER NOT NULL,
  width INTEGER NOT NULL,
  height INTEGER NOT NULL,
  jpeg BLOB NOT NULL
) STRICT;
CREATE INDEX photo_by_visit ON photo (visit_id, at_ms);

-- Types a salon made from its own measured dogs.
CREATE TABLE own_type (
  id TEXT PRIMARY KEY,
  at_ms INTEGER NOT NULL,
  body TEXT NOT NULL
) STRICT;
