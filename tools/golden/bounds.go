package golden

import (
	"fmt"
	"math"
	"reflect"
	"strconv"
	"strings"
)

// farthest is how far a bound is looked for.
const farthest = 1e9

// Bounds tells of every number of a valid value, its fields, those of what it holds and the
// first of each list, from where to where it may be while all others stay: "w: [1 to 10000]",
// with a round bracket where the bound itself is refused already. check says what is taken.
func Bounds[T any](valid T, check func(T) error) string {
	b := &strings.Builder{}
	root := reflect.ValueOf(&valid).Elem()
	if err := check(valid); err != nil {
		return fmt.Sprintf("not taken as it is: %v\n", err)
	}
	var walk func(v reflect.Value, path string)
	walk = func(v reflect.Value, path string) {
		switch v.Kind() {
		case reflect.Struct:
			for i := range v.NumField() {
				if f := v.Type().Field(i); f.IsExported() {
					walk(v.Field(i), strings.TrimPrefix(path+"."+f.Name, "."))
				}
			}
		case reflect.Pointer:
			if !v.IsNil() {
				walk(v.Elem(), path)
			}
		case reflect.Slice, reflect.Array:
			if v.Len() > 0 {
				walk(v.Index(0), path+"[0]")
			}
		case reflect.Float64:
			was := v.Float()
			takes := func(x float64) bool {
				v.SetFloat(x)
				defer v.SetFloat(was)
				return check(root.Interface().(T)) == nil
			}
			fmt.Fprintf(b, "%s: %s\n", path, between(takes, was, 0))
		case reflect.Int, reflect.Int64:
			was := v.Int()
			takes := func(x float64) bool {
				v.SetInt(int64(x))
				defer v.SetInt(was)
				return check(root.Interface().(T)) == nil
			}
			fmt.Fprintf(b, "%s: %s\n", path, between(takes, float64(was), 1))
		}
	}
	walk(root, "")
	return b.String()
}

// between says what is taken around a number; grain is 1 for whole ones.
func between(takes func(float64) bool, at, grain float64) string {
	low, high := edge(takes, at, -1, grain), edge(takes, at, 1, grain)
	open, shut := "[", "]"
	if !takes(low) {
		open = "("
	}
	if !takes(high) {
		shut = ")"
	}
	say := func(v float64) string {
		if math.Abs(v) >= farthest {
			return "no end"
		}
		return strconv.FormatFloat(v, 'g', 8, 64)
	}
	return open + say(low) + " to " + say(high) + shut
}

// edge is the last number on one side that is taken, rounded to eight digits.
func edge(takes func(float64) bool, at, side, grain float64) float64 {
	good, step := at, math.Max(1, math.Abs(at)/16)
	bad := at + side*step
	for takes(bad) {
		if math.Abs(bad) >= farthest {
			return bad
		}
		good, step = bad, 2*step
		bad = at + side*step
	}
	for range 80 {
		if math.Abs(bad-good) <= grain || bad == good {
			break
		}
		middle := (good + bad) / 2
		if grain > 0 {
			middle = math.Trunc(middle)
		}
		if takes(middle) {
			good = middle
		} else {
			bad = middle
		}
	}
	if math.Abs(good) < 1e-9 {
		return 0
	}
	r, err := strconv.ParseFloat(strconv.FormatFloat(good, 'g', 8, 64), 64)
	if err != nil {
		return good
	}
	return r
}
