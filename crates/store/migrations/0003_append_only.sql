-- The rule "nothing is overwritten", held by the database itself.
CREATE TRIGGER entry_is_never_changed BEFORE UPDATE ON entry
BEGIN SELECT RAISE(ABORT, 'entries are never changed'); END;
CREATE TRIGGER entry_is_never_removed BEFORE DELETE ON entry
BEGIN SELECT RAISE(ABORT, 'entries are never removed'); END;
CREATE TRIGGER kept_plan_is_never_changed BEFORE UPDATE ON kept_plan
BEGIN SELECT RAISE(ABORT, 'kept plans are never changed'); END;
CREATE TRIGGER kept_plan_is_never_removed BEFORE DELETE ON kept_plan
BEGIN SELECT RAISE(ABORT, 'kept plans are never removed'); END;
