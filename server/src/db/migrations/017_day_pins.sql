-- What a person has fixed in the day's plan: who does a stretch of work, and when it begins.

CREATE TABLE day_pins (
  work    text PRIMARY KEY CHECK (length(work) BETWEEN 1 AND 500),
  person  text,
  at      timestamptz,
  author  text,
  CHECK (person IS NOT NULL OR at IS NOT NULL)
);
CREATE TRIGGER day_pins_tell AFTER INSERT OR UPDATE OR DELETE ON day_pins FOR EACH STATEMENT EXECUTE FUNCTION tell_change('shelf');
