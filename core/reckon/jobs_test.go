package reckon

import (
	"fmt"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/working"
)

// ordinary is one line of the table of ordinary jobs.
type ordinary struct {
	line  int
	name  string
	k     Known
	good  bool
	look  bool
	stops []string
	best  string
}

var ordinaryPlaces = map[string][]reading.Place{
	"w": {reading.WidthTop, reading.WidthBottom}, "h": {reading.HeightLeft, reading.HeightRight}, "l": {reading.Ledge},
	"r": {reading.Reach},
	"p": {reading.DepthTop}, "web": {reading.Web},
	"d": {reading.Across0, reading.Across45, reading.Across90, reading.Across135}, "f": {reading.Faces},
	"s": {reading.StopDepth},
	"o": {reading.TubeOutside}, "t": {reading.TubeWall},
	"u": {reading.UpperPocket}, "v": {reading.LowerPocket}, "warp": {reading.SeatWarp},
	"hole": {reading.HoleAcross, reading.HoleUp, reading.HoleSide, reading.HoleApart, reading.BushAcross},
}

// ordinaryJobs reads the table.
func ordinaryJobs(t *testing.T) []ordinary {
	t.Helper()
	b, err := os.ReadFile("testdata/jobs.txt")
	if err != nil {
		t.Fatal(err)
	}
	var out []ordinary
	for n, line := range strings.Split(string(b), "\n") {
		if line == "" || strings.HasPrefix(line, "#") {
			continue
		}
		col := strings.Split(line, "|")
		if len(col) != 7 {
			t.Fatalf("line %d has %d columns", n+1, len(col))
		}
		for i := range col {
			col[i] = strings.TrimSpace(col[i])
		}
		o := ordinary{line: n + 1, name: col[0], good: col[5] == "good", look: col[5] == "look", best: col[6]}
		if !o.good && !o.look {
			o.stops = strings.Fields(col[5])
		}
		f, err := family.Book.ByID(col[1])
		if err != nil {
			t.Fatalf("line %d: %v", n+1, err)
		}
		words := strings.Fields(col[2])
		e, err := exposure.Book.ByID(words[0])
		if err != nil {
			t.Fatalf("line %d: %v", n+1, err)
		}
		o.k = Known{Object: Object{Exposure: e},
			Holding: Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None},
				Sides: setting.Sides{Top: 2, Right: 2, Bottom: 2, Left: 2}}, Unit: length.MM, Draws: 2000}
		texts := map[reading.Place]string{}
		for _, w := range words[1:] {
			o.fact(t, w, texts)
		}
		o.readings(t, col[3], texts)
		if o.k.Readings, err = reading.FromTexts(texts, length.MM); err != nil {
			t.Fatalf("line %d: %v", n+1, err)
		}
		settled := strings.Fields(col[4])
		o.k.Material = settled[0]
		if o.k.Thickness, err = strconv.ParseFloat(settled[1], 64); err != nil {
			t.Fatalf("line %d: %v", n+1, err)
		}
		if len(settled) > 2 {
			o.k.Cutter = fit.Cutter(settled[2])
		}
		out = append(out, o)
	}
	return out
}

// fact takes one word of what is known of a job.
func (o *ordinary) fact(t *testing.T, word string, texts map[reading.Place]string) {
	t.Helper()
	key, value, _ := strings.Cut(word, "=")
	number := func() float64 {
		v, err := strconv.ParseFloat(value, 64)
		if err != nil {
			t.Fatalf("line %d: %s: %v", o.line, word, err)
		}
		return v
	}
	k := &o.k
	switch key {
	case "strike":
		k.Strike = true
	case "vehicle":
		k.Vehicle = true
	case "road", "trailer", "machine":
		k.Moves = pane.Moves(key)
	case "boat":
		k.Water = true
	case "food":
		k.Duty.Food = true
	case "windscreen":
		k.Duty.Windscreen = true
	case "pressure":
		k.Duty.Pressure = number()
	case "steady":
		k.Exposure.Steady = number()
	case "short":
		k.Exposure.Short = number()
	case "sudden":
		k.Exposure.Sudden = number()
	case "hours":
		k.Exposure.Hours = number()
	case "like":
		k.Like = value
	case "use":
		k.Uses = append(k.Uses, value)
	case "warp":
		texts[reading.SeatWarp] = value
	default:
		t.Fatalf("line %d: what is %q?", o.line, word)
	}
	k.Exposure.Short = max(k.Exposure.Short, k.Exposure.Steady)
}

// readings takes the readings apart: an equal sign ends a name, a comma parts the
// places of one name.
func (o *ordinary) readings(t *testing.T, text string, texts map[reading.Place]string) {
	t.Helper()
	words := strings.Split(text, "=")
	for i := 0; i+1 < len(words); i++ {
		name := words[i][strings.LastIndex(words[i], " ")+1:]
		value := words[i+1]
		if i+2 < len(words) {
			value = value[:strings.LastIndex(value, " ")]
		}
		if name == "g" {
			kind, free, _ := strings.Cut(value, ":")
			v, err := strconv.ParseFloat(free, 64)
			if err != nil {
				t.Fatalf("line %d: %v", o.line, err)
			}
			o.k.Gasket = fit.Gasket{Kind: fit.GasketKind(kind), Free: v}
			continue
		}
		places, ok := ordinaryPlaces[name]
		if !ok {
			t.Fatalf("line %d: what is %q?", o.line, name)
		}
		each := strings.Split(value, ",")
		for n, p := range places {
			texts[p] = each[min(n, len(each)-1)]
		}
	}
}

// Every ordinary job gets the verdict of a good technician: no stop and no red
// number on good work, each stop on bad work and nothing beside it, odds that
// agree, and the material that the trade would take first.
func TestOrdinaryJobs(t *testing.T) {
	jobs := ordinaryJobs(t)
	good, families := 0, map[string]int{}
	for _, o := range jobs {
		families[o.k.Family]++
		r, err := Pane(o.k)
		if slices.Contains(o.stops, "fault") {
			if r.Fault == nil {
				t.Errorf("line %d, %s: nothing says that it cannot be: %v", o.line, o.name, err)
			}
			continue
		}
		if err != nil || r.Fault != nil || !r.Fit.Ready {
			t.Errorf("line %d, %s: %v, %v, missing %v", o.line, o.name, err, r.Fault, r.Fit.Missing)
			continue
		}
		var keys []string
		for _, s := range r.Stops {
			keys = append(keys, s.Key)
		}
		for _, k := range keys {
			if !slices.ContainsFunc(o.stops, func(want string) bool { return strings.HasPrefix(k, want) }) {
				t.Errorf("line %d, %s: a false stop: %s", o.line, o.name, said(r, k))
			}
		}
		for _, want := range o.stops {
			if !slices.ContainsFunc(keys, func(k string) bool { return strings.HasPrefix(k, want) }) {
				t.Errorf("line %d, %s: %s does not stop it, %v do", o.line, o.name, want, keys)
			}
		}
		if o.good {
			good++
		}
		if o.look && !slices.ContainsFunc(r.Figures, func(f working.Figure) bool { return f.Verdict == working.Warn }) {
			t.Errorf("line %d, %s: nothing asks to look again", o.line, o.name)
		}
		if o.good {
			for _, f := range r.Figures {
				if f.Verdict == working.Stop || f.Verdict == working.Warn {
					t.Errorf("line %d, %s: good work is %s: %s %s", o.line, o.name, f.Verdict, f.Text, f.Sentence)
				}
			}
			if c := r.Fit.Chance; c != nil && c.All < 0.9 {
				t.Errorf("line %d, %s: good work %s", o.line, o.name, c.Sentence)
			}
		}
		if o.best != "" {
			k := o.k
			k.Material, k.Thickness = "", 0
			free, err := Pane(k)
			if err != nil || len(free.Choice.Open) == 0 || free.Choice.Open[0].Material != o.best {
				first := "nothing"
				if len(free.Choice.Open) > 0 {
					first = free.Choice.Open[0].Material
				}
				t.Errorf("line %d, %s: %s is first, the trade takes %s; %v", o.line, o.name, first, o.best, err)
			}
		}
	}
	if len(jobs) < 120 || 3*good < len(jobs) || len(families) != len(family.Book.All()) {
		t.Errorf("%d jobs, %d of them good, %d ways of holding", len(jobs), good, len(families))
	}
}

func said(r Reckoning, key string) string {
	for _, s := range r.Stops {
		if s.Key == key {
			return fmt.Sprintf("%s: %s, wanted %s", key, s.Says, s.Limit)
		}
	}
	return key
}
