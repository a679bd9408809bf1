package ask

import (
	"testing"
	"time"

	"freshshard/core/diagnose"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/pane"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/striplog"
)

// facts are those of a job with one step a station and two at Assess, Source and
// Set; each case changes one thing.
func facts() Facts {
	p := plan.Plan{Steps: []plan.Step{{Key: "cold", Station: "assess", Title: "Cold"},
		{Key: "cause", Station: "assess", Title: "Look why"},
		{Key: "off", Station: "strip", Title: "Brackets off"}, {Key: "measure", Station: "measure", Title: "Measure"},
		{Key: "choose", Station: "choose", Title: "Settle"}, {Key: "order", Station: "source", Title: "Order"},
		{Key: "check-new", Station: "source", Title: "Check the new pane"},
		{Key: "clean", Station: "prepare", Title: "Clean"},
		{Key: "pane-in", Station: "set", Title: "Pane in"}, {Key: "brackets", Station: "set", Title: "Brackets",
			Screws: true},
		{Key: "cure", Station: "hold", Title: "Cure"}, {Key: "door", Station: "refit", Title: "Door on"},
		{Key: "fire", Station: "prove", Title: "First fire"}}}
	return Facts{Plan: p, Done: map[string]bool{}, Settles: true, First: &pane.Ranked{Material: "glass-ceramic",
		Name: "Glass-ceramic", Thickness: 4}, Screws: 6, CheckWaits: map[string]string{},
		Checks: []prove.Check{{Key: "gap", Text: "Gap even", Unit: "mm"}, {Key: "shuts", Text: "Shuts", Pass: "softly"}},
		Route:  map[family.Station]int{"strip": 1}, Hindrances: []prove.Hindrance{{Key: "gap", Text: "Gap even is open"}}}
}

func done(f *Facts, keys ...string) {
	for _, k := range keys {
		f.Done[k] = true
	}
}

func TestAt(t *testing.T) {
	at := time.Date(2026, 11, 27, 16, 40, 0, 0, time.UTC)
	evidence := func(f *Facts) {
		done(f, "cold")
		f.Evidence = diagnose.Evidence{"look": "branches", "doing": "fire"}
	}
	for _, c := range []struct {
		name    string
		station family.Station
		change  func(*Facts)
		kind    Kind
		key     string
		says    string
	}{
		{"what its proof does is asked for there", "prove", func(f *Facts) { f.Checks[1].Does = "fire" }, Check, "gap",
			"Gap even"},
		{"and last", "prove", func(f *Facts) {
			f.Checks[0].Outcome, f.Checks[1].Does = prove.Pass, "fire"
		}, Check, "shuts", "Shuts"},
		{"failed, it is asked for again", "prove", func(f *Facts) {
			f.Checks[0].Outcome, f.Checks[1].Outcome, f.Checks[1].Does = prove.Pass, prove.Fail, "fire"
		}, Check, "shuts", "Shuts"},
		{"passed, and the step taken up again", "prove", func(f *Facts) {
			f.Checks[0].Outcome, f.Checks[1].Outcome, f.Checks[1].Does = prove.Pass, prove.Pass, "fire"
		}, Step, "fire", "First fire"},
		{"the proof waits, so does the step", "prove", func(f *Facts) {
			f.Checks[0].Outcome, f.Checks[1].Does, f.CheckWaits["shuts"] = prove.Pass, "fire", "its clock runs"
			f.Waits = []plan.Wait{{Step: "fire", Why: "its clock runs", Until: &at}}
		}, Wait, "fire", "First fire"},
		{"safe first", "assess", func(*Facts) {}, Step, "cold", "Cold"},
		{"then what is seen", "assess", func(f *Facts) { done(f, "cold") }, Look, "look", ""},
		{"then what was going on", "assess",
			func(f *Facts) { done(f, "cold"); f.Evidence = diagnose.Evidence{"look": "branches"} },
			Look, "doing", ""},
		{"then what tells most", "assess", func(f *Facts) { evidence(f); f.Why.Next = &diagnose.Next{Question: "origin"} },
			Look,
			"origin", ""},
		{"a cause just short of likely", "assess", func(f *Facts) {
			evidence(f)
			f.Why.Ranked = []diagnose.Ranked{{ID: "fall", Name: "A fall", Share: diagnose.Likely - 0.01}}
		}, Step, "cause", "Look why"},
		{"a likely cause", "assess", func(f *Facts) {
			evidence(f)
			f.Why.Ranked = []diagnose.Ranked{{ID: "fall", Name: "A fall", Share: diagnose.Likely}}
		}, Cause, "fall", "A fall"},
		{"nothing tells more", "assess", evidence, Step, "cause", "Look why"},
		{"a cause is settled", "assess", func(f *Facts) { done(f, "cold"); f.Looked = true }, Step, "cause", "Look why"},
		{"looked, whatever was seen", "assess", func(f *Facts) { done(f, "cold", "cause") }, Go, "", "Nothing is open here"},
		{"an odd reading before a missing one", "measure", func(f *Facts) {
			f.Odd = []reading.Odd{{Place: reading.WidthTop}}
			f.Missing = []reading.Missing{{Place: reading.Ledge, Name: "ledge"}}
		}, Reading, "width_top", "Read it again"},
		{"a missing reading", "measure", func(f *Facts) {
			f.Missing = []reading.Missing{{Place: reading.Ledge,
				Name: "ledge"}}
		},
			Reading,
			"ledge", "ledge"},
		{"all read", "measure", func(*Facts) {}, Step, "measure", "Measure"},
		{"a material", "choose", func(*Facts) {}, Settle, "glass-ceramic", "Take 4 mm glass-ceramic"},
		{"no material stands it", "choose", func(f *Facts) { f.First = nil }, Wait, "choice",
			"Nothing on the list stands this place"},
		{"a material is settled", "choose", func(f *Facts) { f.Settled = true }, Step, "choose", "Settle"},
		{"no material on this road", "choose", func(f *Facts) { f.Settles = false }, Step, "choose", "Settle"},
		{"ordered before it can come", "source", func(f *Facts) { f.WaitsFor = "the pane" }, Step, "order", "Order"},
		{"it comes", "source", func(f *Facts) { f.WaitsFor = "the pane"; done(f, "order") }, Arrived, "waits",
			"the pane: has it come?"},
		{"it has come", "source", func(f *Facts) { done(f, "order") }, Step, "check-new", "Check the new pane"},
		{"the pane before its screws", "set", func(*Facts) {}, Step, "pane-in", "Pane in"},
		{"a screw", "set", func(f *Facts) { done(f, "pane-in"); f.Counted = 8 }, Screw, "brackets", "Screw 3 is snug"},
		{"the last screw", "set", func(f *Facts) { done(f, "pane-in"); f.Counted = 17 }, Screw, "brackets",
			"Screw 6 is checked"},
		{"all screws", "set", func(f *Facts) { done(f, "pane-in"); f.Counted = 18 }, Step, "brackets", "Brackets"},
		{"no screws", "set", func(f *Facts) { done(f, "pane-in"); f.Screws = 0 }, Step, "brackets", "Brackets"},
		{"screws that wait", "set", func(f *Facts) {
			done(f, "pane-in")
			f.Waits = []plan.Wait{{Step: "brackets", Why: "the cement rests", Until: &at}}
		}, Wait, "brackets", "Brackets"},
		{"what can be done before what waits", "set",
			func(f *Facts) { f.Waits = []plan.Wait{{Step: "pane-in", Why: "dry fit"}} },
			Screw, "brackets", "Screw 1 touches"},
		{"what hardens", "hold", func(f *Facts) { f.Lays = &Lays{"putty", "linseed putty", 0, nil} }, Laid, "cure",
			"What was laid?"},
		{"what hardens, and no sheet is as quick", "hold", func(f *Facts) {
			f.Lays, f.Waits = &Lays{"putty", "linseed putty", 0, nil}, []plan.Wait{{Step: "cure", Why: "an hour", Until: &at}}
		}, Laid, "cure", "What was laid?"},
		{"what is not laid yet", "hold", func(f *Facts) {
			f.Lays, f.Waits = &Lays{"putty", "linseed putty", 0, nil}, []plan.Wait{{Step: "cure", Why: "pane in first"}}
		}, Wait, "cure", "Cure"},
		{"what is hard", "hold", func(f *Facts) {
			f.Lays = &Lays{"putty", "linseed putty", 0, nil}
			done(f, "cure")
		}, Go, "", "Nothing is open here"},
		{"what hardens, asked for nowhere else", "set", func(f *Facts) {
			f.Lays = &Lays{"putty", "linseed putty", 0, nil}
		}, Step, "pane-in", "Pane in"},
		{"a cure", "hold", func(f *Facts) { f.Waits = []plan.Wait{{Step: "cure", Why: "it cures", Until: &at}} }, Wait,
			"cure", "Cure"},
		{"back in, before the steps", "refit", func(f *Facts) {
			f.Back = []striplog.Line{{ID: "a", Done: true, Ready: true}, {ID: "b"}, {ID: "c", Ready: true, Say: "Put back: trim",
				Of: 4, In: 1}}
		}, Back, "c", "Put back: trim"},
		{"nothing can go back yet", "refit", func(f *Facts) { f.Back = []striplog.Line{{ID: "b"}} }, Step, "door", "Door on"},
		{"proof by a step", "prove", func(*Facts) {}, Step, "fire", "First fire"},
		{"a check", "prove", func(f *Facts) { done(f, "fire") }, Check, "gap", "Gap even"},
		{"a check that waits", "prove", func(f *Facts) { done(f, "fire"); f.CheckWaits["gap"] = "the cure" }, Check, "shuts",
			"Shuts"},
		{"a failed one comes again last", "prove", func(f *Facts) { done(f, "fire"); f.Checks[0].Outcome = prove.Fail },
			Check, "shuts",
			"Shuts"},
		{"a failed one comes again", "prove", func(f *Facts) {
			done(f, "fire")
			f.Checks[0].Outcome, f.Checks[1].Outcome = prove.Fail, prove.Pass
		}, Check, "gap", "Gap even"},
		{"something is open elsewhere", "prove", func(f *Facts) { done(f, "fire"); f.Checks = nil }, Go, "",
			"Nothing is open here"},
		{"something that no station counts", "prove", func(f *Facts) { done(f, "fire"); f.Checks, f.Route = nil, nil }, Wait,
			"gap",
			"Gap even is open"},
		{"the signature", "prove", func(f *Facts) { done(f, "fire"); f.Checks, f.Hindrances = nil, nil }, Sign, "",
			"Everything is proved: sign it"},
		{"readings that cannot be", "measure", func(f *Facts) {
			f.Fault = &fault.Error{Field: "width_top", Why: "too little",
				Cure: "x"}
		},
			Reading, "width_top", "Read it again"},
		{"what cannot be reckoned", "measure", func(f *Facts) {
			f.Fault = &fault.Error{Field: "room", Why: "a room of 90",
				Cure: "x"}
		},
			Stop, "room", "a room of 90"},
		{"stopped here, after the rest", "measure", func(f *Facts) {
			f.Stops = []prove.Stop{{Key: "bite_hot",
				Station: "measure", Says: "no bite"}}
		},
			Step, "measure", "Measure"},
		{"stopped here", "measure", func(f *Facts) {
			done(f, "measure")
			f.Stops = []prove.Stop{{Key: "gate", Station: "choose", Says: "too hot"},
				{Key: "bite_hot", Station: "measure", Says: "no bite"}}
		}, Stop, "bite_hot", "no bite"},
		{"stopped elsewhere", "set", func(f *Facts) {
			done(f, "pane-in", "brackets")
			f.Stops = []prove.Stop{{Key: "bite_hot", Station: "measure", Says: "no bite"}}
		}, Go, "", "Nothing is open here"},
		{"stopped at the end", "prove", func(f *Facts) {
			done(f, "fire")
			f.Checks = nil
			f.Stops = []prove.Stop{{Key: "bite_hot", Station: "measure", Says: "no bite"}}
		}, Stop, "bite_hot", "no bite"},
		{"withdrawn", "set", func(f *Facts) { f.Withdrawn = true }, Nothing, "", "Withdrawn: nothing is done at it"},
		{"signed", "set", func(f *Facts) { f.Signed = true }, Nothing, "", "Signed: it stays as it is"},
	} {
		f := facts()
		c.change(&f)
		a := At(c.station, f)
		if a.Kind != c.kind || a.Key != c.key || c.says != "" && a.Says != c.says || a.Says == "" || a.Station != c.station {
			t.Errorf("%s: %+v", c.name, a)
		}
		if a.Kind == Look && len(a.Answers) < 2 {
			t.Errorf("%s: nothing answers it", c.name)
		}
		if a.Kind == Go && a.To != "strip" {
			t.Errorf("%s: leads to %q", c.name, a.To)
		}
	}
	f := facts()
	f.Route = nil
	done(&f, "off")
	if a := At("strip", f); a.Kind != Go || a.To != "prove" {
		t.Errorf("nothing is open anywhere: %+v", a)
	}
	if all := All(f); len(all) != len(family.Stations) || all[9].Station != "prove" {
		t.Errorf("%+v", all)
	}
	f.Other = &Other{Pane: 7, Name: "pane 3", Station: "set"}
	if a := At("strip", f); a.Kind != Go || a.To != "set" || a.Pane != 7 || a.Says != "This pane is done. Pane 3 is next" {
		t.Errorf("another pane: %+v", a)
	}
	f.Route = map[family.Station]int{"choose": 1}
	if a := At("strip", f); a.To != "choose" || a.Pane != 0 {
		t.Errorf("this pane first: %+v", a)
	}
	f.Waits = []plan.Wait{{Step: "cure", Why: "it cures", Until: &at}}
	if a := At("hold", f); a.Until != &at || a.Why != "it cures" {
		t.Errorf("%+v", a)
	}
	f = facts()
	f.Back = []striplog.Line{{ID: "c", Ready: true, Say: "x", With: "4 screws", Of: 4, In: 1}}
	if a := At("refit", f); a.Of != 4 || a.At != 1 || a.Why != "4 screws" {
		t.Errorf("%+v", a)
	}
}

// What is usually laid is the answer, with the width of its bead.
func TestLaid(t *testing.T) {
	f := facts()
	f.Lays = &Lays{Adhesive: "urethane", Name: "vehicle urethane", Width: 9.5}
	a := At("hold", f)
	if len(a.Answers) != 1 || a.Answers[0] != (Answer{"urethane", "vehicle urethane"}) || a.Number != 9.5 || a.Why == "" {
		t.Errorf("%+v", a)
	}
	f.Lays.Fast = &Answer{"urethane-fast", "fast vehicle urethane"}
	if a = At("hold", f); len(a.Answers) != 2 || a.Answers[1].ID != "urethane-fast" {
		t.Errorf("where it has to drive the same day: %+v", a)
	}
}
