-- Who was signed in when an entry was sent, where somebody else had made it.

ALTER TABLE run_log ADD COLUMN sent_by text;
