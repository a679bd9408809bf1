package store

import (
	"io/fs"
	"testing"

	"github.com/pressly/goose/v3"
)

// A database from when a job had one pane keeps everything when it is brought
// up to date, and goes back.
func TestOnePaneJobsMoveOn(t *testing.T) {
	s := open(t)
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		t.Fatal(err)
	}
	p, err := goose.NewProvider(goose.DialectMySQL, s.DB, files, goose.WithDisableGlobalRegistry(true))
	if err != nil {
		t.Fatal(err)
	}
	if _, err := p.DownTo(ctx, 5); err != nil {
		t.Fatal(err)
	}
	for _, q := range []string{
		"INSERT INTO account (id, name, login, role, password_hash, created_at) VALUES (1, 'Mira', 'mira', 'owner', 'x', NOW())",
		"INSERT INTO customer (id, name, phone, note) VALUES (1, 'Oda', '', '')",
		`INSERT INTO object (id, customer_id, name, exposure, power, gas, old, strike, stamp) VALUES (1, 1, 'stove', '{"id":"fire"}', 0, 0, 0, 0, '')`,
		"INSERT INTO job (id, object_id, story, place, waits_for, created_by, created_at) VALUES (7, 1, '', 'bench', 'glass', 1, NOW())",
		"INSERT INTO pane (id, job_id, family, frame, cutter, gasket_kind, gasket_free, side_top, side_right, side_bottom, side_left, raked, like_material) VALUES (9, 7, 'clip-heat', 'steel', '', 'flat', 3, 2, 0, 2, 0, 0, '')",
		"INSERT INTO step_tick (job_id, step, outcome, reason, done_by, done_at) VALUES (7, 'cold', 'done', '', 1, NOW())",
		"INSERT INTO check_answer (job_id, proof, outcome, finding, done_by, done_at) VALUES (7, 'paper', 'pass', '', 1, NOW())",
		`INSERT INTO diagnosis (job_id, evidence, old_pane, cause, set_by, set_at, version) VALUES (7, '{"origin":"fixing"}', '{}', 'over-tight', 1, NOW(), 3)`,
	} {
		if _, err := s.DB.Exec(q); err != nil {
			t.Fatalf("%s: %v", q, err)
		}
	}
	if _, err := p.Up(ctx); err != nil {
		t.Fatal(err)
	}
	j, err := s.Job(ctx, 7)
	if err != nil || len(j.Panes) != 1 {
		t.Fatalf("%+v, %v", j, err)
	}
	got := j.Panes[0]
	if got.ID != 9 || got.Number != 1 || got.WaitsFor != "glass" || len(got.Ticks) != 1 || len(got.Answers) != 1 || got.Diagnosis == nil || got.Diagnosis.Version != 3 || got.Shape.Kind != "" || got.Spot.W != 1 || got.Uses == nil {
		t.Errorf("%+v", got)
	}
	if _, err := p.DownTo(ctx, 5); err != nil {
		t.Fatal(err)
	}
	for q, want := range map[string]string{"SELECT waits_for FROM job WHERE id = 7": "glass", "SELECT step FROM step_tick WHERE job_id = 7": "cold", "SELECT proof FROM check_answer WHERE job_id = 7": "paper", "SELECT cause FROM diagnosis WHERE job_id = 7": "over-tight"} {
		var v string
		if err := s.DB.QueryRow(q).Scan(&v); err != nil || v != want {
			t.Errorf("%s: %q, %v", q, v, err)
		}
	}
	if _, err := p.Up(ctx); err != nil {
		t.Fatal(err)
	}
}
