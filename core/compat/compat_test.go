package compat

import (
	"strings"
	"testing"

	"freshshard/core/fault"
)

func finding(t *testing.T, list []Finding, agent string) Finding {
	t.Helper()
	for _, f := range list {
		if f.Agent.ID == agent {
			return f
		}
	}
	t.Fatalf("nothing on %s", agent)
	return Finding{}
}

// The matrix holds together: every id is there, no pair twice, every reason
// said, and what is offered instead is never worse.
func TestMatrixHoldsTogether(t *testing.T) {
	subjects, agents, pairs := map[string]bool{}, map[string]bool{}, map[string]Verdict{}
	for _, s := range All().Subjects {
		subjects[s.ID] = true
	}
	for _, a := range All().Agents {
		agents[a.ID] = true
	}
	for _, r := range All().Rules {
		k := r.Subject + "+" + r.Agent
		if !subjects[r.Subject] || !agents[r.Agent] || r.Reason == "" || pairs[k] != "" {
			t.Errorf("%s is unknown, twice or without a reason", k)
		}
		pairs[k] = r.Verdict
	}
	for _, r := range All().Rules {
		for _, i := range r.Instead {
			if v := pairs[r.Subject+"+"+i]; !agents[i] || !r.Verdict.Worse(v) && v != "" {
				t.Errorf("%s on %s offers %s, which is %s", r.Agent, r.Subject, i, v)
			}
		}
	}
}

// The trade's warnings. Common practice, no source.
func TestWarnings(t *testing.T) {
	for _, c := range []struct {
		materials, seals []string
		agent            string
		want             Verdict
	}{
		{[]string{"polycarbonate"}, nil, "acetone", Never}, {[]string{"polycarbonate"}, nil, "ammonia", Never},
		{[]string{"polycarbonate"}, nil, "alcohol", Good},
		{[]string{"acrylic"}, nil, "alcohol", Care}, {[]string{"acrylic"}, nil, "pvc-gasket", Never},
		{[]string{"toughened"}, []string{"rubber"}, "petroleum", Never},
		{[]string{"toughened"}, []string{"rubber"}, "soapy-water", Good},
		{[]string{"annealed", "bronze"}, nil, "acetic-silicone", Never},
		{[]string{"annealed", "timber"}, nil, "acetic-silicone", Unknown},
		{[]string{"laminated"}, nil, "standing-water", Never}, {[]string{"glass-ceramic"}, nil, "abrasive", Never},
		{[]string{"annealed", "stainless"}, nil, "chloride", Never},
	} {
		if f := finding(t, table.Ask(c.materials, c.seals), c.agent); f.Verdict != c.want || c.want != Unknown &&
			f.Sentence == "" {
			t.Errorf("%s on %v %v is %s, want %s", c.agent, c.materials, c.seals, f.Verdict, c.want)
		}
	}
}

// One more thing that is touched never makes a verdict better.
func TestMoreTouchedIsNeverBetter(t *testing.T) {
	for _, s := range All().Subjects {
		for _, more := range All().Subjects {
			one, two := table.Ask(s.Materials, []string{s.ID}),
				table.Ask(append(append([]string{}, s.Materials...), more.Materials...), []string{s.ID, more.ID})
			for i := range one {
				if (one[i].Verdict == Never || one[i].Verdict == Care) && one[i].Verdict.Worse(two[i].Verdict) {
					t.Errorf("%s on %s is %s, with %s %s", one[i].Agent.ID, s.ID, one[i].Verdict, more.ID, two[i].Verdict)
				}
			}
		}
	}
}

// A never is refused with its reason and with what is good here.
func TestCheck(t *testing.T) {
	f := fault.Of(Check([]string{"mild-soap", "acetone"}, table.Ask([]string{"polycarbonate", "bronze"}, nil)))
	if f == nil || f.Field != "uses" || !strings.Contains(f.Why, "craze") || !strings.Contains(f.Cure, "mild soap") {
		t.Errorf("%+v", f)
	}
	// What is offered must not harm the frame either.
	f = fault.Of(Check([]string{"pvc-gasket"}, table.Ask([]string{"polycarbonate"}, []string{"butyl"})))
	if f == nil || strings.Contains(f.Cure, "silicone") {
		t.Errorf("%+v", f)
	}
	if err := Check([]string{"soapy-water"}, table.Ask([]string{"polycarbonate"}, nil)); err != nil {
		t.Error(err)
	}
	if fault.Of(Check([]string{"moonshine"}, nil)) == nil {
		t.Error("moonshine was taken")
	}
}

// The matrix knows what it lists by its name, and the materials that stand for it; nothing else.
func TestKnows(t *testing.T) {
	for _, s := range table.Subjects {
		if !table.Knows(s.ID) {
			t.Errorf("%s is on its own list", s.ID)
		}
		for _, m := range s.Materials {
			if !table.Knows(m) {
				t.Errorf("%s stands for %s", m, s.ID)
			}
		}
	}
	only := Table{Subjects: []Subject{{ID: "butyl"}}}
	for name, want := range map[string]bool{"butyl": true, "cheese": false, "": false} {
		if only.Knows(name) != want {
			t.Errorf("%q: %v", name, !want)
		}
	}
}
