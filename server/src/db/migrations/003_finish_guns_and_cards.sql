-- Which gun a finish goes through, what a litre costs, and the test cards made with it.

ALTER TABLE finishes
  ADD COLUMN gun         text,
  ADD COLUMN price_per_l double precision CHECK (price_per_l > 0),
  ADD COLUMN cards       jsonb;
