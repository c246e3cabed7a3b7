-- Metres on a roll where that is not typical, and rolls in stock where they are counted.
ALTER TABLE tapes
  ADD COLUMN roll_m double precision CHECK (roll_m > 0),
  ADD COLUMN rolls double precision CHECK (rolls >= 0);
