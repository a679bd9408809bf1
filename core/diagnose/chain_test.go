package diagnose

import (
	"slices"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/fault"
)

// What stands behind what, is a cause of the table, with how; nothing stands
// behind itself.
func TestFromHoldsTogether(t *testing.T) {
	for _, c := range causes {
		for id, how := range c.From {
			if find(causes, id).ID == "" || id == c.ID || how == "" || strings.HasSuffix(how, ".") {
				t.Errorf("%s from %s: %q", c.ID, id, how)
			}
		}
	}
}

// A hard gasket was drawn too tight on a seat out of flat: one chain, with the
// changes of each in the plan. Common practice, no source.
func TestChain(t *testing.T) {
	e := Evidence{"origin": "fixing", "fixings": "tight", "seal": "hard"}
	r, err := WhyHeld(e, family.Clip)
	if err != nil || r.Ranked[0].ID != "over-tight" || len(r.Behind) == 0 || r.Behind[0].ID != "seal-perished" {
		t.Fatalf("%+v, %v", r.Behind, err)
	}
	want := " Behind it perhaps a seal that shrank or perished: a hard or thin seal gives nothing, " +
		"so the screws are drawn until it holds."
	if !strings.HasSuffix(r.Sentence, want) {
		t.Errorf("%s", r.Sentence)
	}
	links, err := Chain("over-tight", []string{"warped-seat", "rust-jacking"}, e, family.Clip)
	if err != nil || len(links) != 3 {
		t.Fatalf("%+v, %v", links, err)
	}
	want = "A fixing too tight, because of a warped or twisted seat, because of rust or swelling under the edge"
	if got := Told(links); got != want {
		t.Error(got)
	}
	if !links[0].May[0].Seen || links[0].May[0].ID != "seal-perished" || links[0].Because != "" ||
		links[1].Because != "what does not lie flat is pulled flat" {
		t.Errorf("%+v", links)
	}
	for _, l := range links {
		for _, m := range l.May {
			if m.ID == "warped-seat" || m.ID == "over-tight" || m.ID == "rust-jacking" {
				t.Errorf("%s may stand behind %s, and is in the chain already", m.ID, l.ID)
			}
		}
	}
	keys := []string{}
	for _, c := range ChangesOf(links) {
		keys = append(keys, c.Key)
	}
	if len(keys) != 3 || keys[0] != "over-tight-snug" || keys[1] != "warped-seat-true" {
		t.Errorf("changes %v", keys)
	}
	if got := Beware(links); !slices.Equal(got, []string{"seat"}) {
		t.Errorf("beware %v", got)
	}
}

// Nothing stands behind where nothing that was seen speaks for it, and a bond
// that was never made cannot.
func TestBehindSaysOnlyWhatWasSeen(t *testing.T) {
	for _, c := range []struct {
		name string
		held family.Sizing
		e    Evidence
		want []string
	}{
		{"nothing seen", family.Clip, Evidence{}, nil},
		{"a fixing alone", family.Clip, Evidence{"origin": "fixing"}, nil},
		{"rust under a failed bond", family.Bonded, Evidence{"look": "whole", "seal": "let-go", "rust": "rusty"},
			[]string{"rust-jacking"}},
	} {
		r, err := WhyHeld(c.e, c.held)
		got := []string{}
		for _, b := range r.Behind {
			got = append(got, b.ID)
		}
		if err != nil || len(got) < len(c.want) || !slices.Equal(got[:len(c.want)], c.want) || c.want == nil && len(got) > 0 {
			t.Errorf("%s: %v, %v", c.name, got, err)
		}
	}
	links, err := Chain("warped-seat", nil, Evidence{}, family.Channel)
	if err != nil {
		t.Fatal(err)
	}
	for _, m := range links[0].May {
		if m.ID == "bond-failed" {
			t.Error("a bond behind a warped seat of a pane in channels")
		}
	}
}

func TestChainRefuses(t *testing.T) {
	for _, c := range []struct {
		cause  string
		behind []string
		field  string
	}{
		{"", []string{"blow"}, "behind"}, {"curse", nil, "cause"}, {"blow", []string{"slam"}, "behind"},
		{"over-tight", []string{"curse"}, "behind"}, {"over-tight", []string{"warped-seat", "warped-seat"}, "behind"},
		{"edge-damage", []string{"worn-channel", "regulator-bind", "worn-channel"}, "behind"},
		{"edge-damage", []string{"worn-channel", "debris", "rust-jacking", "seal-perished"}, "behind"},
	} {
		_, err := Chain(c.cause, c.behind, nil, "")
		if f := fault.Of(err); f == nil || f.Field != c.field {
			t.Errorf("%s behind %v: %v", c.cause, c.behind, err)
		}
	}
	if _, err := Chain("edge-damage", []string{"worn-channel", "debris", "rust-jacking"}, nil, ""); err != nil {
		t.Errorf("four in a chain: %v", err)
	}
	if links, err := Chain("", nil, nil, ""); err != nil || len(links) != 0 || Told(links) != "" {
		t.Errorf("no cause: %v, %v", links, err)
	}
}
