package cure

import (
	"math"
	"sort"
)

// chemistry is the factor by which 10 K less slow a moisture cure, on top of the drier air.
// Judgement, no source: it lies among the sheets that give several temperatures.
const chemistry = 1.5

// twice: two-part adhesives, putty and cement halve their speed with 10 K less. Common
// engineering rule.
const twice = 2.0

// rate is how much of an hour at 23 °C and 50 % an hour in this air is worth. The safe
// one gains nothing where it is warmer or damper than the sheet's day, and nothing at all
// outside the sheet's range; the quick one is the plain law.
func (a Adhesive) rate(air Air, safe bool) float64 {
	colder := math.Min(1, math.Pow(twice, (air.C-refC)/10))
	switch a.Kind {
	case Moisture, Table: // of a table its last clock
		wet := Water(air.C, air.RH) / reference
		if !safe {
			return math.Min(mostGain, wet)
		}
		colder = math.Min(1, wet) * math.Min(1, math.Pow(chemistry, (air.C-refC)/10))
	case TwoPart, Putty, Cement:
		if !safe {
			return math.Min(mostGain, math.Pow(twice, (air.C-refC)/10))
		}
	case Butyl:
		colder = 1
	}
	if safe && air.C < a.Least {
		return 0
	}
	return colder
}

// mostGain is how much faster than on the sheet's day the quick time may be at most.
const mostGain = 2.0

// tableRate is how much of the table's way an hour in this air goes. The safe one takes
// the slowest of the corners of the cell that the air lies in, and stands still below the
// table; the quick one goes straight between them. Nothing is drawn out beyond it.
func (a Adhesive) tableRate(air Air, safe bool) float64 {
	if safe && (air.C < a.Degrees[0] || air.RH < a.Humidities[0]) {
		return 0
	}
	i, u := cell(a.Degrees, air.C)
	j, v := cell(a.Humidities, air.RH)
	m := a.Minutes
	if safe {
		// What lies on a row or a column of the table is read from it.
		rows, columns := []int{i, i + 1}, []int{j, j + 1}
		if u == 0 {
			rows = rows[:1]
		} else if u == 1 {
			rows = rows[1:]
		}
		if v == 0 {
			columns = columns[:1]
		} else if v == 1 {
			columns = columns[1:]
		}
		slow := 0.0
		for _, r := range rows {
			for _, c := range columns {
				slow = math.Max(slow, m[r][c])
			}
		}
		return 60 / slow
	}
	low := m[i][j] + v*(m[i][j+1]-m[i][j])
	high := m[i+1][j] + v*(m[i+1][j+1]-m[i+1][j])
	return 60 / (low + u*(high-low))
}

// cell is the step of a scale that a value lies in, and how far up; ends are kept.
func cell(scale []float64, v float64) (i int, up float64) {
	i = sort.SearchFloat64s(scale, v) - 1
	i = max(0, min(i, len(scale)-2))
	return i, math.Max(0, math.Min(1, (v-scale[i])/(scale[i+1]-scale[i])))
}
