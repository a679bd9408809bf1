package heat

import (
	"fmt"
	"sort"
	"strings"
)

// Arrangement is a pack with its panes in another order or turned round.
type Arrangement struct {
	Order   []int   `json:"order" doc:"Which pane of the pack stands where, from the hot side, from 0"`
	Turned  []bool  `json:"turned" doc:"Whether the pane that stands there is turned round"`
	Words   string  `json:"words"`
	Touch   float64 `json:"touch" doc:"Outermost face, °C"`
	Hotter  float64 `json:"hotter" doc:"How much hotter the outside is than as built, K"`
	Least   float64 `json:"least" doc:"The least margin of all panes, K"`
	AsBuilt bool    `json:"as_built"`
}

// Orders solves every order and facing of the panes, the coolest outside first.
// Turning a pane with two like faces is no other arrangement, nor is swapping
// two panes that are alike.
func Orders(p Pack) ([]Arrangement, error) {
	if err := p.Check(); err != nil {
		return nil, err
	}
	built := p.solve()
	if err := built.atRest(); err != nil {
		return nil, err
	}
	out := []Arrangement{}
	seen := map[string]bool{}
	permute(len(p.Panes), func(order []int) {
		for facing := range 1 << len(order) {
			q, a := p, Arrangement{Order: append([]int(nil), order...), Turned: make([]bool, len(order))}
			q.Panes = make([]Pane, len(order))
			a.AsBuilt = true
			key := ""
			for i, k := range order {
				q.Panes[i] = p.Panes[k]
				if facing>>i&1 == 1 {
					q.Panes[i], a.Turned[i] = q.Panes[i].Turned(), true
				}
				a.AsBuilt = a.AsBuilt && k == i && !a.Turned[i]
				key += fmt.Sprintf("%v %v %v %v|", q.Panes[i].Name, q.Panes[i].T, q.Panes[i].Hot, q.Panes[i].Cold)
			}
			if seen[key] {
				continue
			}
			seen[key] = true
			r := q.solve()
			if r.atRest() != nil {
				continue // the others can still be told apart
			}
			a.Touch, a.Hotter, a.Least, a.Words = r.Touch, r.Touch-built.Touch, least(r, q), words(q, a, p)
			out = append(out, a)
		}
	})
	sort.SliceStable(out, func(i, j int) bool { return out[i].Touch < out[j].Touch-1e-9 })
	return out, nil
}

func least(r Result, p Pack) float64 {
	m, any := 0.0, false
	for i, f := range r.Faces {
		if p.Panes[i].Limit > 0 && (!any || f.Left < m) {
			m, any = f.Left, true
		}
	}
	return m
}

// words say what is otherwise than built.
func words(q Pack, a Arrangement, p Pack) string {
	if a.AsBuilt {
		return "as built"
	}
	says := []string{}
	for i, k := range a.Order {
		if k != i {
			says = append(says, fmt.Sprintf("%s in place %d", name(p.Panes[k], k), i+1))
		}
		if a.Turned[i] && p.Panes[k].Hot != p.Panes[k].Cold {
			says = append(says, name(p.Panes[k], k)+" turned round")
		}
	}
	if len(says) == 0 {
		return "as built"
	}
	return strings.Join(says, ", ")
}

func name(p Pane, k int) string {
	if p.Name == "" {
		return fmt.Sprintf("pane %d", k+1)
	}
	return fmt.Sprintf("%s (%d)", p.Name, k+1)
}

// permute calls f with every order of n things, the first as they are.
func permute(n int, f func([]int)) {
	order := make([]int, n)
	for i := range order {
		order[i] = i
	}
	var swap func(int)
	swap = func(k int) {
		if k == n {
			f(order)
			return
		}
		for i := k; i < n; i++ {
			order[k], order[i] = order[i], order[k]
			swap(k + 1)
			order[k], order[i] = order[i], order[k]
		}
	}
	swap(0)
}
