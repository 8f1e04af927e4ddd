-- What later visits ask of a kept plan, beside it, so that a long life is read without unpacking every
-- plan of it. Worked out from the plan: written with it, or when it is first asked for.
CREATE TABLE plan_in_brief (
  plan_id  TEXT PRIMARY KEY CHECK (length(plan_id) = 36),
  visit_id TEXT NOT NULL REFERENCES visit (id),
  body     TEXT NOT NULL
) STRICT;
CREATE INDEX plan_in_brief_by_visit ON plan_in_brief (visit_id);
