-- Photos of a job, as phones have taken them: never changed; an entry of the log says when and of what.

CREATE TABLE photos (
  id      uuid PRIMARY KEY,
  job_id  uuid NOT NULL REFERENCES jobs (id) ON DELETE CASCADE,
  at      timestamptz NOT NULL DEFAULT now(),
  bytes   bytea NOT NULL CHECK (octet_length(bytes) BETWEEN 1 AND 1000000)
);
CREATE INDEX photos_of_job ON photos (job_id);
