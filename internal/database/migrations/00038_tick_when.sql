-- +goose Up
-- What was done lately, of all jobs: how long work takes is learnt from it.
ALTER TABLE step_tick ADD KEY IF NOT EXISTS tick_when (done_at);
