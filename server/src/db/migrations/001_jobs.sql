-- Jobs: the newest design of each, every earlier revision, the plans that were started, and the log.

CREATE TABLE jobs (
  id         uuid PRIMARY KEY DEFAULT gen_random_uuid(),
  title      text NOT NULL,
  kind       text NOT NULL,
  revision   integer NOT NULL CHECK (revision > 0),
  design     jsonb NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  updated_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE job_revisions (
  job_id   uuid NOT NULL REFERENCES jobs (id),
  revision integer NOT NULL CHECK (revision > 0),
  design   jsonb NOT NULL,
  saved_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (job_id, revision)
);

CREATE TABLE started_plans (
  id         bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  job_id     uuid NOT NULL REFERENCES jobs (id),
  revision   integer NOT NULL,
  -- json, not jsonb: what was frozen comes back byte for byte
  plan       json NOT NULL,
  started_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX started_plans_of_job ON started_plans (job_id, id DESC);

CREATE TABLE run_log (
  seq         bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  id          uuid NOT NULL UNIQUE,
  job_id      uuid NOT NULL REFERENCES jobs (id),
  at          timestamptz NOT NULL,
  kind        text NOT NULL,
  step        text,
  note        text NOT NULL,
  recorded_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX run_log_of_job ON run_log (job_id, seq);

-- What was done stays as it was written down; a mistake is corrected by a later entry.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the log is append-only' USING ERRCODE = 'restrict_violation';
END $$;
CREATE TRIGGER run_log_append_only BEFORE UPDATE OR DELETE ON run_log
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
