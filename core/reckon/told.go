package reckon

import (
	"freshshard/core/bond"
	"freshshard/core/diagnose"
	"freshshard/core/fault"
)

// Told is what is known of the break and of the old pane.
type Told struct {
	Why    diagnose.Result `json:"why" doc:"Why it broke"`
	Cause  string          `json:"cause" doc:"The cause in words, and what stood behind; empty while open"`
	Chain  []diagnose.Link `json:"chain" doc:"The cause and what stood behind it"`
	Peeled *bond.Peeled    `json:"peeled,omitempty" doc:"What the faces of the bond that let go say"`
	Was    diagnose.Result `json:"was" doc:"What the old pane was"`

	like string // material of the old pane: as somebody said, or the likeliest
}

// told works out cause and old pane. A likely old material stands in where
// nobody said what it was.
func (r Sized) told() (Told, error) {
	t, k := Told{like: r.k.Like}, r.k
	var err error
	if t.Why, err = diagnose.WhyHeld(k.Evidence, r.Family.Sizing); err != nil {
		return t, err
	}
	if t.Was, err = diagnose.OldPane(k.OldPane); err != nil {
		return t, err
	}
	if first := t.Was.Ranked[0]; t.like == "" && first.Score > 0 && first.Share >= diagnose.Likely {
		t.like = first.ID
	}
	if t.Chain, err = diagnose.Chain(k.Cause, k.Behind, k.Evidence, r.Family.Sizing); err != nil {
		return t, err
	}
	t.Cause = diagnose.Told(t.Chain)
	t.Peeled, err = r.peel()
	return t, err
}

// peel reads the faces of a bond that let go; nil where nobody looked, or where nothing is stuck
// again.
func (r Sized) peel() (*bond.Peeled, error) {
	if len(r.k.Peel.Spots) == 0 || r.Road.How != "stick" {
		return nil, nil
	}
	p, err := r.k.Peel.Read()
	if f := fault.Of(err); f != nil {
		return nil, fault.New("peel."+f.Field, f.Why, f.Cure)
	}
	p.Figures = Present(p.Figures, r.k.Unit)
	return &p, err
}
