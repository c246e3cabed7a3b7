-- Every kept document carries its version: entries written so far are of the first. A constant default rewrites no row.

ALTER TABLE run_log ADD COLUMN version integer NOT NULL DEFAULT 1;
