-- How long the steps of a job took, worked out where its log changes; and from when on it counts, where a person has set it back.

ALTER TABLE jobs ADD COLUMN took jsonb;

CREATE TABLE work_learning (
  id     boolean PRIMARY KEY DEFAULT true CHECK (id),
  since  timestamptz NOT NULL
);
CREATE TRIGGER work_learning_tell AFTER INSERT OR UPDATE ON work_learning FOR EACH STATEMENT EXECUTE FUNCTION tell_change('shelf');
