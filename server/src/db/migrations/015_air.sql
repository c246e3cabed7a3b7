-- The air of the shop, as a sensor or somebody has read it off.

CREATE TABLE air_readings (
  at         timestamptz PRIMARY KEY,
  air_c      double precision NOT NULL CHECK (air_c BETWEEN -20 AND 60),
  rh_percent double precision NOT NULL CHECK (rh_percent BETWEEN 1 AND 100),
  by         text NOT NULL CHECK (by IN ('sensor', 'typed'))
);
