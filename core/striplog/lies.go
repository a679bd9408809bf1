package striplog

import (
	"slices"
	"strings"
)

// Stands is how something stands to the pane when it goes back.
type Stands string

// The ways: under the pane and so before it (blocks, a bed, a lower channel),
// round it and with it (a rubber, edge tape), over it and after it (beads,
// covers, trims). Common practice, no source.
const (
	Under Stands = "under"
	Round Stands = "round"
	Over  Stands = "over"
)

// wordsOf tell by its name how a thing usually stands to a pane, the closer name first. Common
// practice, no source.
var wordsOf = []struct {
	stands Stands
	words  []string
}{
	{Over, []string{"cover gasket", "door gasket", "door seal", "leaf seal", "door rope", "locking strip", "upper channel",
		"inner ring", "cover strip", "inner trim"}},
	{Under, []string{"body gasket", "lower channel", "spacer", "foil", "barrier tape"}},
	{Round, []string{"gasket", "seal", "rubber", "edge tape", "glass rope", "ladder tape", "u-section", "u-channel",
		"grommet"}},
	{Over, []string{"bead", "trim", "cover", "moulding", "retainer", "bar", "bracket", "cap", "rope"}},
	{Under, []string{"block", "bed", "cradle", "felt", "tape", "pad", "packer"}},
}

// soft lies over the pane where it came off before it, but for what goes onto the pane and is cut or
// drawn first.
var (
	soft   = []string{"gasket", "seal", "tape", "grommet"}
	onPane = []string{"locking gasket", "edge tape", "rubber gasket", "rubber seal"}
)

// head is what a thing is, without where it is and how it looks: the cover of "cover on the left,
// of tin".
func (e Entry) head() string {
	h := strings.ToLower(e.What)
	for _, cut := range []string{",", "(", " of ", " on ", " at ", " in ", " for ", " from ", " with "} {
		h, _, _ = strings.Cut(h, cut)
	}
	return strings.TrimSpace(h)
}

// Called says whether a thing is one of some: "side trims" are a trim, a "trim clip" is not.
func (e Entry) Called(words ...string) bool {
	h := " " + e.head()
	return slices.ContainsFunc(words, func(w string) bool {
		return strings.HasSuffix(h, " "+w) || strings.HasSuffix(h, " "+w+"s") || strings.HasSuffix(h, " "+w+"es")
	})
}

// Lies is how a thing stands to the pane: as somebody said, else by what it is called and when it
// came off. A gasket that came off before the pane lay over it; what came off after the pane lay
// behind it, and what came off between two panes goes in with them. Empty for what lies before the
// pane and has nothing to do with it.
func (l Log) Lies(e Entry) Stands {
	switch {
	case e.Stands != "" || e.Fate == Off:
		return e.Stands
	case e.Kind == Pane:
		return Round
	}
	first, last := l.panes()
	at := slices.IndexFunc(l, func(o Entry) bool { return o.ID == e.ID })
	before := first >= 0 && at < first
	for _, w := range wordsOf {
		if !e.Called(w.words...) || e.Kind == Fasteners {
			continue
		}
		if before && e.Called(soft...) && !e.Called(onPane...) {
			return Over
		}
		return w.stands
	}
	switch {
	case first < 0 || before || holdsOne(e, l[:first]):
		return ""
	case at > last:
		return Under
	}
	return Round
}

// holdsOne says whether a thing holds down one of those that came off before the first pane: it was
// noted late, and lies before the pane like that.
func holdsOne(e Entry, front Log) bool {
	return slices.ContainsFunc(front, func(o Entry) bool { return slices.Contains(e.Captures, o.ID) })
}

// panes are the places of the first and the last pane in the log, -1 where there is none.
func (l Log) panes() (first, last int) {
	first, last = -1, -1
	for i, e := range l {
		if e.Kind != Pane {
			continue
		}
		if last = i; first < 0 {
			first = i
		}
	}
	return first, last
}

// Place is when something goes back, as to the pane.
type Place string

// The places.
const (
	Before Place = "before"
	With   Place = "with"
	After  Place = "after"
)

// Places are the places of all things, by id. What the pane or a thing round it cannot do without is
// before it, whatever it is called.
func (l Log) Places() map[string]Place {
	out := make(map[string]Place, len(l))
	for _, e := range l {
		switch l.Lies(e) {
		case Under:
			out[e.ID] = Before
		case Round:
			out[e.ID] = With
		default:
			out[e.ID] = After
		}
	}
	var first []string
	for _, e := range l {
		if out[e.ID] != After {
			first = append(first, e.ID)
		}
	}
	for id := range l.Wants(first...) {
		if out[id] == After {
			out[id] = Before
		}
	}
	return out
}

// Wants are the ids of all that has to be back before any of some things, and before that.
func (l Log) Wants(ids ...string) map[string]bool {
	at := make(map[string]int, len(l))
	for i, e := range l {
		at[e.ID] = i
	}
	out := map[string]bool{}
	for todo := slices.Clone(ids); len(todo) > 0; {
		id := todo[0]
		todo = todo[1:]
		i, ok := at[id]
		if !ok {
			continue
		}
		for _, b := range l.before(l[i]) {
			if !out[b] {
				out[b] = true
				todo = append(todo, b)
			}
		}
	}
	return out
}
