-- What finding a dog needs, so that a list does not read every dog.
CREATE TABLE dog_name (
  dog_id      TEXT    PRIMARY KEY CHECK (length(dog_id) = 36),
  name        TEXT    NOT NULL,
  owner       TEXT    NOT NULL,
  is_put_away INTEGER NOT NULL
) STRICT;
INSERT INTO dog_name
SELECT dog_id, json_extract(body, '$.name'), coalesce(json_extract(body, '$.owner'), ''),
       coalesce(json_extract(body, '$.is_put_away'), 0)
FROM dog_version AS d
WHERE version = (SELECT max(version) FROM dog_version WHERE dog_id = d.dog_id);

-- Kept plans from here on: the same JSON, packed (Brotli). Those kept before stay as they are.
CREATE TABLE packed_plan (
  id       TEXT    PRIMARY KEY CHECK (length(id) = 36),
  visit_id TEXT    NOT NULL REFERENCES visit (id),
  at_ms    INTEGER NOT NULL,
  method   TEXT    NOT NULL,
  packed   BLOB    NOT NULL
) STRICT;
CREATE INDEX packed_plan_by_visit ON packed_plan (visit_id, at_ms);
CREATE VIEW any_plan AS
SELECT id, visit_id, at_ms, method, CAST(body AS BLOB) AS bytes, 0 AS is_packed FROM kept_plan
UNION ALL
SELECT id, visit_id, at_ms, method, packed, 1 FROM packed_plan;

-- What is forgotten on the owner's wish. Only what was said at a visit that stands here, within the one
-- transaction that empties it again, can be removed.
CREATE TABLE forgetting (
  visit_id TEXT PRIMARY KEY
) STRICT;
DROP TRIGGER entry_is_never_removed;
CREATE TRIGGER entry_is_never_removed BEFORE DELETE ON entry
WHEN NOT EXISTS (SELECT 1 FROM forgetting WHERE visit_id = OLD.visit_id)
BEGIN SELECT RAISE(ABORT, 'entries are never removed'); END;
DROP TRIGGER kept_plan_is_never_removed;
CREATE TRIGGER kept_plan_is_never_removed BEFORE DELETE ON kept_plan
WHEN NOT EXISTS (SELECT 1 FROM forgetting WHERE visit_id = OLD.visit_id)
BEGIN SELECT RAISE(ABORT, 'kept plans are never removed'); END;
CREATE TRIGGER packed_plan_is_never_changed BEFORE UPDATE ON packed_plan
BEGIN SELECT RAISE(ABORT, 'kept plans are never changed'); END;
CREATE TRIGGER packed_plan_is_never_removed BEFORE DELETE ON packed_plan
WHEN NOT EXISTS (SELECT 1 FROM forgetting WHERE visit_id = OLD.visit_id)
BEGIN SELECT RAISE(ABORT, 'kept plans are never removed'); END;
