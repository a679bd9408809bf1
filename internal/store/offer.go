package store

import (
	"context"
	"database/sql"
	"errors"
	"time"

	"freshshard/core/source"
	"freshshard/internal/database"
)

// Offers lists what was asked for a pane, with the id of the one that was taken, 0 for
// none.
func (s Orders) Offers(ctx context.Context, pane int64) (all []source.Offer, taken int64, err error) {
	all, err = database.List(ctx, s.db, func(r *sql.Rows) (source.Offer, error) {
		var v source.Offer
		var at sql.NullTime
		err := r.Scan(&v.ID, &v.Kind, &v.Who, &v.Price, &v.Carriage, &v.Lacks, &v.Missing, &v.Days, &v.Misfit, &v.Back,
			&v.Mark,
			&at)
		if at.Valid {
			taken = v.ID
		}
		return v, err
	}, `SELECT id, kind, who, CAST(price * 100 AS SIGNED), CAST(carriage * 100 AS SIGNED), lacks,
		CAST(missing * 100 AS SIGNED),
days, misfit, back, mark, taken_at FROM offer WHERE pane_id = ? ORDER BY id`, pane)
	return all, taken, err
}

// AddOffer writes an offer.
func (t OrdersTx) AddOffer(ctx context.Context, pane int64, v source.Offer, by int64, at time.Time) (int64, error) {
	return t.Insert(ctx,
		"INSERT INTO offer (pane_id, kind, who, price, carriage, lacks, missing, days, misfit, back, mark, "+
			"account_id, at) VALUES (?, ?, ?, ? / 100, ? / 100, ?, ? / 100, ?, ?, ?, ?, ?, ?)", pane, v.Kind, v.Who, v.Price,
		v.Carriage, v.Lacks, v.Missing, v.Days, v.Misfit, v.Back, v.Mark, by, at)
}

// DropOffer takes an offer out.
func (t OrdersTx) DropOffer(ctx context.Context, pane, id int64) error {
	return t.Run(ctx, "DELETE FROM offer WHERE pane_id = ? AND id = ?", pane, id)
}

// TakeOffer marks the one that was ordered; it reports false where there is none.
func (t OrdersTx) TakeOffer(ctx context.Context, pane, id int64, at time.Time) (bool, error) {
	if err := t.Run(ctx, "UPDATE offer SET taken_at = NULL WHERE pane_id = ?", pane); err != nil {
		return false, err
	}
	return t.Changed(ctx, "UPDATE offer SET taken_at = ? WHERE pane_id = ? AND id = ?", at, pane, id)
}

// Terms are what waiting and a second try cost a job; ok is false where nobody said.
func (s Orders) Terms(ctx context.Context, job int64) (v source.Terms, ok bool, err error) {
	err = s.db.QueryRowContext(ctx,
		"SELECT CAST(visit * 100 AS SIGNED), CAST(day * 100 AS SIGNED) FROM job_terms WHERE job_id = ?",
		job).Scan(&v.Visit, &v.Day)
	if errors.Is(err, sql.ErrNoRows) {
		return v, false, nil
	}
	return v, err == nil, err
}

// SetTerms keeps them.
func (t OrdersTx) SetTerms(ctx context.Context, job int64, v source.Terms) error {
	return t.Run(ctx, "REPLACE INTO job_terms (job_id, visit, day) VALUES (?, ? / 100, ? / 100)", job, v.Visit, v.Day)
}
