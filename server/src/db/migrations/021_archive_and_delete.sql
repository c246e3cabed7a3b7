-- Jobs are put away, or deleted and kept for a while so that it can be undone; jobs of the demo are known as such.

ALTER TABLE jobs
  ADD COLUMN archived_at timestamptz,
  ADD COLUMN deleted_at  timestamptz,
  ADD COLUMN demo        boolean NOT NULL DEFAULT false;
DROP INDEX jobs_in_list;
CREATE INDEX jobs_in_list ON jobs (rank, updated_at DESC, id DESC) WHERE archived_at IS NULL AND deleted_at IS NULL;
CREATE INDEX jobs_put_away ON jobs (updated_at DESC, id DESC) WHERE archived_at IS NOT NULL OR deleted_at IS NOT NULL;
CREATE TRIGGER jobs_tell_put_away AFTER UPDATE OF archived_at, deleted_at ON jobs FOR EACH ROW EXECUTE FUNCTION tell_change('job');

-- The demo workshop was put in together with the first tables.
UPDATE jobs SET demo = true WHERE created_at = (SELECT run_at FROM migrations WHERE name = '001_jobs.sql');

-- A job that was deleted long ago goes whole, its log too; nothing else takes anything out of a log. What it took from the stock stays booked.
CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' AND TG_TABLE_NAME = 'run_log' AND current_setting('lintrel.purge', true) = 'on' THEN
    RETURN OLD;
  END IF;
  RAISE EXCEPTION 'the log is append-only' USING ERRCODE = 'restrict_violation';
END $$;
ALTER TABLE stock_moves DROP CONSTRAINT stock_moves_job_id_fkey;
