-- What an entry of the shelf has been: one row a change, with who made it. Null: it was taken off.

CREATE TABLE shelf_revisions (
  seq      bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  shelf    text NOT NULL CHECK (shelf IN ('tapes', 'finishes', 'supplies')),
  key      text NOT NULL,
  entry    jsonb,
  author   text,
  saved_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX shelf_revisions_of_entry ON shelf_revisions (shelf, key, seq DESC);
CREATE TRIGGER shelf_revisions_append_only BEFORE UPDATE OR DELETE ON shelf_revisions
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
