package instrument

import (
	"testing"
	"time"

	"freshshard/core/cure"
)

// The station says the same of an hour whenever it is asked, stays within what a ferry
// town has, and is warmer in July than in January.
func TestForecast(t *testing.T) {
	start := time.Date(2027, 1, 1, 0, 0, 0, 0, time.UTC)
	year := Forecast(start, 24*365)
	sum := map[time.Month]float64{}
	for i, a := range year {
		if a.C < -8 || a.C > 34 || a.RH < 25 || a.RH > 98 || !a.At.Equal(start.Add(time.Duration(i)*time.Hour)) {
			t.Fatalf("%+v", a)
		}
		sum[a.At.Month()] += a.C
	}
	if sum[time.July] < 2*sum[time.January] {
		t.Errorf("July %v, January %v", sum[time.July], sum[time.January])
	}
	if later := Forecast(start.Add(100*time.Hour+20*time.Minute), 5); later[0] != year[100] {
		t.Errorf("%+v, %+v", later[0], year[100])
	}
}

func TestIndoors(t *testing.T) {
	for hour, want := range map[int]float64{6: 12, 7: 18, 17: 18, 18: 12} {
		a := Indoors(cure.Air{At: time.Date(2027, 1, 12, hour, 0, 0, 0, time.UTC), C: 4, RH: 80}, time.UTC)
		if a.C != want || a.RH >= 80 {
			t.Errorf("%d h: %+v", hour, a)
		}
	}
	if a := Indoors(cure.Air{At: time.Date(2027, 7, 12, 14, 0, 0, 0, time.UTC), C: 27, RH: 50}, time.UTC); a.C != 27 ||
		a.RH != 56 {
		t.Errorf("%+v", a)
	}
}
