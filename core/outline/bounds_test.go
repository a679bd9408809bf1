package outline

import (
	"maps"
	"slices"
	"strings"
	"testing"

	"freshshard/tools/golden"
)

// From where to where each measure of each shape may be while the others are as they
// usually are.
func TestMeasuresMayBe(t *testing.T) {
	b := &strings.Builder{}
	for _, k := range counted(t) {
		usual, _ := k.Assume(nil)
		keys := slices.Sorted(maps.Keys(usual))
		for _, key := range keys {
			b.WriteString(k.ID + " " + key + golden.Bounds([]float64{usual[key]}, func(v []float64) error {
				m := maps.Clone(usual)
				m[key] = v[0]
				_, err := k.Make(m)
				return err
			}))
		}
	}
	quad := []float64{400, 300, 420, 310}
	for i := range quad {
		b.WriteString("quadrilateral " + golden.Bounds([]float64{quad[i]}, func(v []float64) error {
			q := slices.Clone(quad)
			q[i] = v[0]
			_, err := QuadrilateralOf(q[0], q[1], q[2], q[3], 505)
			return err
		}))
	}
	b.WriteString("bend " + golden.Bounds([]float64{50}, func(v []float64) error {
		_, err := BendOf(1000,
			v[0])
		return err
	}))
	b.WriteString("rectangle inset " + golden.Bounds([]float64{5}, func(v []float64) error {
		r, err := NewRectangle(300, 200)
		if err == nil {
			_, err = r.Inset(v[0])
		}
		return err
	}))
	golden.Check(t, "bounds", b.String())
}
