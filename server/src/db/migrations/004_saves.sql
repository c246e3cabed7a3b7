-- Which save of a device made a revision: a save whose answer was lost is known again when it is repeated.

ALTER TABLE jobs ADD COLUMN save uuid;
ALTER TABLE job_revisions ADD COLUMN save uuid;
CREATE UNIQUE INDEX job_revisions_by_save ON job_revisions (job_id, save);
