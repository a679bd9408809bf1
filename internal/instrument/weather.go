package instrument

import (
	"hash/fnv"
	"math"
	"strconv"
	"time"

	"freshshard/core/cure"
)

// Forecast is what the simulated station says of the air outdoors, hour by hour from a
// moment on: a year's and a day's swing, and fronts of some days that make it colder and
// damper. The same hour has the same air whenever it is asked for. Made up, of the size
// that a ferry town has.
func Forecast(from time.Time, hours int) []cure.Air {
	from = from.UTC().Truncate(time.Hour)
	out := make([]cure.Air, 0, hours+1)
	for h := range hours + 1 {
		out = append(out, outdoors(from.Add(time.Duration(h)*time.Hour)))
	}
	return out
}

// Swings of the simulated station.
const (
	meanC, yearC, dayC   = 11.0, 8.0, 3.5
	meanRH, dayRH, rainy = 72.0, 10.0, 14.0
	front                = 60 * time.Hour // how long one lasts
	frontC               = 5.0
)

func outdoors(t time.Time) cure.Air {
	year := math.Cos(2 * math.Pi * (float64(t.YearDay()) - 200) / 365)
	day := math.Cos(2 * math.Pi * (float64(t.Hour()) - 15) / 24)
	// From one front to the next in a straight line.
	n := t.Unix() / int64(front.Seconds())
	k := float64(t.Unix()%int64(front.Seconds())) / front.Seconds()
	weather := (1-k)*chance(n) + k*chance(n+1)
	a := cure.Air{At: t, C: meanC + yearC*year + dayC*day + frontC*weather, RH: meanRH - dayRH*day - rainy*weather}
	a.C, a.RH = round(a.C, 0.1), round(math.Max(25, math.Min(98, a.RH)), 1)
	return a
}

// chance is a number from −1 to 1 that belongs to a count.
func chance(n int64) float64 {
	h := fnv.New64a()
	_, _ = h.Write([]byte(strconv.FormatInt(n, 10)))
	return float64(h.Sum64()%2001)/1000 - 1
}

// Indoors is the air in a workshop that is warmed by day: never colder than so much by day
// and by night, with the water of the air outdoors and some of people's.
func Indoors(out cure.Air, zone *time.Location) cure.Air {
	least := 12.0
	if h := out.At.In(zone).Hour(); h >= 7 && h < 18 {
		least = 18
	}
	a := out.Warmed(math.Max(out.C, least))
	a.C, a.RH = round(a.C, 0.1), round(math.Max(20, math.Min(95, a.RH+6)), 1)
	return a
}
