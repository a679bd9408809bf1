package store

import (
	"context"
	"encoding/json"
	"errors"
	"time"

	"freshshard/core/reading"
	"freshshard/internal/database"
	"freshshard/internal/record"
)

func readings(ctx context.Context, db database.Querier, in string, args []any, panes map[int64]*record.Pane) error {
	return database.Fill(ctx, db,
		`SELECT r.pane_id, r.place, r.text, r.value, r.doubt, r.lean, r.imperial, r.instrument, COALESCE(NULLIF(r.author, ''),
			a.name), a.id, r.taken_at, r.version
FROM reading r JOIN account a ON a.id = r.taken_by WHERE r.live = 1 AND r.pane_id IN (`+in+`) ORDER BY r.id`, args,
		panes,
		func(scan func(...any) error) (func(*record.Pane), error) {
			var v record.Reading
			err := scan(&v.Place, &v.Reading.Text, &v.Reading.Value, &v.Reading.Doubt, &v.Reading.Lean, &v.Reading.Imperial,
				&v.Instrument, &v.By, &v.ByID, &v.At, &v.Version)
			return func(p *record.Pane) { p.Readings = append(p.Readings, v) }, err
		})
}

func diagnoses(ctx context.Context, db database.Querier, in string, args []any, panes map[int64]*record.Pane) error {
	return database.Fill(ctx, db,
		`SELECT d.pane_id, d.evidence, d.old_pane, d.cause, COALESCE(d.behind, '[]'), COALESCE(NULLIF(d.author, ''), a.name),
			d.set_at, d.version
FROM diagnosis d JOIN account a ON a.id = d.set_by WHERE d.pane_id IN (`+in+`)`, args, panes,
		func(scan func(...any) error) (func(*record.Pane), error) {
			var v record.Diagnosis
			var evidence, old, behind []byte
			err := scan(&evidence, &old, &v.Cause, &behind, &v.By, &v.At, &v.Version)
			if err == nil {
				err = errors.Join(json.Unmarshal(evidence, &v.Evidence), json.Unmarshal(old, &v.OldPane),
					json.Unmarshal(behind, &v.Behind))
			}
			return func(p *record.Pane) { p.Diagnosis = &v }, err
		})
}

func choices(ctx context.Context, db database.Querier, in string, args []any, panes map[int64]*record.Pane) error {
	return database.Fill(ctx, db,
		`SELECT c.pane_id, c.id, c.material, c.thickness, c.reason, COALESCE(NULLIF(c.author, ''), a.name), c.chosen_at
FROM choice c JOIN account a ON a.id = c.chosen_by WHERE c.pane_id IN (`+in+`) ORDER BY c.id`, args, panes,
		func(scan func(...any) error) (func(*record.Pane), error) {
			var v record.Choice
			err := scan(&v.ID, &v.Material, &v.Thickness, &v.Reason, &v.By, &v.At)
			// The last row wins: choices are kept, not overwritten.
			return func(p *record.Pane) { p.Choice = &v }, err
		})
}

func ticks(ctx context.Context, db database.Querier, in string, args []any, panes map[int64]*record.Pane) error {
	return database.Fill(ctx, db,
		`SELECT t.pane_id, t.step, t.outcome, t.reason, t.version, COALESCE(NULLIF(t.author, ''), a.name), t.done_at
FROM step_tick t JOIN account a ON a.id = t.done_by WHERE t.pane_id IN (`+in+`) ORDER BY t.done_at,
	BINARY t.step`, args,
		panes,
		func(scan func(...any) error) (func(*record.Pane), error) {
			var v record.Tick
			err := scan(&v.Step, &v.Outcome, &v.Reason, &v.Version, &v.By, &v.At)
			return func(p *record.Pane) { p.Ticks = append(p.Ticks, v) }, err
		})
}

func answers(ctx context.Context, db database.Querier, in string, args []any, panes map[int64]*record.Pane) error {
	return database.Fill(ctx, db,
		`SELECT t.pane_id, t.proof, t.outcome, t.value, t.gaps, t.finding, t.version,
COALESCE(NULLIF(t.author, ''), a.name), t.done_at FROM check_answer t JOIN account a ON a.id = t.done_by
WHERE t.pane_id IN (`+in+`) ORDER BY t.done_at, BINARY t.proof`, args,
		panes,
		func(scan func(...any) error) (func(*record.Pane), error) {
			var v record.Answer
			var gaps []byte
			err := scan(&v.Check, &v.Answer.Outcome, &v.Answer.Value, &gaps, &v.Answer.Finding, &v.Version, &v.By, &v.At)
			if err == nil && string(gaps) != "[]" {
				err = json.Unmarshal(gaps, &v.Answer.Gaps)
			}
			return func(p *record.Pane) { p.Answers = append(p.Answers, v) }, err
		})
}

func trials(ctx context.Context, db database.Querier, in string, args []any, panes map[int64]*record.Pane) error {
	return database.Fill(ctx, db,
		`SELECT t.pane_id, t.proof, t.value, t.finding, t.changed, COALESCE(NULLIF(t.author, ''), a.name), t.done_at
FROM failed_trial t JOIN account a ON a.id = t.done_by WHERE t.pane_id IN (`+in+`) ORDER BY t.id`, args, panes,
		func(scan func(...any) error) (func(*record.Pane), error) {
			var v record.Trial
			err := scan(&v.Check, &v.Value, &v.Finding, &v.Changed, &v.By, &v.At)
			return func(p *record.Pane) { p.Trials = append(p.Trials, v) }, err
		})
}

func taken(ctx context.Context, db database.Querier, in string, args []any, panes map[int64]*record.Pane) error {
	return database.Fill(ctx, db, `SELECT t.pane_id, t.item, t.said, t.beyond, t.reason, a.name, t.taken_at
FROM taken_on t JOIN account a ON a.id = t.taken_by WHERE t.pane_id IN (`+in+`) ORDER BY t.taken_at,
	BINARY t.item`, args,
		panes,
		func(scan func(...any) error) (func(*record.Pane), error) {
			var v record.Taken
			err := scan(&v.Key, &v.Says, &v.Beyond, &v.Reason, &v.By, &v.At)
			return func(p *record.Pane) { p.Taken = append(p.Taken, v) }, err
		})
}

func tickets(ctx context.Context, db database.Querier, in string, args []any, jobs map[int64]*record.Job) error {
	return database.Fill(ctx, db, `SELECT t.job_id, t.number, a.name, t.signed_at, t.override_reason, t.document, t.seal
FROM ticket t JOIN account a ON a.id = t.signed_by WHERE t.job_id IN (`+in+`)`, args, jobs,
		func(scan func(...any) error) (func(*record.Job), error) {
			var v record.Ticket
			err := scan(&v.Number, &v.By, &v.At, &v.Override, &v.Document, &v.Seal)
			return func(j *record.Job) { j.Ticket = &v }, err
		})
}

// LastReadingVersion is the highest version that a place has had, 0 for none.
func (s Panes) LastReadingVersion(ctx context.Context, pane int64, place reading.Place) (int, error) {
	var n int
	err := s.db.QueryRowContext(ctx, "SELECT COALESCE(MAX(version), 0) FROM reading WHERE pane_id = ? AND place = ?", pane,
		place).Scan(&n)
	return n, err
}

// RetireReading takes the live reading of a place out of the count.
func (t PanesTx) RetireReading(ctx context.Context, pane int64, place reading.Place) error {
	return t.Run(ctx, "UPDATE reading SET live = NULL WHERE pane_id = ? AND place = ? AND live = 1", pane, place)
}

// AddReading writes a reading as the one that counts.
func (t PanesTx) AddReading(ctx context.Context, pane int64, v record.Reading) error {
	return t.Run(ctx, "INSERT INTO reading (pane_id, place, text, value, doubt, lean, imperial, instrument, taken_by, "+
		"author, taken_at, version, live) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 1)",
		pane, v.Place, v.Reading.Text, v.Reading.Value, v.Reading.Doubt, v.Reading.Lean, v.Reading.Imperial, v.Instrument,
		v.ByID, v.Author, v.At, v.Version)
}

// AddChoice writes a settled material.
func (t PanesTx) AddChoice(ctx context.Context, pane int64, c record.Choice, by int64) (int64, error) {
	return t.Insert(ctx, "INSERT INTO choice (pane_id, material, thickness, reason, chosen_by, author, chosen_at) VALUES "+
		"(?, ?, ?, ?, ?, ?, ?)", pane, c.Material, c.Thickness, c.Reason, by, c.Author, c.At)
}

// SetDiagnosis writes what was seen and settled. It must run under the job's
// lock, which also guards the version.
func (t PanesTx) SetDiagnosis(ctx context.Context, pane int64, d record.Diagnosis, by int64) error {
	evidence, err := json.Marshal(d.Evidence)
	if err != nil {
		return err
	}
	old, err := json.Marshal(d.OldPane)
	if err != nil {
		return err
	}
	behind, err := json.Marshal(append([]string{}, d.Behind...))
	if err != nil {
		return err
	}
	return t.Run(ctx, "REPLACE INTO diagnosis (pane_id, evidence, old_pane, cause, behind, set_by, author, set_at, "+
		"version) "+
		"VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)", pane, string(evidence), string(old), d.Cause, string(behind), by, d.Author,
		d.At,
		d.Version)
}

// SetTick writes how a step ended. It must run under the job's lock, which also
// guards the version.
func (t PanesTx) SetTick(ctx context.Context, pane int64, v record.Tick, by int64) error {
	return t.Run(ctx, "REPLACE INTO step_tick (pane_id, step, outcome, reason, version, done_by, author, done_at) "+
		"VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
		pane, v.Step, v.Outcome, v.Reason, v.Version, by, v.Author, v.At)
}

// ClearTick opens a step again.
func (t PanesTx) ClearTick(ctx context.Context, pane int64, step string) error {
	return t.Run(ctx, "DELETE FROM step_tick WHERE pane_id = ? AND step = ?", pane, step)
}

// SetAnswer writes how a check ended. It must run under the job's lock, which
// also guards the version.
func (t PanesTx) SetAnswer(ctx context.Context, pane int64, v record.Answer, by int64) error {
	gaps := []byte("[]")
	if len(v.Answer.Gaps) > 0 {
		var err error
		if gaps, err = json.Marshal(v.Answer.Gaps); err != nil {
			return err
		}
	}
	return t.Run(ctx, "REPLACE INTO check_answer (pane_id, proof, outcome, value, gaps, finding, version, done_by, "+
		"author, "+
		"done_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
		pane, v.Check, v.Answer.Outcome, v.Answer.Value, gaps, v.Answer.Finding, v.Version, by, v.Author, v.At)
}

// ClearAnswer opens a check again.
func (t PanesTx) ClearAnswer(ctx context.Context, pane int64, check string) error {
	return t.Run(ctx, "DELETE FROM check_answer WHERE pane_id = ? AND proof = ?", pane, check)
}

// AddTrial keeps a check that failed before it is tried again.
func (t PanesTx) AddTrial(ctx context.Context, pane int64, v record.Trial, by int64) error {
	return t.Run(ctx, "INSERT INTO failed_trial (pane_id, proof, value, finding, changed, done_by, author, done_at) "+
		"VALUES (?, ?, "+
		"?, ?, ?, ?, ?, ?)",
		pane, v.Check, v.Value, v.Finding, v.Changed, by, v.Author, v.At)
}

// SetTaken writes that an owner took a stop on.
func (t PanesTx) SetTaken(ctx context.Context, pane int64, v record.Taken, by int64) error {
	return t.Run(ctx, "REPLACE INTO taken_on (pane_id, item, said, beyond, reason, taken_by, taken_at) VALUES (?, ?, ?, "+
		"?, ?, ?, ?)",
		pane, v.Key, v.Says, v.Beyond, v.Reason, by, v.At)
}

// ClearTaken takes that back.
func (t PanesTx) ClearTaken(ctx context.Context, pane int64, item string) error {
	return t.Run(ctx, "DELETE FROM taken_on WHERE pane_id = ? AND item = ?", pane, item)
}

// AddTicket signs a job off and returns its number, the next one. The caller holds the numbers of
// the shop (LockShop).
func (t PanesTx) AddTicket(ctx context.Context, job int64, by int64, at time.Time, override string) (int64, error) {
	if err := t.Run(ctx, "UPDATE job SET state = 'signed' WHERE id = ?", job); err != nil {
		return 0, err
	}
	var n int64
	if err := t.Tx.QueryRowContext(ctx, "SELECT COALESCE(MAX(number), 0) + 1 FROM ticket").Scan(&n); err != nil {
		return 0, err
	}
	return n, t.Run(ctx,
		"INSERT INTO ticket (number, job_id, signed_by, signed_at, override_reason, document, seal) "+
			"VALUES (?, ?, ?, ?, ?, '', '')", n, job, by, at, override)
}

// SealTicket fixes what a ticket of a number holds, under its seal.
func (t PanesTx) SealTicket(ctx context.Context, number int64, document string, seal []byte) error {
	return t.Run(ctx, "UPDATE ticket SET document = ?, seal = ? WHERE number = ?", document, seal, number)
}
