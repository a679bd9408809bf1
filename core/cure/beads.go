package cure

import "time"

// Bead is one that is not laid yet: of what, and how wide it is pressed, mm.
type Bead struct {
	Adhesive string
	Width    float64
}

// Beads tells how long beads would take that are laid at a moment, min, by the clock behind which
// they are loaded; sixty days where one is never out in such air. Each is reckoned once. An adhesive
// that is not in the book is an error.
func Beads(air []Air, from time.Time) func(Bead) (map[Key]int, error) {
	known := map[Bead]map[Key]int{}
	return func(b Bead) (map[Key]int, error) {
		if m, ok := known[b]; ok {
			return m, nil
		}
		got, err := Cure(Bond{Adhesive: b.Adhesive, Since: from, Width: b.Width, Edges: 2}, air, from)
		if err != nil {
			return nil, err
		}
		known[b] = map[Key]int{}
		for _, load := range []Key{LetGo, Ready, Full} {
			known[b][load] = int(horizon.Minutes())
			if r := got.clock(Behind(load, got.Opens)).Safe; r != nil {
				known[b][load] = int(r.Sub(from).Minutes()) + 1
			}
		}
		return known[b], nil
	}
}
