-- +goose Up
-- A job's object may have several panes, each with its own state.
ALTER TABLE pane
  ADD COLUMN number INT NOT NULL DEFAULT 1,
  ADD COLUMN name VARCHAR(80) NOT NULL DEFAULT '',
  ADD COLUMN spot JSON NOT NULL DEFAULT '{"x":0,"y":0,"w":1,"h":1,"depth":0}',
  ADD COLUMN shape LONGTEXT NOT NULL DEFAULT '{"kind":""}',
  ADD COLUMN waits_for VARCHAR(200) NOT NULL DEFAULT '',
  ADD COLUMN waits_until DATETIME(3) NULL,
  ADD UNIQUE KEY pane_number (job_id, number);
UPDATE pane p JOIN job j ON j.id = p.job_id SET p.waits_for = j.waits_for, p.waits_until = j.waits_until;
ALTER TABLE job DROP COLUMN waits_for, DROP COLUMN waits_until;

ALTER TABLE step_tick ADD COLUMN pane_id BIGINT NULL;
UPDATE step_tick t JOIN pane p ON p.job_id = t.job_id SET t.pane_id = p.id;
ALTER TABLE step_tick DROP FOREIGN KEY tick_job, DROP PRIMARY KEY, DROP COLUMN job_id, MODIFY pane_id BIGINT NOT NULL,
  ADD PRIMARY KEY (pane_id, step), ADD CONSTRAINT tick_pane FOREIGN KEY (pane_id) REFERENCES pane (id);

ALTER TABLE check_answer ADD COLUMN pane_id BIGINT NULL;
UPDATE check_answer t JOIN pane p ON p.job_id = t.job_id SET t.pane_id = p.id;
ALTER TABLE check_answer DROP FOREIGN KEY answer_job, DROP PRIMARY KEY, DROP COLUMN job_id, MODIFY pane_id BIGINT NOT NULL,
  ADD PRIMARY KEY (pane_id, proof), ADD CONSTRAINT answer_pane FOREIGN KEY (pane_id) REFERENCES pane (id);

ALTER TABLE diagnosis ADD COLUMN pane_id BIGINT NULL;
UPDATE diagnosis t JOIN pane p ON p.job_id = t.job_id SET t.pane_id = p.id;
ALTER TABLE diagnosis DROP FOREIGN KEY diagnosis_job, DROP PRIMARY KEY, DROP COLUMN job_id, MODIFY pane_id BIGINT NOT NULL,
  ADD PRIMARY KEY (pane_id), ADD CONSTRAINT diagnosis_pane FOREIGN KEY (pane_id) REFERENCES pane (id);

ALTER TABLE object
  ADD COLUMN vehicle BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN water BOOLEAN NOT NULL DEFAULT FALSE;

-- +goose Down
ALTER TABLE object DROP COLUMN vehicle, DROP COLUMN water;

-- One pane a job again: what belongs to the others is lost.
ALTER TABLE diagnosis ADD COLUMN job_id BIGINT NULL;
UPDATE diagnosis t JOIN pane p ON p.id = t.pane_id SET t.job_id = p.job_id WHERE p.number = 1;
DELETE FROM diagnosis WHERE job_id IS NULL;
ALTER TABLE diagnosis DROP FOREIGN KEY diagnosis_pane, DROP PRIMARY KEY, DROP COLUMN pane_id, MODIFY job_id BIGINT NOT NULL,
  ADD PRIMARY KEY (job_id), ADD CONSTRAINT diagnosis_job FOREIGN KEY (job_id) REFERENCES job (id);

ALTER TABLE check_answer ADD COLUMN job_id BIGINT NULL;
UPDATE check_answer t JOIN pane p ON p.id = t.pane_id SET t.job_id = p.job_id WHERE p.number = 1;
DELETE FROM check_answer WHERE job_id IS NULL;
ALTER TABLE check_answer DROP FOREIGN KEY answer_pane, DROP PRIMARY KEY, DROP COLUMN pane_id, MODIFY job_id BIGINT NOT NULL,
  ADD PRIMARY KEY (job_id, proof), ADD CONSTRAINT answer_job FOREIGN KEY (job_id) REFERENCES job (id);

ALTER TABLE step_tick ADD COLUMN job_id BIGINT NULL;
UPDATE step_tick t JOIN pane p ON p.id = t.pane_id SET t.job_id = p.job_id WHERE p.number = 1;
DELETE FROM step_tick WHERE job_id IS NULL;
ALTER TABLE step_tick DROP FOREIGN KEY tick_pane, DROP PRIMARY KEY, DROP COLUMN pane_id, MODIFY job_id BIGINT NOT NULL,
  ADD PRIMARY KEY (job_id, step), ADD CONSTRAINT tick_job FOREIGN KEY (job_id) REFERENCES job (id);

ALTER TABLE job
  ADD COLUMN waits_for VARCHAR(200) NOT NULL DEFAULT '',
  ADD COLUMN waits_until DATETIME(3) NULL;
UPDATE job j JOIN pane p ON p.job_id = j.id AND p.number = 1 SET j.waits_for = p.waits_for, j.waits_until = p.waits_until;
DELETE r FROM reading r JOIN pane p ON p.id = r.pane_id WHERE p.number > 1;
DELETE c FROM choice c JOIN pane p ON p.id = c.pane_id WHERE p.number > 1;
DELETE FROM pane WHERE number > 1;
ALTER TABLE pane DROP KEY pane_number, DROP COLUMN number, DROP COLUMN name, DROP COLUMN spot, DROP COLUMN shape, DROP COLUMN waits_for, DROP COLUMN waits_until;
