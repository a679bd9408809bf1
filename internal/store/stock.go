package store

import (
	"context"
	"database/sql"
	"errors"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

const stockColumns = `SELECT id, kind, name, material, thickness, w, h, unit, quantity, least,
	CAST(cost * 100 AS SIGNED),
place, lot, COALESCE(DATE_FORMAT(expires, '%Y-%m-%d'), ''), version FROM stock_item`

func scanStock(r *sql.Rows) (record.StockItem, error) {
	var v record.StockItem
	return v, r.Scan(&v.ID, &v.Kind, &v.Name, &v.Material, &v.Thickness, &v.W, &v.H, &v.Unit, &v.Quantity, &v.Least,
		&v.Cents, &v.Place, &v.Lot, &v.Expires, &v.Version)
}

// Stock lists what is in the stores, or what has been and may come again where gone is
// asked.
func (s Stocks) Stock(ctx context.Context, gone bool) ([]record.StockItem, error) {
	q := stockColumns
	if !gone {
		q += " WHERE quantity > 0 OR least > 0"
	}
	return database.List(ctx, s.db, scanStock, q+" ORDER BY kind, material, thickness, name, id")
}

// StockItem reads one.
func (s Stocks) StockItem(ctx context.Context, id int64) (record.StockItem, error) {
	return database.First[record.StockItem](&record.NotFound{What: "this in the stores"})(database.List(ctx, s.db,
		scanStock, stockColumns+" WHERE id = ?", id))
}

// Moves lists the last movements of an item, newest first.
func (s Stocks) Moves(ctx context.Context, item int64, most int) ([]record.StockMove, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.StockMove, error) {
		var v record.StockMove
		return v, r.Scan(&v.ID, &v.Delta, &v.Why, &v.Job, &v.By, &v.At)
	}, `SELECT m.id, m.delta, m.why, COALESCE(m.job_id, 0), a.name, m.at FROM stock_move m JOIN account a
		ON a.id = m.account_id
WHERE m.item_id = ? ORDER BY m.id DESC LIMIT ?`, item, most)
}

// Used lists what was taken out of the stores for a job, with how much of it in all.
func (s Stocks) Used(ctx context.Context, job int64) ([]record.StockItem, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.StockItem, error) {
		var v record.StockItem
		return v, r.Scan(&v.ID, &v.Kind, &v.Name, &v.Material, &v.Thickness, &v.W, &v.H, &v.Unit, &v.Quantity, &v.Cents)
	}, `SELECT i.id, i.kind, i.name, i.material, i.thickness, i.w, i.h, i.unit, -SUM(m.delta), CAST(i.cost * 100 AS SIGNED)
FROM stock_move m JOIN stock_item i ON i.id = m.item_id WHERE m.job_id = ? GROUP BY i.id HAVING SUM(m.delta) < 0
ORDER BY i.id`, job)
}

// AddStock writes an item with nothing of it there yet.
func (t StocksTx) AddStock(ctx context.Context, v record.StockItem) (int64, error) {
	return t.Insert(ctx,
		"INSERT INTO stock_item (kind, name, material, thickness, w, h, unit, least, cost, place, lot, expires) "+
			"VALUES (?, ?, ?, ?, ?, ?, ?, ?, ? / 100, ?, ?, NULLIF(?, ''))", v.Kind, v.Name, v.Material, v.Thickness, v.W, v.H,
		v.Unit,
		v.Least,
		v.Cents, v.Place, v.Lot, v.Expires)
}

// LockStock makes writers of an item wait for each other.
func (t StocksTx) LockStock(ctx context.Context, item int64) error {
	var id int64
	err := t.Tx.QueryRowContext(ctx, "SELECT id FROM stock_item WHERE id = ? FOR UPDATE", item).Scan(&id)
	if errors.Is(err, sql.ErrNoRows) {
		return &record.NotFound{What: "this in the stores"}
	}
	return err
}

// SetStock changes what is said of an item at the version that the caller saw; how much
// there is changes by Move alone.
func (t StocksTx) SetStock(ctx context.Context, v record.StockItem) (bool, error) {
	return t.Changed(ctx,
		"UPDATE stock_item SET name = ?, material = ?, thickness = ?, w = ?, h = ?, least = ?, cost = ? / 100, "+
			"place = ?, lot = ?, expires = NULLIF(?, ''), version = version + 1 WHERE id = ? AND version = ?", v.Name,
		v.Material,
		v.Thickness,
		v.W, v.H, v.Least, v.Cents, v.Place, v.Lot, v.Expires, v.ID, v.Version)
}

// Move takes from an item or adds to it and reports false where that would leave less
// than nothing.
func (t StocksTx) Move(ctx context.Context, item int64, delta float64, why string, job, by int64, at time.Time) (bool,
	error) {
	found, err := t.Changed(ctx, "UPDATE stock_item SET quantity = quantity + ? WHERE id = ? AND quantity + ? >= 0", delta,
		item,
		delta)
	if err != nil || !found {
		return found, err
	}
	return true, t.Run(ctx,
		"INSERT INTO stock_move (item_id, delta, why, job_id, account_id, at) VALUES (?, ?, ?, ?, ?, ?)", item,
		delta, short(why, 200), database.OrNull(job), by, at)
}

const planColumns = "SELECT id, material, thickness, outside, state, doc, version, at FROM cut_plan"

func scanPlan(r *sql.Rows) (record.CutPlan, error) {
	var v record.CutPlan
	return v, r.Scan(&v.ID, &v.Material, &v.Thickness, &v.Outside, &v.State, &v.Doc, &v.Version, &v.At)
}

// OpenPlans lists the plans that are not cut yet.
func (s Stocks) OpenPlans(ctx context.Context) ([]record.CutPlan, error) {
	return database.List(ctx, s.db, scanPlan, planColumns+" WHERE state = 'open' ORDER BY id")
}

// CutPlan reads one plan.
func (s Stocks) CutPlan(ctx context.Context, id int64) (record.CutPlan, error) {
	return database.First[record.CutPlan](&record.NotFound{What: "this plan"})(database.List(ctx, s.db, scanPlan,
		planColumns+" WHERE id = ?", id))
}

// AddPlan writes a plan and puts those of the same glass away that nobody began.
func (t StocksTx) AddPlan(ctx context.Context, v record.CutPlan, by int64) (int64, error) {
	if err := t.Run(ctx,
		"UPDATE cut_plan SET state = 'dropped', version = version + 1 WHERE state = 'open' AND material = ? AND "+
			"thickness = ? AND outside = ?", v.Material, v.Thickness, v.Outside); err != nil {
		return 0, err
	}
	return t.Insert(ctx, "INSERT INTO cut_plan (material, thickness, outside, doc, account_id, at) VALUES (?, ?, ?, ?, "+
		"?, ?)",
		v.Material, v.Thickness, v.Outside, string(v.Doc), by, v.At)
}

// SetPlan keeps how far a plan is cut, at the version that the caller saw.
func (t StocksTx) SetPlan(ctx context.Context, v record.CutPlan) (bool, error) {
	return t.Changed(ctx,
		"UPDATE cut_plan SET state = ?, doc = ?, version = version + 1 WHERE id = ? AND version = ? AND state = "+
			"'open'", v.State, string(v.Doc), v.ID, v.Version)
}

// CutPanes are the panes that came out of a plan already.
func (s Stocks) CutPanes(ctx context.Context) (map[int64]bool, error) {
	ids, err := database.List(ctx, s.db, scanID, "SELECT pane_id FROM cut_pane")
	out := map[int64]bool{}
	for _, id := range ids {
		out[id] = true
	}
	return out, err
}

// NoteCut keeps that a pane came out of a plan.
func (t StocksTx) NoteCut(ctx context.Context, pane, plan int64, at time.Time) error {
	return t.Run(ctx, "REPLACE INTO cut_pane (pane_id, plan_id, at) VALUES (?, ?, ?)", pane, plan, at)
}

// ForgetCut lets a pane be cut again.
func (t StocksTx) ForgetCut(ctx context.Context, pane int64) (bool, error) {
	return t.Changed(ctx, "DELETE FROM cut_pane WHERE pane_id = ?", pane)
}

// NoteTries adds to how often a material came out good and broke in somebody's hands.
func (t StocksTx) NoteTries(ctx context.Context, material string, by int64, good, bad int) error {
	return t.Run(ctx, "INSERT INTO cut_try (material, account_id, good, bad) VALUES (?, ?, ?, ?) ON DUPLICATE KEY UPDATE "+
		"good = good + ?, bad = bad + ?", material, by, good, bad, good, bad)
}

// Tries is how often a material came out good and broke in somebody's hands.
func (s Stocks) Tries(ctx context.Context, material string, by int64) (good, bad int, err error) {
	err = s.db.QueryRowContext(ctx, "SELECT good, bad FROM cut_try WHERE material = ? AND account_id = ?", material,
		by).Scan(&good, &bad)
	if errors.Is(err, sql.ErrNoRows) {
		return 0, 0, nil
	}
	return good, bad, err
}
