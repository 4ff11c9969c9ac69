-- A lead sent it in the name of whoever made it.
ALTER TABLE entries ADD COLUMN vouched_by UUID NULL AFTER person_id,
  ADD CONSTRAINT entries_vouched FOREIGN KEY (vouched_by) REFERENCES people (id);
