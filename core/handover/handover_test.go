package handover

import (
	"strings"
	"testing"

	"freshshard/core/caution"
	"freshshard/core/compat"
	"freshshard/core/diagnose"
	"freshshard/core/exposure"
)

func cleaner(name string, v compat.Verdict) compat.Finding {
	return compat.Finding{Agent: compat.Agent{Name: name, Kind: "cleaner"}, Verdict: v}
}

// What was decided comes first, in words that a customer can act on.
func TestLines(t *testing.T) {
	hot := exposure.Exposure{Steady: 240, Short: 290, Room: 20}
	for _, c := range []struct {
		name string
		in   Decided
		want []string
	}{
		{"nothing settled, nothing standing", Decided{Exposure: hot}, nil},
		{"a pane that stays", Decided{Done: "The pane stays: new seal", Exposure: hot},
			[]string{"What was done: The pane stays: new seal."}},
		{"a room: no heat to speak of",
			Decided{Pane: "3 mm annealed glass", Exposure: exposure.Exposure{Steady: 20, Short: 30}},
			[]string{"The new pane: 3 mm annealed glass."}},
		{"just below where heat counts", Decided{Pane: "x", Exposure: exposure.Exposure{Steady: 59.9}},
			[]string{"The new pane: x."}},
		{"at it", Decided{Pane: "x", Exposure: exposure.Exposure{Steady: 60, Short: 70}},
			[]string{"The new pane: x, reckoned for 60 °C in use and 70 °C for minutes. Ask before it is used for more."}},
		{"an oven that is cleaned hot", Decided{Pane: "4 mm borosilicate",
			Exposure: exposure.Exposure{Steady: 240, Short: 480, Cleaning: 200}},
			[]string{"The new pane: 4 mm borosilicate, reckoned for 240 °C in use and 480 °C for minutes, " +
				"and for 200 hours of cleaning at that heat in its life. Ask before it is used for more."}},
		{"a shelf", Decided{Pane: "6 mm toughened glass", Carries: "20 kg"},
			[]string{"The new pane: 6 mm toughened glass, reckoned to carry 20 kg. Ask before it is used for more."}},
		{"a mirror and its cleaners", Decided{Pane: "4 mm mirror", Touch: []compat.Finding{cleaner("mild soap", compat.Good),
			cleaner("acetone", compat.Never), cleaner("a razor", compat.Never), cleaner("steel wool", compat.Care),
			{Agent: compat.Agent{Name: "epoxy", Kind: "adhesive"}, Verdict: compat.Never}}},
			[]string{"The new pane: 4 mm mirror.", "Cleaning it: With mild soap. Never acetone or a razor."}},
		{"plastic, which has its own line", Decided{Pane: "x", Touch: []compat.Finding{cleaner("acetone", compat.Never)},
			Standing: []caution.Caution{{ID: "plastic-clean", Title: "Cleaning plastic", Text: "Soap."}}},
			[]string{"The new pane: x.", "Cleaning plastic: Soap."}},
		{"glass that no cleaner spoils", Decided{Pane: "x", Touch: []compat.Finding{cleaner("mild soap", compat.Good)}},
			[]string{"The new pane: x."}},
		{"why the last one broke, the chain in one line",
			Decided{Chain: []diagnose.Link{{ID: "over-tight"}, {ID: "warped-seat"},
				{ID: "slam"}}, Standing: []caution.Caution{{Title: "Look again", Text: "Each spring."}}},
			[]string{"To keep it from breaking again: Its screws are only snug, on purpose: do not tighten them. " +
				"Shut it by hand; a bang broke the last one.", "Look again: Each spring."}},
	} {
		got := []string{}
		for _, l := range Lines(c.in) {
			got = append(got, l.Title+": "+l.Text)
		}
		if strings.Join(got, "\n") != strings.Join(c.want, "\n") {
			t.Errorf("%s:\n%s\nwant\n%s", c.name, strings.Join(got, "\n"), strings.Join(c.want, "\n"))
		}
	}
}

// A long list of what spoils it is cut to what is read.
func TestFewCleaners(t *testing.T) {
	d := Decided{Pane: "x"}
	for _, n := range []string{"a", "b", "c", "d", "e"} {
		d.Touch = append(d.Touch, cleaner(n, compat.Never))
	}
	if got := Lines(d)[1].Text; got != "Never a, b, c or d." {
		t.Error(got)
	}
}

// A customer is told for what heat a pane was reckoned from 60 °C on, what it carries, how
// long it was reckoned to be cleaned hot, four cleaners at most.
func TestWhatIsToldOfAPane(t *testing.T) {
	agent := func(name, kind string, v compat.Verdict) compat.Finding {
		return compat.Finding{Agent: compat.Agent{Name: name, Kind: kind}, Verdict: v}
	}
	many := []compat.Finding{agent("soap", "cleaner", compat.Good), agent("water", "cleaner", compat.Good),
		agent("steam", "cleaner", compat.Good), agent("ammonia", "cleaner", compat.Never), agent("acetone", "cleaner",
			compat.Never),
		agent("scouring powder", "cleaner", compat.Never), agent("lye", "cleaner", compat.Never), agent("thinner", "cleaner",
			compat.Never),
		agent("silicone", "seal", compat.Never)}
	for _, c := range []struct {
		name string
		d    Decided
		want string
	}{
		{"nothing", Decided{}, ""},
		{"what was done", Decided{Done: "stuck again"}, "What was done: stuck again."},
		{"cool", Decided{Pane: "4 mm annealed", Exposure: exposure.Exposure{Steady: 59.9, Short: 80}},
			"The new pane: 4 mm annealed."},
		{"warm", Decided{Pane: "4 mm toughened", Exposure: exposure.Exposure{Steady: 60, Short: 80.4}},
			"The new pane: 4 mm toughened, reckoned for 60 °C in use and 80 °C for minutes. Ask before it is used for more."},
		{"cleaned hot", Decided{Pane: "4 mm glass-ceramic", Exposure: exposure.Exposure{Steady: 250, Short: 480,
			Cleaning: 12}},
			"The new pane: 4 mm glass-ceramic, reckoned for 250 °C in use and 480 °C for minutes, and " +
				"for 12 hours of cleaning at that heat in its life. Ask before it is used for more."},
		{"carries", Decided{Pane: "8 mm toughened", Carries: "a push of 500 N"},
			"The new pane: 8 mm toughened, reckoned to carry a push of 500 N. Ask before it is used for more."},
		{"cleaners", Decided{Pane: "8 mm acrylic", Touch: many},
			"The new pane: 8 mm acrylic.|Cleaning it: With soap or water. Never ammonia, acetone, scouring powder or lye."},
		{"one cleaner", Decided{Pane: "8 mm acrylic", Touch: many[3:4]},
			"The new pane: 8 mm acrylic.|Cleaning it: Never ammonia."},
		{"nothing that spoils it", Decided{Pane: "8 mm toughened", Touch: many[:3]}, "The new pane: 8 mm toughened."},
		{"told already", Decided{Pane: "8 mm acrylic", Touch: many, Standing: []caution.Caution{{ID: "plastic-clean",
			Title: "Cleaning",
			Text:  "mild soap"}}}, "The new pane: 8 mm acrylic.|Cleaning: mild soap"},
	} {
		var got []string
		for _, l := range Lines(c.d) {
			got = append(got, l.Title+": "+l.Text)
		}
		if s := strings.Join(got, "|"); s != c.want {
			t.Errorf("%s:\n%s\n%s", c.name, s, c.want)
		}
	}
}
