// Package thing tells what goes into an object that was not in it before: new panes, their seals,
// and what the strip log has renewed, lost or replaced. Several records speak of one thing: a pane
// that lies broken in the strip log is the pane that is made, and its gasket there is the gasket that
// its size tells the length of. Each is named once. Common practice, no source.
package thing

import (
	"fmt"
	"hash/fnv"
	"io"
	"slices"

	"freshshard/core/striplog"
	"freshshard/core/working"
)

// Kind is what a thing is.
type Kind string

// The kinds.
const (
	Pane  Kind = "pane"
	Seal  Kind = "seal"
	Other Kind = "other"
)

// Thing is one that goes in.
type Thing struct {
	Kind  Kind
	Key   string // stays the same for as long as it is wanted
	Pane  int64  // the pane that it is, or that it seals; 0 for what belongs to the object
	What  string
	Milli int64  // thousandths of the unit
	Unit  string // pc or m
	Why   string // why it is wanted, for what the strip log asks; else nothing
	Was   string // its key while only the strip log knew it, before a size told its length; else nothing
	// Spare is that the strip log has the old one going back: a new one is wanted only where that is
	// not good any more.
	Spare bool
}

// New is a pane of the object, as far as something new goes in.
type New struct {
	ID     int64
	Text   string  // as it is ordered; nothing while nobody settled it
	Gasket string  // kind and free thickness of its seal
	Length float64 // of that, mm; 0 for none
}

// PaneKey is the key of a pane.
func PaneKey(id int64) string { return fmt.Sprintf("pane-%d", id) }

// SealKey is the key of the seal of a pane.
func SealKey(pane int64) string { return fmt.Sprintf("gasket-%d", pane) }

// NeedKey is short whatever a thing is called, and tells apart what is renewed and lost.
func NeedKey(n striplog.Need) string {
	h := fnv.New64a()
	_, _ = io.WriteString(h, n.What+"\x00"+n.Why)
	return fmt.Sprintf("need-%016x", h.Sum64())
}

// Wanted lists what goes into an object: its new panes and their seals, pane by pane, then what the
// strip log asks for beside them.
func Wanted(panes []New, log striplog.Log) []Thing {
	out, rest := []Thing{}, slices.Clone(log)
	for range panes {
		if i := slices.IndexFunc(rest, func(e striplog.Entry) bool { return e.Kind == striplog.Pane && renewed(e) }); i >= 0 {
			rest = less(rest, i)
		}
	}
	sealed := map[string]int{} // by id of the line, how many panes it was the seal of
	for _, p := range panes {
		if p.Text != "" {
			out = append(out, Thing{Kind: Pane, Key: PaneKey(p.ID), Pane: p.ID, What: p.Text, Milli: 1000, Unit: "pc"})
		}
		if p.Length <= 0 {
			continue
		}
		t := Thing{Kind: Seal, Key: SealKey(p.ID), Pane: p.ID, What: "gasket, " + p.Gasket, Unit: "m",
			Milli: (int64(p.Length) + 99) / 100 * 100} // to the tenth of a metre above
		k := slices.IndexFunc(log, func(e striplog.Entry) bool { return sealed[e.ID] < e.Count && seals(log, e) })
		if k >= 0 {
			e := log[k]
			sealed[e.ID]++
			switch {
			case e.Fate == striplog.Substitute && e.By != "":
				continue // that is wanted, and named below
			case renewed(e):
				if n := (striplog.Log{e}).Needs(); len(n) > 0 {
					t.Was = NeedKey(n[0])
				}
				rest = less(rest, slices.IndexFunc(rest, func(r striplog.Entry) bool { return r.ID == e.ID }))
			default:
				t.Spare = true
			}
		}
		out = append(out, t)
	}
	for _, n := range rest.Needs() {
		out = append(out, Thing{Kind: Other, Key: NeedKey(n), What: n.What, Why: n.Why, Milli: int64(n.Count) * 1000,
			Unit: "pc"})
	}
	return out
}

// renewed says whether a new one goes in for at least one of a line.
func renewed(e striplog.Entry) bool {
	return e.Fate == striplog.Renew || e.Fate == striplog.Lost || e.Fate == striplog.Substitute && e.By == "" ||
		e.Fate != striplog.Off && e.Fate != striplog.Substitute && e.Renewed+e.Missing > 0
}

// seals says whether a line is the seal of a pane. What seals a door, a leaf or a cover is another
// one, and so is a rope that nobody said to lie round or under the pane.
func seals(log striplog.Log, e striplog.Entry) bool {
	switch {
	case e.Loosen || e.Fate == striplog.Off || e.Called(others...):
		return false
	case e.Called("gasket", "seal", "rubber", "edge tape", "glass rope"):
		return true
	}
	at := log.Lies(e)
	return e.Kind == striplog.Seal && (at == striplog.Round || at == striplog.Under)
}

// others seal something else than a pane.
var others = []string{"door gasket", "door seal", "door rope", "leaf seal", "cover gasket", "body gasket"}

// less is a log with one less of a line.
func less(l striplog.Log, i int) striplog.Log {
	if l[i].Count == 1 {
		return slices.Delete(l, i, i+1)
	}
	l[i].Count--
	l[i].Renewed, l[i].Missing = max(0, l[i].Renewed-1), max(0, l[i].Missing-1)
	return l
}

// Called is a gasket by its kind and its free thickness, mm.
func Called(kind string, free float64) string { return kind + " " + working.Num(free, 1) + " mm" }
