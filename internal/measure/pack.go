package measure

import (
	"context"
	"fmt"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/heat"
	"freshshard/core/pane"
	"freshshard/core/reckon"
	"freshshard/core/value"
	"freshshard/core/working"
	"freshshard/internal/change"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// PackIn is a pack between a cavity and a room.
type PackIn struct {
	Cavity  float64       `json:"cavity" doc:"°C"`
	Room    float64       `json:"room" doc:"°C"`
	Inside  float64       `json:"inside" doc:"Heat transfer on the hot side, W/m²K"`
	Outside float64       `json:"outside"`
	Slope   heat.Slope    `json:"slope" enum:"upright,leaning,lying"`
	Panes   []pane.Coated `json:"panes" minItems:"1" maxItems:"4"`
	Gaps    []float64     `json:"gaps" maxItems:"3" doc:"mm"`
	Gas     heat.Gas      `json:"gas,omitempty" enum:",air,argon"`
}

// PackOut is the pack, solved, and how its panes would do in other orders.
type PackOut struct {
	Result  heat.Result        `json:"result"`
	Figures []working.Figure   `json:"figures"`
	Orders  []heat.Arrangement `json:"orders" doc:"The coolest outside first; at most twelve, the built one among them"`
	Says    string             `json:"says"`
}

func (in PackIn) pack(vs catalogue.Values) (heat.Pack, error) {
	st := pane.Stack{Panes: in.Panes, Gaps: in.Gaps, Slope: in.Slope, Gas: in.Gas}
	p, err := st.Pack(vs, in.Cavity, in.Room)
	p.Inside, p.Outside = in.Inside, in.Outside
	if err != nil {
		return p, err
	}
	return p, p.Check()
}

// Pack solves a pack and compares every order and facing of its panes.
func (s *Service) Pack(ctx context.Context, in PackIn) (PackOut, error) {
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return PackOut{}, err
	}
	vs, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return PackOut{}, err
	}
	p, err := in.pack(vs)
	if err != nil {
		return PackOut{}, err
	}
	out := PackOut{}
	if out.Result, err = heat.Solve(p); err != nil {
		return out, err
	}
	all, err := heat.Orders(p)
	if err != nil {
		return out, err
	}
	out.Orders, out.Says = heat.Few(all), heat.Says(all)
	out.Figures = reckon.Present(p.Figures(out.Result, value.Read(""), value.Read("")), shop.Unit)
	return out, nil
}

// PackAll notes one pack for all panes of an object that lie in it, each in its
// place: the pane with number 1 is the innermost. Had is how many panes the
// person saw.
type PackAll struct {
	Stack pane.Stack `json:"stack"`
	Had   int        `json:"had" minimum:"2" maximum:"4"`
	Seen  []int      `json:"seen" maxItems:"4" doc:"Version of each pane as the person saw it, by number"`
}

// SetPack notes the pack that all panes of an object make up.
func (s *Service) SetPack(ctx context.Context, by record.Account, job int64, in PackAll) error {
	return s.All(ctx, by, job, func(e *change.Edit) (store.Change, error) {
		j := e.Job
		if len(j.Panes) != in.Had {
			return store.Change{}, change.Stale("the panes of the object")
		}
		if len(in.Stack.Panes) != len(j.Panes) {
			return store.Change{}, fault.New("stack.panes", fmt.Sprintf("the object has %d panes, the pack %d", len(j.Panes),
				len(in.Stack.Panes)), "note each of them, or this one alone")
		}
		for i := range j.Panes {
			p := &j.Panes[i]
			if i >= len(in.Seen) || in.Seen[i] != p.Version {
				return store.Change{}, change.Stale("the pack of this object")
			}
			p.Stack = in.Stack.In(i + 1)
			e.Hold(p)
		}
		return store.Change{Noun: "panes", Item: fmt.Sprint(len(j.Panes)), Action: "packed",
			Said: "the pack of all panes was noted", After: in.Stack}, nil
	})
}
