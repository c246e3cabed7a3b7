-- What was seen or set, as figures: a touch test, a pull, a coat. And what follows from it for a finish, worked out where a log changes.

ALTER TABLE run_log ADD COLUMN saw jsonb;

CREATE TABLE finish_learning (
  finish     text PRIMARY KEY,
  -- Observations before this moment do not count any more: a person has set it back.
  since      timestamptz NOT NULL DEFAULT '-infinity',
  learned    jsonb
);
CREATE TRIGGER finish_learning_tell AFTER INSERT OR UPDATE ON finish_learning FOR EACH STATEMENT EXECUTE FUNCTION tell_change('shelf');
