-- How far a log has come, so that an entry is read once, when it comes; and how many entries and characters of notes a log holds.

ALTER TABLE jobs
  ADD COLUMN log_state   jsonb,
  ADD COLUMN log_count   integer NOT NULL DEFAULT 0,
  ADD COLUMN log_letters bigint NOT NULL DEFAULT 0;
UPDATE jobs SET log_count = held.count, log_letters = held.letters
  FROM (SELECT job_id, count(*) AS count, sum(length(note)) AS letters FROM run_log GROUP BY job_id) AS held WHERE held.job_id = jobs.id;

CREATE FUNCTION count_log() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE jobs SET log_count = log_count + added.count, log_letters = log_letters + added.letters
    FROM (SELECT job_id, count(*) AS count, sum(length(note)) AS letters FROM added_entries GROUP BY job_id) AS added WHERE added.job_id = jobs.id;
  RETURN NULL;
END $$;
CREATE TRIGGER run_log_count AFTER INSERT ON run_log REFERENCING NEW TABLE AS added_entries FOR EACH STATEMENT EXECUTE FUNCTION count_log();
