-- How far each job has come, as it was last written down: the list of jobs reads no design, no frozen plan and no log.

ALTER TABLE jobs
  -- Null: not worked out yet.
  ADD COLUMN progress jsonb,
  ADD COLUMN rank smallint GENERATED ALWAYS AS (
    CASE progress->>'state' WHEN 'in-shop' THEN 0 WHEN 'finished' THEN 2 ELSE 1 END) STORED;
CREATE INDEX jobs_in_list ON jobs (rank, updated_at DESC, id DESC);
CREATE INDEX jobs_not_worked_out ON jobs (id) WHERE progress IS NULL;
