package striplog

import (
	"fmt"
	"strings"
)

// WayIn is how the object comes apart, in the order in which it did: a line for each
// thing down to the last pane, with how it is held as it went together, and where.
// What stayed off is not there any more, and has no line.
func (l Log) WayIn() []string {
	last := len(l)
	for i, e := range l {
		if e.Kind == Pane {
			last = i + 1
		}
	}
	out := []string{}
	for _, e := range l[:last] {
		if e.Fate == Off {
			continue
		}
		verb := "Off"
		if e.Loosen {
			verb = "Only loosen"
		}
		s := verb + ": " + e.name()
		if e.Where != "" {
			s += ", " + e.Where
		}
		if h := e.holds(); h != "" {
			s += " (" + h + ")"
		}
		out = append(out, s)
	}
	return out
}

// holds is how it is held now, shortly.
func (e Entry) holds() string {
	switch {
	case e.Fate == Substitute && e.By != "":
		return e.By
	case e.Held.How == "tab" && e.Held.Bends > 0:
		return fmt.Sprintf("tab, bent %d times", e.Held.Bends+1)
	}
	return strings.Trim(e.Held.How+", "+e.spec(), ", ")
}

// Odd are the things that whoever opens it next would get wrong or break: what looks
// alike and is not, what was seized, what is lost, each with where it is.
func (l Log) Odd() []string {
	mix := l.MixUps()
	out := []string{}
	for _, e := range l {
		if e.Fate == Off {
			continue
		}
		at := e.What
		if e.Where != "" {
			at += ", " + e.Where
		}
		for _, w := range mix[e.ID] {
			out = append(out, at+": "+w)
		}
		if e.Seized {
			out = append(out, at+": was seized")
		}
		if e.Missing > 0 {
			verb := "are"
			if e.Missing == 1 {
				verb = "is"
			}
			out = append(out, fmt.Sprintf("%s: %d of %d %s lost", at, e.Missing, e.Count, verb))
		}
	}
	return out
}

// Replaced says what stands in place of what came off: substitutes, and what was renewed.
func (l Log) Replaced() []string {
	out := []string{}
	for _, e := range l {
		at := e.name()
		if e.Where != "" {
			at += ", " + e.Where
		}
		switch {
		case e.Fate == Substitute && e.By != "":
			out = append(out, fmt.Sprintf("%s in place of %s", e.By, at))
		case e.Fate == Substitute, e.Fate == Lost:
			out = append(out, "a substitute for "+at)
		case e.Fate == Off:
			out = append(out, "without "+at+", which was foreign")
		case e.Fate == Renew:
			out = append(out, "new: "+at)
		case e.Renewed > 0:
			out = append(out, fmt.Sprintf("%d of %s new", e.Renewed, at))
		}
	}
	return out
}

// Bent are the tabs with how often each has been bent by now: once out, once back. One
// on its last bend breaks at the next.
func (l Log) Bent() []string {
	out := []string{}
	for _, e := range l {
		if e.Held.How != "tab" || e.Fate != Back {
			continue
		}
		at := e.What
		if e.Where != "" {
			at += ", " + e.Where
		}
		s := fmt.Sprintf("%s: tab bent %d times", at, e.Held.Bends+1)
		if e.Held.Bends+1 >= lastBend {
			s += ", it breaks at the next: have a new one"
		}
		out = append(out, s)
	}
	return out
}
