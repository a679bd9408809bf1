package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

// RoadMap reads what the van can go by; an empty one while nobody said.
func (s Rounds) RoadMap(ctx context.Context) (record.RoadMap, error) {
	var doc []byte
	m := record.RoadMap{}
	err := s.db.QueryRowContext(ctx, "SELECT doc, version FROM road_map WHERE id = 1").Scan(&doc, &m.Version)
	if errors.Is(err, sql.ErrNoRows) {
		return m, nil
	}
	if err != nil {
		return m, err
	}
	version := m.Version
	err = json.Unmarshal(doc, &m)
	m.Version = version
	return m, err
}

// SetRoadMap writes it at the version that the caller saw; 0 for the first.
func (t RoundsTx) SetRoadMap(ctx context.Context, m record.RoadMap) (bool, error) {
	doc, err := json.Marshal(m)
	if err != nil {
		return false, err
	}
	if m.Version == 0 {
		return t.Changed(ctx, "INSERT IGNORE INTO road_map (id, doc) VALUES (1, ?)", string(doc))
	}
	return t.Changed(ctx, "UPDATE road_map SET doc = ?, version = version + 1 WHERE id = 1 AND version = ?", string(doc),
		m.Version)
}

// Sites are where the open jobs at customers' are: as it was said of each, or of the last
// job of the same customer.
func (s Rounds) Sites(ctx context.Context) (map[int64]record.Site, error) {
	all, err := database.List(ctx, s.db, func(r *sql.Rows) (record.Site, error) {
		var v record.Site
		return v, r.Scan(&v.Job, &v.Place, &v.InFrom, &v.InTo, &v.Version)
	}, `SELECT j.id, t.place, t.in_from, t.in_to, IF(t.job_id = j.id, t.version, 0) FROM job j JOIN object o
		ON o.id = j.object_id
JOIN job_site t ON t.job_id = COALESCE((SELECT own.job_id FROM job_site own WHERE own.job_id = j.id),
  (SELECT MAX(k.id) FROM job k JOIN object p ON p.id = k.object_id JOIN job_site x ON x.job_id = k.id
  WHERE p.customer_id = o.customer_id))
WHERE j.state = 'open' AND j.place = 'site'`)
	out := map[int64]record.Site{}
	for _, v := range all {
		out[v.Job] = v
	}
	return out, err
}

// SetSite writes where a job is, at the version that the caller saw; 0 for the first.
func (t RoundsTx) SetSite(ctx context.Context, v record.Site) (bool, error) {
	if v.Version == 0 {
		return t.Changed(ctx, "INSERT IGNORE INTO job_site (job_id, place, in_from, in_to) VALUES (?, ?, ?, ?)", v.Job,
			v.Place, v.InFrom, v.InTo)
	}
	return t.Changed(ctx,
		"UPDATE job_site SET place = ?, in_from = ?, in_to = ?, version = version + 1 WHERE job_id = ? AND version = ?",
		v.Place, v.InFrom, v.InTo, v.Job, v.Version)
}

// Rounds are those that are not over at a time, the soonest first.
func (s Rounds) Rounds(ctx context.Context, at time.Time) ([]record.Round, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.Round, error) {
		var id int64
		var doc []byte
		v := record.Round{}
		if err := r.Scan(&id, &doc); err != nil {
			return v, err
		}
		err := json.Unmarshal(doc, &v)
		v.ID = id
		return v, err
	}, "SELECT id, doc FROM van_round WHERE back_at > ? ORDER BY leaves_at, id", at)
}

// AddRound keeps a round.
func (t RoundsTx) AddRound(ctx context.Context, v record.Round, by int64, at time.Time) (int64, error) {
	doc, err := json.Marshal(v)
	if err != nil {
		return 0, err
	}
	return t.Insert(ctx, "INSERT INTO van_round (leaves_at, back_at, doc, account_id, at) VALUES (?, ?, ?, ?, ?)",
		v.Leaves, v.Back,
		string(doc), by, at)
}

// DropRound gives a round up; false for one that is not there.
func (t RoundsTx) DropRound(ctx context.Context, id int64) (bool, error) {
	return t.Changed(ctx, "DELETE FROM van_round WHERE id = ?", id)
}

// Weather is what forecasts say of the hours from a moment on.
func (s Rounds) Weather(ctx context.Context, from time.Time) ([]record.WeatherHour, error) {
	return database.List(ctx, s.db, func(r *sql.Rows) (record.WeatherHour, error) {
		var v record.WeatherHour
		return v, r.Scan(&v.At, &v.C, &v.RH, &v.Wet)
	}, "SELECT at, c, rh, wet FROM weather_hour WHERE at >= ? ORDER BY at", from)
}

// SetWeather keeps what a forecast says; what an older one said of the same hours and
// later is gone.
func (t RoundsTx) SetWeather(ctx context.Context, all []record.WeatherHour) error {
	if err := t.Run(ctx, "DELETE FROM weather_hour WHERE at >= ?", all[0].At); err != nil {
		return err
	}
	for _, v := range all {
		if err := t.Run(ctx, "REPLACE INTO weather_hour (at, c, rh, wet) VALUES (?, ?, ?, ?)", v.At, v.C, v.RH,
			v.Wet); err != nil {
			return err
		}
	}
	return nil
}

// DropWeather forgets forecasts: the simulated station speaks again.
func (t RoundsTx) DropWeather(ctx context.Context) error {
	return t.Run(ctx, "DELETE FROM weather_hour")
}
