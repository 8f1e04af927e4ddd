-- The salon's own things. Corrections are new versions; nothing is overwritten.
CREATE TABLE house_version (
  version INTEGER PRIMARY KEY,
  at_ms   INTEGER NOT NULL,
  body    TEXT    NOT NULL CHECK (json_valid(body))
) STRICT;

CREATE TABLE tool_version (
  tool_id TEXT    NOT NULL CHECK (length(tool_id) = 36),
  version INTEGER NOT NULL CHECK (version >= 1),
  at_ms   INTEGER NOT NULL,
  body    TEXT    NOT NULL CHECK (json_valid(body)),
  PRIMARY KEY (tool_id, version)
) STRICT;

CREATE TABLE dog_version (
  dog_id  TEXT    NOT NULL CHECK (length(dog_id) = 36),
  version INTEGER NOT NULL CHECK (version >= 1),
  at_ms   INTEGER NOT NULL,
  body    TEXT    NOT NULL CHECK (json_valid(body)),
  PRIMARY KEY (dog_id, version)
) STRICT;
