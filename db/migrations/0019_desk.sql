-- What the desk needs to see of a job at a glance: when it is promised, what it waits for, who did what last.
ALTER TABLE job_lines ADD COLUMN IF NOT EXISTS promised_at DATETIME(3) NULL;

ALTER TABLE job_lines ADD COLUMN IF NOT EXISTS parts_waiting INT NOT NULL DEFAULT 0;

ALTER TABLE job_lines ADD COLUMN IF NOT EXISTS last_person_id UUID NULL;

ALTER TABLE job_lines ADD COLUMN IF NOT EXISTS last_what VARCHAR(120) NOT NULL DEFAULT '';

ALTER TABLE job_lines ADD COLUMN IF NOT EXISTS last_at DATETIME(3) NULL;

ALTER TABLE job_lines ADD COLUMN IF NOT EXISTS phone VARCHAR(40) NOT NULL DEFAULT '';

-- Of the customer.
ALTER TABLE vehicles ADD COLUMN IF NOT EXISTS phone VARCHAR(40) NOT NULL DEFAULT '';
