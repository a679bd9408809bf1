package hold

import (
	"context"
	"fmt"
	"io"
	"time"

	"freshshard/core/catalogue"
	"freshshard/core/cure"
	"freshshard/core/fault"
	"freshshard/core/usual"
	"freshshard/internal/forecast"
	"freshshard/internal/instrument"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Weather is the air outdoors hour by hour, and in which hours it is wet.
type Weather struct {
	Air []cure.Air
	wet map[int64]bool // by the hour's Unix time
	own catalogue.Values
}

// Outdoors is the weather from a moment on, as the kept forecast says. Where that says
// nothing the made-up shop has its simulated station; a real one knows nothing of it.
func (s *Service) Outdoors(ctx context.Context, q AirReader, from time.Time, hours int) (Weather, error) {
	own, err := s.Store.Shops.Own(ctx)
	w := Weather{wet: map[int64]bool{}, own: own}
	if err != nil {
		return w, err
	}
	from = from.UTC().Truncate(time.Hour)
	said, err := q.Weather(ctx, from)
	if !s.MadeUp {
		for _, v := range said {
			w.Air = append(w.Air, cure.Air{At: v.At, C: v.C, RH: v.RH})
			w.wet[v.At.Unix()] = v.Wet
		}
		return w, err
	}
	w.Air = instrument.Forecast(from, hours)
	byHour := map[int64]record.WeatherHour{}
	for _, v := range said {
		byHour[v.At.Unix()] = v
	}
	for i := range w.Air {
		if v, ok := byHour[w.Air[i].At.Unix()]; ok {
			w.Air[i].C, w.Air[i].RH, w.wet[v.At.Unix()] = v.C, v.RH, v.Wet
		}
	}
	return w, err
}

// Fit says whether the air of an hour lets a bond be laid outdoors: not too cold, not nearly wet.
func (w Weather) Fit(a cure.Air) bool {
	return a.C >= usual.Of(w.own, usual.OutdoorsFrom) && a.RH <= usual.Of(w.own, usual.OutdoorsDamp) && !w.wet[a.At.Unix()]
}

// forecastFrom is how far off a forecast may begin.
const forecastFrom = 7 * 24 * time.Hour

// ForecastKept is until when a forecast that was brought in says the weather.
type ForecastKept struct {
	Until *time.Time `json:"until,omitempty" doc:"Nothing where nobody took a forecast in"`
	Hours int        `json:"hours"`
}

// Forecast tells what is kept of forecasts.
func (s *Service) Forecast(ctx context.Context) (ForecastKept, error) {
	all, err := s.Store.Rounds.Weather(ctx, s.Now().Truncate(time.Hour))
	if err != nil || len(all) == 0 {
		return ForecastKept{}, err
	}
	return ForecastKept{Until: &all[len(all)-1].At, Hours: len(all)}, nil
}

// SetForecast takes a forecast in, CSV or JSON; what hardens and what is planned goes by
// it.
func (s *Service) SetForecast(ctx context.Context, by record.Account, r io.Reader) error {
	all, err := forecast.Read(r)
	if err != nil {
		return err
	}
	// One of another time would take the place of the good one and say nothing.
	if n, now := len(all), s.Now(); n > 0 && (!all[n-1].At.After(now) || all[0].At.Sub(now) > forecastFrom) {
		return fault.New("file", fmt.Sprintf("it is for %s to %s, and none of that is near", all[0].At.Format("2 Jan 2006"),
			all[n-1].At.Format("2 Jan 2006")), "take in one for the days to come")
	}
	return s.weatherWrite(ctx, by, fmt.Sprintf("forecast of %d hours taken in", len(all)),
		func(t *store.Tx) error { return t.Rounds.SetWeather(ctx, all) })
}

// DropForecast forgets the forecast that was taken in.
func (s *Service) DropForecast(ctx context.Context, by record.Account) error {
	return s.weatherWrite(ctx, by, "forecast given up", func(t *store.Tx) error { return t.Rounds.DropWeather(ctx) })
}

func (s *Service) weatherWrite(ctx context.Context, by record.Account, said string, write func(*store.Tx) error) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if err := write(t); err != nil {
			return err
		}
		if err := s.reckonedAgain(ctx, t, "", s.TimeZone()); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "weather", Action: "changed", Said: said})
	})
}
