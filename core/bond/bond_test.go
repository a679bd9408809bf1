package bond

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/working"
	"freshshard/tools/golden"
)

func of(counts map[Spot]int) Peel {
	p := Peel{Length: 200, Width: 30}
	for _, s := range Spots {
		for range counts[s] {
			p.Spots = append(p.Spots, s)
		}
	}
	return p
}

// What the faces say, and what is done otherwise. Common practice, no source.
func TestPeel(t *testing.T) {
	for _, c := range []struct {
		name    string
		in      map[Spot]int
		carried float64
		says    string
		also    string
	}{
		{"clean glass", map[Spot]int{Glass: 8, Torn: 2}, 0.2, "The glue left the glass", ""},
		{"rust", map[Spot]int{Metal: 6, Torn: 4}, 0.4, "The glue left the metal", ""},
		{"torn all over", map[Spot]int{Torn: 10}, 1, "too small", ""},
		{"never pressed", map[Spot]int{Never: 7, Torn: 3}, 0.3, "never touched", ""},
		{"on old glue", map[Spot]int{Foreign: 9, Glass: 1}, 0, "earlier repair", ""},
		{"half and half", map[Spot]int{Glass: 4, Metal: 4, Torn: 2}, 0.2, "The glue left the glass",
			"The glue left the metal"},
		{"just under half", map[Spot]int{Glass: 49, Torn: 48, Never: 3}, 0.48, "The glue left the glass", "too small"},
		{"exactly half", map[Spot]int{Glass: 5, Torn: 4, Never: 1}, 0.4, "The glue left the glass", ""},
	} {
		p, err := of(c.in).Read()
		if err != nil || math.Abs(p.Carried-c.carried) > 1e-9 || !strings.Contains(p.Says, c.says) || p.Do == "" {
			t.Errorf("%s: %+v, %v", c.name, p, err)
		}
		if besides := strings.Contains(p.Says, "And besides"); besides != (c.also != "") ||
			!strings.Contains(p.Says, c.also) {
			t.Errorf("%s: %q", c.name, p.Says)
		}
		// 200 × 30 mm is 60 cm².
		if math.Abs(p.Figures[0].Value-60*c.carried) > 1e-9 {
			t.Errorf("%s: %v cm²", c.name, p.Figures[0].Value)
		}
	}
}

// By hand: 2 kg on 100 × 30 mm is 2 × 9.81 / 3000 = 6.54 kPa of shear. 30 m/s is
// 0.55125 kPa, on 488 × 402 mm 108.14 N. Latched M = 108.14 × 402 / 8 = 5434
// N·mm: 6 × 5434 / (100 × 900) + 0.625 × 108.14 / 3000 = 384.8 kPa. Swinging it
// is 4 × the moment and all of the force. Closed forms of beams.
func TestHang(t *testing.T) {
	h := Hang{Weight: 2, Along: 488, Out: 402, Gust: 30, Latched: true, Length: 100, Width: 30}
	force := 0.55125e-3 * 488 * 402
	latched := (6*force*402/8/(100*900) + 0.625*force/3000) * 1000
	swinging := (6*force*402/2/(100*900) + force/3000) * 1000
	f := figures(t, h)
	if math.Abs(f["shear"].Value-6.54) > 0.001 || f["shear"].Verdict != working.Good {
		t.Errorf("%+v", f["shear"])
	}
	if math.Abs(f["pull"].Value-latched) > 1e-6 || math.Abs(latched-384.8) > 0.1 || f["pull"].Verdict != working.Stop {
		t.Errorf("%+v", f["pull"])
	}
	// The length that carries is in proportion: 100 × 384.8 / 138 = 278.8, up to 280.
	if f["plate"].Value != 280 {
		t.Errorf("%+v", f["plate"])
	}
	h.Length = 280
	if f = figures(t, h); f["pull"].Verdict != working.Good {
		t.Errorf("the plate that was named does not carry: %+v", f["pull"])
	}
	h.Latched, h.Length = false, 100
	if f = figures(t, h); math.Abs(f["pull"].Value-swinging) > 1e-6 {
		t.Errorf("swinging: %+v", f["pull"])
	}
	h.Gust = 0
	if f = figures(t, h); f["pull"].Key != "" || f["plate"].Value != 95 {
		t.Errorf("indoors: %+v", f)
	}
	// A tenth of it carried: ten times the shear, the plate that is wanted the same.
	h.Carried = 0.1
	if f = figures(t, h); math.Abs(f["shear"].Value-65.4) > 0.01 || f["plate"].Value != 95 {
		t.Errorf("a tenth: %+v", f)
	}
}

// Just under, at, and just over the limits: 7 kPa for good, 138 kPa in a gust;
// of a sheet's 1000 kPa a fortieth and a quarter.
func TestHangLimits(t *testing.T) {
	for _, c := range []struct {
		kg   float64
		good bool
	}{{6.999 * 3 / 9.81, true}, {7 * 3 / 9.81, true}, {7.001 * 3 / 9.81, false}} {
		f := figures(t, Hang{Weight: c.kg, Along: 100, Out: 100, Length: 100, Width: 30})
		if (f["shear"].Verdict == working.Good) != c.good {
			t.Errorf("%v kg: %+v", c.kg, f["shear"])
		}
	}
	f := figures(t, Hang{Weight: 1, Along: 400, Out: 300, Gust: 20, Length: 100, Width: 30, Sheet: 1000})
	if f["shear"].Limit.Value != 25 || f["pull"].Limit.Value != 250 {
		t.Errorf("%v, %v", f["shear"].Limit, f["pull"].Limit)
	}
}

func figures(t *testing.T, h Hang) map[string]working.Figure {
	t.Helper()
	list, err := h.Figures()
	if err != nil {
		t.Fatal(err)
	}
	out := map[string]working.Figure{}
	for _, f := range list {
		out[f.Key] = f
	}
	return out
}

func TestRefuses(t *testing.T) {
	for field, p := range map[string]Peel{"length": {Width: 30, Spots: []Spot{Torn}},
		"width": {Length: 30, Spots: []Spot{Torn}},
		"spots": {Length: 30, Width: 30}, "spots[1]": {Length: 30, Width: 30, Spots: []Spot{Torn, "cheese"}}} {
		if _, err := p.Read(); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	for _, at := range []Hang{{Weight: 0.01, Along: 10, Out: 10, Gust: 0, Length: 1, Width: 1},
		{Weight: 500, Along: 10000, Out: 10000, Gust: 100, Length: 20000, Width: 1000, Sheet: 1e5, Carried: 1}} {
		if _, err := at.Figures(); err != nil {
			t.Errorf("at its bounds: %v", err)
		}
	}
	good := Hang{Weight: 2, Along: 488, Out: 402, Gust: 30, Length: 100, Width: 30}
	for field, change := range map[string]func(*Hang){"weight": func(h *Hang) { h.Weight = 0 },
		"along": func(h *Hang) { h.Along = 9 }, "out": func(h *Hang) { h.Out = 9.9 }, "gust": func(h *Hang) { h.Gust = -1 },
		"length": func(h *Hang) { h.Length = 0 }, "width": func(h *Hang) { h.Width = math.NaN() },
		"sheet": func(h *Hang) { h.Sheet = -1 }, "carried": func(h *Hang) { h.Carried = 1.01 }} {
		h := good
		change(&h)
		if _, err := h.Figures(); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// All that is said of a plate and of a peeled face, with all that went into it: at and beside what
// each sum hangs on.
func TestBondsAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, h := range []Hang{{Weight: 2.35, Along: 488, Out: 402, Gust: 30.4, Latched: true, Length: 100, Width: 30.5},
		{Weight: 2.35, Along: 488, Out: 402, Gust: 30.4, Length: 100, Width: 30.5, Sheet: 0.5},
		{Weight: 2.35, Along: 488, Out: 402, Gust: 0.5, Length: 100, Width: 30, Sheet: 900, Carried: 0.4},
		{Weight: 90, Along: 488, Out: 402, Length: 10, Width: 10}, {Weight: 2, Along: 488, Out: 402, Length: 280,
			Width: 30}} {
		all, err := h.Figures()
		fmt.Fprintf(b, "= %+v: %v\n", h, err)
		for _, f := range all {
			b.WriteString(golden.Figure(f))
		}
	}
	for _, p := range []Peel{{Length: 333, Width: 17.5, Spots: []Spot{Torn, Torn, Glass}},
		{Length: 20, Width: 9, Spots: []Spot{Torn}}, {Spots: []Spot{Never, Torn}}} {
		out, err := p.Read()
		fmt.Fprintf(b, "= %+v: %v, %.1f mm², %.3f carried\n", p, err, out.Area, out.Carried)
		for _, f := range out.Figures {
			b.WriteString(golden.Figure(f))
		}
	}
	golden.Check(t, "bonds", b.String())
}
