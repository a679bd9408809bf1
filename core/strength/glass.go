package strength

import (
	"math"

	"freshshard/core/fault"
)

// Lasting is how long a load lasts.
type Lasting string

// The durations that the European rule tells apart.
const (
	Permanent Lasting = "permanent"
	Weeks     Lasting = "weeks"
	Day       Lasting = "day" // the hours that a pane is warm in a day
	Gust      Lasting = "gust"
)

// Numbers of the European rule for glass. EN 16612, from memory.
const (
	annealedStrength = 45.0 // f_g;k, MPa
	gammaM           = 1.8
	gammaV           = 1.2
)

// A day's eight warm hours by k_mod = 0.663·t^(−1/16), t in hours. EN 16612, from
// memory.
var kmod = map[Lasting]float64{Permanent: 0.29, Weeks: 0.43, Day: 0.58, Gust: 0.74}

// Kmod is the share that glass keeps under a load that lasts.
func Kmod(l Lasting) (float64, error) {
	k, ok := kmod[l]
	if !ok {
		return 0, fault.New("lasting", "a load is permanent, of weeks, of a day, or a gust", "choose one of the four")
	}
	return k, nil
}

// Allowable is what glass of a characteristic strength may carry, MPa:
//
//	f = k_mod·k_sp·f_g;k/γ_M + k_v·(f_b;k − f_g;k)/γ_v
//
// EN 16612, from memory: annealed 7.25 permanent, 18.5 in a gust; toughened of
// 120 MPa 69.75 permanent.
func Allowable(strength float64, l Lasting) (float64, error) {
	k, err := Kmod(l)
	if err != nil {
		return 0, err
	}
	if !(strength > 0 && strength <= 500) {
		return 0, fault.New("strength", "a strength up to 500 MPa is expected", "45 for annealed, 120 for toughened")
	}
	base := math.Min(strength, annealedStrength)
	return k*base/gammaM + math.Max(0, strength-annealedStrength)/gammaV, nil
}

// Wind is the pressure of a wind speed in m/s with a shape factor, kPa:
// q = ½·ρ·v², ρ 1.225 kg/m³. 30 m/s gives 0.551.
func Wind(speed, shape float64) float64 { return 0.5 * 1.225 * speed * speed * shape / 1000 }

// Water is the pressure of a head of water in m, kPa: 9.81 a metre.
func Water(head float64) float64 { return 9.81 * head }

// spanShare is how far a single pane may bend, as a share of its span. Common
// practice, no source.
const spanShare = 1.0 / 60

// DeflectionLimit is how far a pane of a span may bend, mm.
func DeflectionLimit(span float64) float64 { return span * spanShare }
