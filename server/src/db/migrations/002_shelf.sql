-- The shelf: one row a tape of one width, one row a finish.

CREATE TABLE tapes (
  code         text PRIMARY KEY,
  kind         text NOT NULL,
  name         text NOT NULL,
  width_mm     double precision NOT NULL CHECK (width_mm > 0),
  thickness_um double precision NOT NULL,
  stretch      double precision NOT NULL,
  fold         double precision NOT NULL,
  adhesion_n25 double precision NOT NULL,
  edge         text NOT NULL,
  min_apply_c  double precision NOT NULL,
  clean_hours  double precision NOT NULL,
  use          text NOT NULL,
  basis        text NOT NULL,
  place        bigint GENERATED ALWAYS AS IDENTITY
);

CREATE TABLE finishes (
  id                 text PRIMARY KEY,
  name               text NOT NULL,
  colour             text NOT NULL,
  system             text NOT NULL,
  effect             text NOT NULL,
  method             text NOT NULL,
  flash_min          double precision NOT NULL,
  recoat             jsonb NOT NULL,
  touch_min          double precision NOT NULL,
  tape_safe_min      double precision,
  through_min        double precision NOT NULL,
  cure_h             double precision,
  wet_limit_min      double precision,
  coat_um            double precision NOT NULL,
  solids             double precision NOT NULL,
  reference_build_um double precision NOT NULL,
  activation_kj      double precision NOT NULL,
  school             text NOT NULL,
  hiding_um          double precision NOT NULL,
  coats              integer,
  mix_ratio          jsonb NOT NULL,
  pot_life_min       double precision,
  basis              text NOT NULL,
  place              bigint GENERATED ALWAYS AS IDENTITY
);
