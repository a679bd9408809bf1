package guest

import (
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/plan"
	"freshshard/core/work"
)

func planOf(t *testing.T, id string) plan.Plan {
	t.Helper()
	f, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	e, err := exposure.Book.ByID(f.Exposure)
	if err != nil {
		t.Fatal(err)
	}
	p, err := plan.Build(work.ToSize(f, work.Object{Exposure: e}), plan.Facts{Exposure: e})
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// Every usual guest is shut in by a step that some way of holding has.
func TestUsualAreSound(t *testing.T) {
	known := map[string]bool{}
	for _, f := range family.Book.All() {
		for _, s := range f.Steps {
			known[s.Key] = true
		}
	}
	for _, u := range All() {
		if u.What == "" || u.Why == "" || len(u.Shut) == 0 {
			t.Errorf("%+v", u)
		}
		for _, k := range u.Shut {
			if !known[k] {
				t.Errorf("%s: no way of holding has a step %s", u.ID, k)
			}
		}
	}
}

// The last step at which each can be reached. Common practice, no source.
func TestLast(t *testing.T) {
	for _, c := range []struct {
		family, guest string
		done          []string
		want          string
	}{
		{"channel-front", "pins", nil, "door-on"}, {"window-pack", "pins", nil, "rebuild"},
		{"bead-brads", "props", nil, "hang"},
		{"window-pack", "rags", nil, "stack"}, {"window-pack", "rags", []string{"stack"}, "tab-shut"},
		{"bonded-fixed", "tacking", nil, "trim-back"}, {"clip-heat", "jumper", []string{"door-on"}, "first-fire"},
		{"gauge-tube", "pins", nil, "guard"}, // nothing shuts it in: before refitting
		{"gauge-tube", "pins", []string{"guard"}, "open"}, {"gauge-tube", "pins", []string{"guard", "open"}, ""},
	} {
		done := map[string]bool{}
		for _, k := range c.done {
			done[k] = true
		}
		for _, u := range All() {
			if u.ID != c.guest {
				continue
			}
			if got, ok := Last(u, planOf(t, c.family).Steps, done); got != c.want || ok != (c.want != "") {
				t.Errorf("%s in %s after %v: %q, %v, want %q", c.guest, c.family, c.done, got, ok, c.want)
			}
		}
	}
}

func TestCheckAndIn(t *testing.T) {
	steps := planOf(t, "channel-front").Steps
	for _, c := range []struct {
		in    Guest
		field string
	}{
		{Guest{What: "pins", Before: "door-on"}, ""}, {Guest{What: "clear tape", Stays: true, Seen: true}, ""},
		{Guest{What: " ", Before: "door-on"}, "what"}, {Guest{What: "pins"}, "before"},
		{Guest{What: "pins", Before: "curse"}, "before"}, {Guest{What: "pins", Before: "door-on", Stays: true}, "before"},
	} {
		err := c.in.Check(steps)
		if c.field == "" && err != nil || c.field != "" && (fault.Of(err) == nil || fault.Of(err).Field != c.field) {
			t.Errorf("%+v: %v", c.in, err)
		}
	}
	in := []Guest{{What: "pins through the hinges", Before: "door-on"}, {What: "a rag", Where: "left", Before: "door-on"},
		{What: "tape", Stays: true}}
	if got := In("door-on",
		in); got != "pins through the hinges, a rag, left still in: out first, nobody reaches it afterwards" {
		t.Error(got)
	}
	if got := In("bar-on", in) + In("", in[2:]); got != "" {
		t.Error(got)
	}
}
