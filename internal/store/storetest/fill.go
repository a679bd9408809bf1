// Package storetest fills a database with a large shop, for tests and
// benchmarks of what is slow only when there is much of it.
package storetest

import (
	"database/sql"
	"fmt"
	"testing"
)

// Fill writes a shop with many jobs, a third as many customers and a number of
// open jobs among the newest, with a few large statements. Owner 1 is Mira,
// whose sign-in name is mira, unless somebody is there already.
func Fill(t testing.TB, db *sql.DB, jobs, open int) {
	t.Helper()
	every := max(1, jobs/max(1, open))
	customers := max(1, jobs/3)
	const exposure = `{"id":"fire","name":"","hint":"","steady":480,"short":560,
  "room":20,"coldest":5,"frame_hot":250,"sudden":300,"hours":2000,"outdoors":false}`
	for _, q := range []string{
		"INSERT IGNORE INTO account (id, name, login, role, password_hash, created_at) VALUES (1, 'Mira', 'mira', 'owner', " +
			"'x', NOW())",
		"INSERT IGNORE INTO shop (id, name, town, unit) VALUES (1, 'Lantern Yard', 'Hollin Ferry', 'mm')",
		fmt.Sprintf("INSERT INTO customer (id, name, phone, note) SELECT seq, CONCAT(ELT(1 + seq %% 7, 'Marl', 'Quill', "+
			"'Sand', 'Vanning', 'Brook', 'Tarn', 'Holt'), ' customer', seq), '', '' FROM seq_1_to_%d", customers),
		fmt.Sprintf("INSERT INTO object (id, customer_id, name, exposure, power, gas, vehicle, water, old, strike, stamp) "+
			"SELECT seq, 1 + seq %% %d, ELT(1 + seq %% 5, 'Sauna stove', 'Deck oven', 'Orchard tractor', 'Ferry wheelhouse', "+
			"'Museum case'), '%s', 0, 0, 0, 0, 0, 0, '' FROM seq_1_to_%d", customers, exposure, jobs),
		fmt.Sprintf("INSERT INTO job (id, object_id, story, place, promised_at, state, created_by, created_at) SELECT seq, "+
			"seq, CONCAT('cracked on day ', seq), 'bench', NOW() + INTERVAL seq %% 900 HOUR, IF(seq %% %d = 0, 'open', "+
			"'signed'), 1, NOW() FROM seq_1_to_%d", every, jobs),
		"INSERT INTO job_words (job_id, words) SELECT j.id, CONCAT_WS(' ', j.id, o.name, c.name, j.story) FROM job j JOIN " +
			"object o ON o.id = j.object_id JOIN customer c ON c.id = o.customer_id",
		`INSERT INTO pane (job_id, number, name, family, frame, cutter, gasket_kind, gasket_free, side_top, side_right,
			side_bottom, side_left, shape, raked, like_material, uses, duty, packed, spot, waits_for)
SELECT id, 1, '', 'clip-heat', 'steel', '', 'flat', 3, 2, 0, 2, 0, '{"kind":""}', 0, '', '[]', '{}', '{}',
'{"x":0,"y":0,"w":1,"h":1,"depth":0}', IF(id % 9 = 0, 'glass', '') FROM job`,
		"INSERT INTO reading (pane_id, place, text, value, doubt, lean, imperial, instrument, taken_by, taken_at, version, " +
			"live) SELECT p.id, x.place, '270', 270, 1, '', 0, 'tape', 1, NOW(), 1, 1 FROM pane p JOIN (SELECT 'width_top' " +
			"place UNION SELECT 'height_left') x",
		"INSERT INTO step_tick (pane_id, step, outcome, reason, done_by, done_at) SELECT id, 'cold', 'done', '', 1, NOW() " +
			"FROM pane",
		"INSERT INTO audit (job_id, account_id, at, noun, item, action, said) SELECT id, 1, NOW(), 'job', '', 'taken in', " +
			"'' FROM job",
		"INSERT INTO ticket (number, job_id, signed_by, signed_at, override_reason, document, seal) " +
			"SELECT id, id, 1, NOW(), '', '', '' FROM job WHERE state = 'signed'",
		"ANALYZE TABLE customer, object, job, job_words, pane, reading, step_tick, audit, ticket",
	} {
		if _, err := db.Exec(q); err != nil {
			t.Fatalf("%v\n%.200s", err, q)
		}
	}
}
