package pane

import (
	"fmt"
	"math"
	"strings"
)

// metBy is what meets a yes or no that a material misses, beside the pane. One
// that stands in neither list is met by nothing, and such a material is never
// offered. Common practice, no source.
var metBy = map[string]string{
	"safety": "with a guard or a rail before it, a safety film on it, or where nobody can fall against it",
	"food":   "with a film on it that holds its splinters, or a shield under it",
}

// near is a material that something speaks against, with how far it misses.
type near struct {
	m       Material
	met     []string // what would meet the yes or no that it misses
	missed  *Closed  // the number that it misses by the greatest share
	share   float64
	refused bool
}

func (m Material) near(closed []Closed) near {
	k := near{m: m}
	for i := range closed {
		c := &closed[i]
		if c.Figure.Unit == "" {
			cure, ok := metBy[c.Gate]
			if !ok {
				k.refused = true
			}
			k.met = append(k.met, cure)
			continue
		}
		if s := -c.Figure.Margin / math.Max(math.Abs(c.Figure.Limit.Value), 1e-9); k.missed == nil || s > k.share {
			k.missed, k.share = c, s
		}
	}
	return k
}

// before says whether one is nearer than another: what a guard or a film makes
// right comes before what misses a number, like the old one first, and less
// before more.
func (k near) before(o near, like string) bool {
	if (k.missed == nil) != (o.missed == nil) {
		return k.missed == nil
	}
	if k.missed == nil && (k.m.ID == like) != (o.m.ID == like) {
		return k.m.ID == like
	}
	if len(k.met) != len(o.met) {
		return len(k.met) < len(o.met)
	}
	return k.share < o.share
}

// nearest says what would come nearest where nothing stands a need. It never
// names what breaks a safety gate that nothing beside the pane can meet.
func (n Need) nearest() string {
	var best *near
	for _, m := range Book.Laid(n.Own) {
		if !n.offers(m) {
			continue
		}
		closed, err := m.Against(n)
		if err != nil {
			continue
		}
		if k := m.near(closed); !k.refused && (best == nil || k.before(*best, n.Like)) {
			best = &k
		}
	}
	if best == nil {
		return "No pane can be made right here: ask for a part that is made and rated for this place, or for another place."
	}
	s := fmt.Sprintf("The nearest is %s", best.m.Short)
	if len(best.met) > 0 {
		s += ", " + strings.Join(best.met, ", and ")
	}
	if best.missed != nil {
		s += ": " + best.missed.Sentence
	}
	return s + "."
}
