package store

import (
	"context"
	"encoding/json"
	"errors"

	"freshshard/core/setting"
	"freshshard/core/witness"
	"freshshard/internal/database"
	"freshshard/internal/record"
)

// panes reads the panes of jobs, each with all that belongs to it.
func panes(ctx context.Context, db database.Querier, in string, args []any, jobs map[int64]*record.Job,
	has uint) error {
	err := database.Fill(ctx, db,
		`SELECT job_id, id, number, name, family, frame, cutter, gasket_kind, gasket_free, side_top, side_right, side_bottom,
			side_left, shape, raked, like_material, uses, duty, packed, spot, waits_for, waits_until, version, road, how, came,
			COALESCE(part, '{}'), COALESCE(peel, '{}'), COALESCE(turns, '[]'), COALESCE(heard, '[]'), stock, counted
FROM pane WHERE job_id IN (`+in+`) ORDER BY job_id, number`, args, jobs,
		func(scan func(...any) error) (func(*record.Job), error) {
			p := record.Pane{Readings: []record.Reading{}, Ticks: []record.Tick{}, Answers: []record.Answer{}}
			var shape, spot, uses, duty, stack, part, peel, turns, heard []byte
			err := scan(&p.ID, &p.Number, &p.Name, &p.Family, &p.Frame, &p.Cutter, &p.Gasket.Kind, &p.Gasket.Free, &p.Sides.Top,
				&p.Sides.Right, &p.Sides.Bottom, &p.Sides.Left, &shape, &p.Raked, &p.Like, &uses, &duty, &stack, &spot, &p.WaitsFor,
				&p.WaitsUntil, &p.Version, &p.Road.ID, &p.Road.How, &p.Road.Came, &part, &peel, &turns, &heard, &p.Stock,
				&p.Counted)
			if err == nil {
				err = errors.Join(json.Unmarshal(shape, &p.Shape), json.Unmarshal(spot, &p.Spot), json.Unmarshal(uses, &p.Uses),
					json.Unmarshal(duty, &p.Duty), json.Unmarshal(stack, &p.Stack), json.Unmarshal(part, &p.Road.Part),
					json.Unmarshal(peel, &p.Peel), json.Unmarshal(turns, &p.Turns), json.Unmarshal(heard, &p.Heard))
			}
			return func(j *record.Job) { j.Panes = append(j.Panes, p) }, err
		})
	if err != nil {
		return err
	}
	panes, ids := map[int64]*record.Pane{}, []int64{}
	for _, j := range jobs {
		for i := range j.Panes {
			panes[j.Panes[i].ID], ids = &j.Panes[i], append(ids, j.Panes[i].ID)
		}
	}
	if len(ids) == 0 {
		return nil
	}
	in, args = database.Marks(ids)
	for i, part := range paneParts {
		if has>>i&1 == 0 {
			continue
		}
		if err := part.fill(ctx, db, in, args, panes); err != nil {
			return err
		}
	}
	return nil
}

// AddPane writes a pane of a job.
func (t PanesTx) AddPane(ctx context.Context, p record.Pane, job int64) (int64, error) {
	x, err := paneJSON(p)
	if err != nil {
		return 0, err
	}
	return t.Insert(ctx,
		"INSERT INTO pane (job_id, number, name, family, frame, cutter, gasket_kind, gasket_free, side_top, side_right, "+
			"side_bottom, side_left, shape, raked, like_material, uses, duty, packed, spot, waits_for, waits_until, "+
			"road, how, came, part, peel, turns, heard, stock, counted) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, "+
			"?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
		job, p.Number, p.Name, p.Family, p.Frame, p.Cutter, p.Gasket.Kind, p.Gasket.Free, p.Sides.Top, p.Sides.Right,
		p.Sides.Bottom, p.Sides.Left, x.shape, p.Raked, p.Like, x.uses, x.duty, x.stack, x.spot, p.WaitsFor, p.WaitsUntil,
		p.Road.ID, p.Road.How, p.Road.Came, x.part, x.peel, x.turns, x.heard, p.Stock, p.Counted)
}

// paneText are the fields of a pane that are kept as JSON.
type paneText struct{ shape, spot, uses, duty, stack, part, peel, turns, heard string }

func paneJSON(p record.Pane) (x paneText, err error) {
	if p.Uses == nil {
		p.Uses = []string{}
	}
	for _, f := range []struct {
		to *string
		v  any
	}{{&x.shape, p.Shape}, {&x.spot, p.Spot}, {&x.uses, p.Uses}, {&x.duty, p.Duty}, {&x.stack, p.Stack},
		{&x.part, p.Road.Part}, {&x.peel, p.Peel},
		{&x.turns, append(setting.Counted{}, p.Turns...)}, {&x.heard, append([]witness.Said{}, p.Heard...)}} {
		b, err := json.Marshal(f.v)
		if err != nil {
			return x, err
		}
		*f.to = string(b)
	}
	return x, nil
}

// SetPane changes how a pane is held and what it waits for, at the version that
// the caller saw.
func (t PanesTx) SetPane(ctx context.Context, p record.Pane) (bool, error) {
	x, err := paneJSON(p)
	if err != nil {
		return false, err
	}
	return t.Changed(ctx,
		"UPDATE pane SET name = ?, family = ?, frame = ?, cutter = ?, gasket_kind = ?, gasket_free = ?, side_top = ?, "+
			"side_right = ?, side_bottom = ?, side_left = ?, shape = ?, raked = ?, like_material = ?, uses = ?, duty = ?, "+
			"packed = ?, spot = ?, waits_for = ?, waits_until = ?, road = ?, how = ?, came = ?, part = ?, peel = ?, turns = "+
			"?, heard = ?, stock = ?, counted = ?, version = "+
			"version + 1 WHERE id = ? AND version = ?",
		p.Name, p.Family, p.Frame, p.Cutter, p.Gasket.Kind, p.Gasket.Free, p.Sides.Top, p.Sides.Right, p.Sides.Bottom,
		p.Sides.Left, x.shape, p.Raked, p.Like, x.uses, x.duty, x.stack, x.spot, p.WaitsFor, p.WaitsUntil,
		p.Road.ID, p.Road.How, p.Road.Came, x.part, x.peel, x.turns, x.heard, p.Stock, p.Counted, p.ID, p.Version)
}

// MovePane puts a pane elsewhere on its object, under another number, under the job's lock.
func (t PanesTx) MovePane(ctx context.Context, p record.Pane) error {
	x, err := paneJSON(p)
	if err != nil {
		return err
	}
	return t.Run(ctx, "UPDATE pane SET number = ?, spot = ?, version = version + 1 WHERE id = ?", p.Number, x.spot, p.ID)
}

// DropPane takes a pane out that nothing was done to, with readings that were taken back.
func (t PanesTx) DropPane(ctx context.Context, pane int64) error {
	for _, q := range []string{"DELETE FROM reading WHERE pane_id = ?", "DELETE FROM diagnosis WHERE pane_id = ?",
		"DELETE FROM failed_trial WHERE pane_id = ?", "DELETE FROM taken_on WHERE pane_id = ?",
		"DELETE FROM pane WHERE id = ?"} {
		if err := t.Run(ctx, q, pane); err != nil {
			return err
		}
	}
	return nil
}

// WaitFor has the panes of a job that wait for one thing wait for another; those that wait for
// something else are left as they are. Nothing is the end of it.
func (t PanesTx) WaitFor(ctx context.Context, job int64, was, is string) error {
	return t.Run(ctx, "UPDATE pane SET waits_for = ?, waits_until = NULL, version = version + 1 "+
		"WHERE job_id = ? AND waits_for = ?", is, job, was)
}
