-- How a joint is handled: by hand only or run down first, the stud held, done together with its pair on
-- the other side of the axle before the car is loaded.
ALTER TABLE joints
  ADD COLUMN tool ENUM('hand','run-down') NOT NULL DEFAULT 'run-down',
  ADD COLUMN hold_stud BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN pair_key VARCHAR(40) NULL;
