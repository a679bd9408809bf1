package exchange

import (
	"fmt"
	"strings"

	"freshshard/core/prove"
	"freshshard/internal/jobview"
)

// stops are those of the pane on this page.
func (t ticket) stops() []jobview.PaneStop {
	var out []jobview.PaneStop
	for _, k := range t.v.Stops {
		if k.Pane == t.v.Pane.ID {
			out = append(out, k)
		}
	}
	return out
}

// overLine is one thing that was signed over, with what is said of it in full.
type overLine struct{ head, body string }

// overs are everything that is not as the book wants it: what is beyond its
// limit and who took it on, what was left out and why, what failed before it
// passed, and an owner's reason for the whole job.
func (t ticket) overs() []overLine {
	var out []overLine
	for _, k := range t.stops() {
		l := overLine{head: "Beyond its limit: " + k.Says}
		if k.Limit != "" {
			l.body = "Wanted: " + k.Limit + ". "
		}
		if w := k.Taken; w != nil {
			l.body += fmt.Sprintf("Risk accepted by %s, %s: %s", w.By, t.day(w.At), w.Reason)
		} else {
			l.body += "Nobody has accepted the risk."
		}
		out = append(out, l)
	}
	for _, g := range t.v.Guests {
		if g.Stays && g.Out == nil {
			body := "Noted by " + g.By + "."
			if g.Seen {
				body = "It will be seen. " + body
			}
			out = append(out, overLine{"Stays in for good: " + strings.TrimSuffix(g.What+", "+g.Where, ", "), body})
		}
	}
	titles := map[string]string{}
	for _, s := range t.v.Reckoning.Plan.Steps {
		titles[s.Key] = fmt.Sprintf("step %d, %s", s.Number, s.Title)
	}
	for _, k := range t.v.Pane.Ticks {
		if k.Outcome == "left-out" && titles[k.Step] != "" {
			out = append(out, overLine{"Left out: " + titles[k.Step], k.By + ": " + k.Reason})
		}
	}
	for _, c := range t.v.Checks {
		for _, f := range c.Trials {
			out = append(out, overLine{"Failed before: " + c.Text, fmt.Sprintf("%s, %s: %s", f.By, t.day(f.At), f.Finding)})
		}
		if c.Outcome == prove.Fail {
			out = append(out, overLine{"Failed: " + c.Text, c.By + ": " + c.Finding})
		}
	}
	if k := t.v.Job.Ticket; k != nil && k.Override != "" {
		out = append(out, overLine{"Signed over what was open", k.By + ": " + k.Override})
	}
	return out
}

// over is a page of its own for what the book wants otherwise, reasons in full;
// there is none where all is as it should be.
func (t ticket) over() {
	lines := t.overs()
	if len(lines) == 0 {
		return
	}
	page := func() {
		t.p.AddPage()
		t.p.SetXY(margin, 12)
		t.say(margin, pageW-2*margin, 13, "B", fmt.Sprintf("Job %d, %s: not as the book has it", t.v.Job.ID,
			t.v.Job.Object.Name))
		t.p.Ln(2)
	}
	page()
	for _, l := range lines {
		t.font("", 9)
		need := float64(len(t.p.SplitText(printable(l.body), pageW-2*margin)))*4 + 12
		if t.p.GetY()+need > pageH-margin {
			page()
		}
		t.say(margin, pageW-2*margin, 10, "B", l.head)
		t.say(margin, pageW-2*margin, 9, "", l.body)
		t.p.Ln(2)
	}
}
