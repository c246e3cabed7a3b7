-- Who works in the shop, on which devices they are signed in, and what a customer may look at. Of secrets only what they are checked by is kept.

CREATE TABLE people (
  id         uuid PRIMARY KEY DEFAULT gen_random_uuid(),
  name       text NOT NULL,
  role       text NOT NULL CHECK (role IN ('owner', 'painter', 'helper', 'viewer')),
  passphrase text NOT NULL,
  pin        text,
  created_at timestamptz NOT NULL DEFAULT now(),
  -- One who has left stays as the author of what they did.
  left_at    timestamptz
);
CREATE UNIQUE INDEX people_by_name ON people (lower(name)) WHERE left_at IS NULL;

-- The code with which the first owner comes in; gone once there is one.
CREATE TABLE setup_codes (
  hash    text PRIMARY KEY,
  made_at timestamptz NOT NULL DEFAULT now()
);

-- Phones of the shop on which hands change by a PIN.
CREATE TABLE phones (
  id         uuid PRIMARY KEY DEFAULT gen_random_uuid(),
  name       text NOT NULL,
  hash       text NOT NULL UNIQUE,
  wrong_pins integer NOT NULL DEFAULT 0,
  paired_at  timestamptz NOT NULL DEFAULT now(),
  ended_at   timestamptz
);

CREATE TABLE sessions (
  id         uuid PRIMARY KEY DEFAULT gen_random_uuid(),
  person_id  uuid NOT NULL REFERENCES people (id),
  phone_id   uuid REFERENCES phones (id),
  device     text NOT NULL,
  hash       text NOT NULL UNIQUE,
  -- The one before, for requests that were under way when it changed.
  last_hash  text,
  changed_at timestamptz NOT NULL DEFAULT now(),
  begun_at   timestamptz NOT NULL DEFAULT now(),
  seen_at    timestamptz NOT NULL DEFAULT now(),
  ended_at   timestamptz
);
CREATE INDEX sessions_by_last ON sessions (last_hash) WHERE last_hash IS NOT NULL;
CREATE INDEX sessions_of_person ON sessions (person_id) WHERE ended_at IS NULL;

-- What a customer may look at: one job, until it is called back.
CREATE TABLE links (
  id       uuid PRIMARY KEY DEFAULT gen_random_uuid(),
  job_id   uuid NOT NULL REFERENCES jobs (id),
  hash     text NOT NULL UNIQUE,
  made_by  text,
  made_at  timestamptz NOT NULL DEFAULT now(),
  ended_at timestamptz
);
CREATE INDEX links_of_job ON links (job_id) WHERE ended_at IS NULL;

ALTER TABLE jobs ADD COLUMN author text;
ALTER TABLE job_revisions ADD COLUMN author text;
