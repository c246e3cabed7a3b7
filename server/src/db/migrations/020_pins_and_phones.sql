-- Wrong PINs count for the person too; a sign-in by PIN opens no more than a painter's rights; owners' PINs of before end.

ALTER TABLE people
  ADD COLUMN wrong_pins integer NOT NULL DEFAULT 0,
  -- True until the person has seen that their PIN was ended, and set another.
  ADD COLUMN pin_ended  boolean NOT NULL DEFAULT false;
UPDATE people SET pin = NULL, pin_ended = true WHERE role = 'owner' AND pin IS NOT NULL;

ALTER TABLE sessions ADD COLUMN by_pin boolean NOT NULL DEFAULT false;
-- Which of those on phones of the shop were begun by a PIN was not kept: all of them count as such.
UPDATE sessions SET by_pin = true WHERE phone_id IS NOT NULL;

-- A page that listens is told when its sign-in ends.
CREATE FUNCTION tell_session_end() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('lintrel', json_build_object('kind', 'session-ended', 'session', NEW.id)::text);
  RETURN NULL;
END $$;
CREATE TRIGGER sessions_tell_end AFTER UPDATE OF ended_at ON sessions FOR EACH ROW
  WHEN (OLD.ended_at IS NULL AND NEW.ended_at IS NOT NULL) EXECUTE FUNCTION tell_session_end();

-- Secret addresses of the calendar, one a person, until it is called back.
CREATE TABLE calendar_links (
  person_id uuid PRIMARY KEY REFERENCES people (id),
  hash      text NOT NULL UNIQUE,
  made_at   timestamptz NOT NULL DEFAULT now()
);
