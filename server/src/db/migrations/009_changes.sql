-- What has changed, told to whoever listens: one row a change, numbered, so that one who lost the connection can ask for what was missed.

CREATE TABLE changes (
  seq    bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  kind   text NOT NULL CHECK (kind IN ('job', 'log', 'shelf')),
  job_id uuid,
  at     timestamptz NOT NULL DEFAULT now()
);

CREATE FUNCTION tell_change() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  what text := TG_ARGV[0];
  told bigint;
  job  uuid;
BEGIN
  IF TG_LEVEL = 'ROW' THEN
    job := CASE WHEN TG_TABLE_NAME = 'jobs' THEN (to_jsonb(NEW)->>'id')::uuid ELSE (to_jsonb(NEW)->>'job_id')::uuid END;
  END IF;
  INSERT INTO changes (kind, job_id) VALUES (what, job) RETURNING seq INTO told;
  -- The newest thousands are enough for a phone that was away; older ones are forgotten.
  IF told % 500 = 0 THEN
    DELETE FROM changes WHERE seq < told - 5000;
  END IF;
  PERFORM pg_notify('lintrel', json_build_object('seq', told, 'kind', what, 'job', job)::text);
  RETURN NULL;
END $$;

CREATE TRIGGER jobs_tell AFTER INSERT OR UPDATE OF revision ON jobs FOR EACH ROW EXECUTE FUNCTION tell_change('job');
CREATE TRIGGER run_log_tell AFTER INSERT ON run_log FOR EACH ROW EXECUTE FUNCTION tell_change('log');
CREATE TRIGGER tapes_tell AFTER INSERT OR UPDATE OR DELETE ON tapes FOR EACH STATEMENT EXECUTE FUNCTION tell_change('shelf');
CREATE TRIGGER finishes_tell AFTER INSERT OR UPDATE OR DELETE ON finishes FOR EACH STATEMENT EXECUTE FUNCTION tell_change('shelf');
CREATE TRIGGER supplies_tell AFTER INSERT OR UPDATE OR DELETE ON supplies FOR EACH STATEMENT EXECUTE FUNCTION tell_change('shelf');
