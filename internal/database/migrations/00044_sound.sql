-- +goose Up
-- A ticket has a number of its own: one that was begun and not signed leaves no hole.
ALTER TABLE ticket ADD COLUMN IF NOT EXISTS number BIGINT NULL AFTER id;
UPDATE ticket SET number = id WHERE number IS NULL;
ALTER TABLE ticket MODIFY number BIGINT NOT NULL;
ALTER TABLE ticket ADD UNIQUE KEY IF NOT EXISTS ticket_number (number);
-- A day is a day.
ALTER TABLE stock_item MODIFY expires VARCHAR(10) NULL;
UPDATE stock_item SET expires = NULL WHERE expires = '';
ALTER TABLE stock_item MODIFY expires DATE NULL;
-- What was fitted alike is asked for since a moment.
ALTER TABLE fitted DROP KEY IF EXISTS fitted_like;
ALTER TABLE fitted ADD KEY IF NOT EXISTS fitted_alike (family, exposure, out_at);
-- What stays a document is one.
ALTER TABLE pane
  ADD CONSTRAINT IF NOT EXISTS pane_shape_json CHECK (JSON_VALID(shape)),
  ADD CONSTRAINT IF NOT EXISTS pane_part_json CHECK (part IS NULL OR JSON_VALID(part)),
  ADD CONSTRAINT IF NOT EXISTS pane_peel_json CHECK (peel IS NULL OR JSON_VALID(peel)),
  ADD CONSTRAINT IF NOT EXISTS pane_turns_json CHECK (turns IS NULL OR JSON_VALID(turns)),
  ADD CONSTRAINT IF NOT EXISTS pane_heard_json CHECK (heard IS NULL OR JSON_VALID(heard));
ALTER TABLE diagnosis ADD CONSTRAINT IF NOT EXISTS diagnosis_behind_json CHECK (behind IS NULL OR JSON_VALID(behind));
ALTER TABLE day_plan ADD CONSTRAINT IF NOT EXISTS day_plan_json CHECK (JSON_VALID(doc));
ALTER TABLE road_map ADD CONSTRAINT IF NOT EXISTS road_map_json CHECK (JSON_VALID(doc));
-- What refers to something refers to something that is there.
ALTER TABLE audit
  ADD FOREIGN KEY IF NOT EXISTS audit_of (job_id) REFERENCES job (id),
  ADD FOREIGN KEY IF NOT EXISTS audit_by (account_id) REFERENCES account (id);
ALTER TABLE idempotency ADD FOREIGN KEY IF NOT EXISTS idempotency_of (account_id) REFERENCES account (id);
ALTER TABLE object ADD FOREIGN KEY IF NOT EXISTS object_same_as (same_as) REFERENCES object (id);
ALTER TABLE fitted
  ADD FOREIGN KEY IF NOT EXISTS fitted_object (object_id) REFERENCES object (id),
  ADD FOREIGN KEY IF NOT EXISTS fitted_back (back_job) REFERENCES job (id);
ALTER TABLE bill ADD FOREIGN KEY IF NOT EXISTS bill_of_bill (of_id) REFERENCES bill (id);
ALTER TABLE reminder ADD FOREIGN KEY IF NOT EXISTS reminder_ended_by (ended_by) REFERENCES job (id);
