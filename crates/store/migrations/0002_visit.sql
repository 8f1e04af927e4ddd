-- A visit is a log of entries: appended, never changed (ARCHITECTURE.md).
CREATE TABLE visit (
  id       TEXT    PRIMARY KEY CHECK (length(id) = 36),
  dog_id   TEXT    NOT NULL CHECK (length(dog_id) = 36),
  began_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX visit_by_dog ON visit (dog_id, began_ms);

CREATE TABLE entry (
  received INTEGER PRIMARY KEY AUTOINCREMENT,
  id       TEXT    NOT NULL UNIQUE CHECK (length(id) = 36),
  visit_id TEXT    NOT NULL REFERENCES visit (id),
  at_ms    INTEGER NOT NULL,
  author   TEXT    NOT NULL,
  body     TEXT    NOT NULL CHECK (json_valid(body))
) STRICT;
CREATE INDEX entry_by_visit ON entry (visit_id, received);

CREATE TABLE kept_plan (
  id       TEXT    PRIMARY KEY CHECK (length(id) = 36),
  visit_id TEXT    NOT NULL REFERENCES visit (id),
  at_ms    INTEGER NOT NULL,
  method   TEXT    NOT NULL,
  body     TEXT    NOT NULL CHECK (json_valid(body))
) STRICT;
CREATE INDEX kept_plan_by_visit ON kept_plan (visit_id, at_ms);
