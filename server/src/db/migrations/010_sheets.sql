-- On which work sheet an entry was told, by whom, on which device, and what its clock said where that is known to be wrong.

ALTER TABLE run_log
  ADD COLUMN sheet     bigint,
  ADD COLUMN person    text,
  ADD COLUMN device    text,
  ADD COLUMN device_at timestamptz;
