-- What masks besides tape, what a roll costs, and what came into the stock and left it.

CREATE TABLE supplies (
  code       text PRIMARY KEY,
  kind       text NOT NULL,
  name       text NOT NULL,
  size_mm    double precision CHECK (size_mm > 0),
  pack       double precision NOT NULL CHECK (pack > 0),
  pack_price double precision CHECK (pack_price >= 0),
  packs      double precision CHECK (packs >= 0),
  basis      text NOT NULL,
  place      bigint GENERATED ALWAYS AS IDENTITY
);

ALTER TABLE tapes ADD COLUMN roll_price double precision CHECK (roll_price >= 0);

CREATE TABLE stock_moves (
  seq         bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  -- The entry of a device or of a log that made it: told twice it is booked once.
  cause       uuid NOT NULL,
  stuff       text NOT NULL CHECK (stuff IN ('tapes', 'supplies')),
  code        text NOT NULL,
  reason      text NOT NULL CHECK (reason IN ('received', 'counted', 'uncounted', 'used', 'back')),
  -- What it changed the stock by, rolls or packs; of a count what there was then.
  packs       double precision NOT NULL,
  job_id      uuid REFERENCES jobs (id),
  step        text,
  note        text NOT NULL,
  at          timestamptz NOT NULL,
  recorded_at timestamptz NOT NULL DEFAULT now(),
  UNIQUE (cause, stuff, code)
);
CREATE INDEX stock_moves_of_entry ON stock_moves (stuff, code, seq DESC);
CREATE INDEX stock_moves_of_job ON stock_moves (job_id) WHERE job_id IS NOT NULL;
CREATE TRIGGER stock_moves_append_only BEFORE UPDATE OR DELETE ON stock_moves
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
