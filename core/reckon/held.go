package reckon

import (
	"fmt"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/holding"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/thickness"
	"freshshard/core/working"
)

// Held is what stands before there is a size: how the pane is held, what is to be done, what the
// pane is made of and the place that it stands in.
type Held struct {
	Family    family.Family `json:"family" doc:"With the steps and checks of the road"`
	Road      Going         `json:"road" doc:"What is to be done"`
	Material  pane.Material `json:"material" doc:"Settled, or assumed until it is"`
	Thickness float64       `json:"thickness" doc:"mm"`
	Assumed   bool          `json:"assumed" doc:"Material or thickness is not chosen yet"`
	Pane      string        `json:"pane" doc:"4 mm glass-ceramic"`
	Read      float64       `json:"read,omitempty" doc:"Nominal thickness of the old pane, or wall of its tube, mm"`
	Instead   string        `json:"instead,omitempty" doc:"Why not the usual material, while none is settled"`
	Pack      *Packed       `json:"pack,omitempty" doc:"The pack that the pane stands in"`

	k           Known             // with the heat at the pane's own place
	object      exposure.Exposure // of the object, wherever the pane stands in it
	built       pane.Stack        // the pack as it was given
	packFigures []working.Figure
	unwalled    bool   // a tube whose wall nobody has read
	barred      string // why nothing may be ordered, whatever the size
}

// Hold takes in how the pane is held, and settles or assumes what it is made of.
func Hold(k Known) (Held, error) {
	h := Held{k: k}
	var err error
	if h.Family, err = family.Book.With(k.Own, k.Family); err != nil {
		return h, err
	}
	if h, err = h.onRoad(); err != nil {
		return h, err
	}
	if err = k.Exposure.Check(); err != nil {
		return h, err
	}
	h.object, h.built = k.Exposure.Sourced(k.Own), k.Stack
	h.k.Exposure = h.object
	if h, err = h.madeOf(h.k.Material); err != nil {
		return h, err
	}
	if h, err = h.packed(); err != nil {
		return h, err
	}
	return h.allowed()
}

// madeOf settles what the pane is made of and how thick, or assumes it where nothing is settled.
func (h Held) madeOf(id string) (Held, error) {
	if id == "" {
		id, h.Assumed = h.Family.Material, true
	}
	var err error
	if h.Material, err = pane.Book.With(h.k.Own, id); err != nil {
		return h, err
	}
	h.Read = h.readOf()
	return h.asThick(), nil
}

// asThick is the pane as thick as it was settled, as the old one was read, or as is assumed. A
// tube's wall is never assumed; while nobody has read it, it stands as a fifth of the outside for
// the drawing, and nothing is ordered.
func (h Held) asThick() Held {
	if h.k.Thickness != 0 {
		return h.thick(h.k.Thickness)
	}
	h.Assumed = true
	if h.way().Tube() {
		if wall := wallOf(h.k); wall > 0 {
			return h.thick(wall)
		}
		h.unwalled = true
		if out := h.k.Readings[reading.TubeOutside].Value; out > 0 {
			return h.thick(out / 5)
		}
		return h.thick(tubeDrawn)
	}
	want := defaultThickness
	if old, ok := h.k.Readings[reading.OldThickness]; ok {
		want = old.Value
	}
	return h.thick(h.Material.Nearest(want))
}

// thick is the same pane of a thickness, mm, and what it is then called.
func (h Held) thick(t float64) Held {
	h.Thickness = t
	switch {
	case h.unwalled:
		h.Pane = h.Material.Short + ", wall not read yet"
	case h.way().Tube():
		h.Pane = h.Material.Short + ", wall " + working.Num(t, 1) + " mm"
	default:
		h.Pane = working.Num(t, 1) + " mm " + h.Material.Short
	}
	return h
}

// readOf is the nominal thickness of the old pane, or the wall of the old tube;
// 0 while nobody has read it.
func (h Held) readOf() float64 {
	if h.way().Tube() {
		return wallOf(h.k)
	}
	if old, ok := h.k.Readings[reading.OldThickness]; ok {
		if a := thickness.Of(old); !a.Between {
			return a.Nominal
		}
	}
	return 0
}

// allowed puts what is best allowed here in the place of a material that nobody
// settled and that is ruled out: no size is given of a pane that cannot stand the
// place. Where nothing on the list stands it, or where none may be assumed, the
// order is withheld.
func (h Held) allowed() (Held, error) {
	if h.k.Material != "" {
		return h, nil
	}
	if h.k.Duty.Windscreen {
		h.barred = "a windscreen's glass is never assumed: choose it, with the mark that local law asks for"
	}
	n := Sized{Held: h}.need(Told{like: h.k.Like})
	closed, err := h.Material.Against(n)
	if err != nil || len(closed) == 0 {
		return h, err
	}
	c, err := pane.Choose(n)
	if err != nil {
		return h, err
	}
	if len(c.Open) == 0 {
		h.barred = "nothing on the list stands this place: look at Choose"
		return h, nil
	}
	if h.Road.Sized {
		h.Instead = fmt.Sprintf("%s, which is usual here, is ruled out: %s", h.Material.Short, closed[0].Sentence)
	}
	if h.Material, err = pane.Book.With(h.k.Own, c.Open[0].Material); err != nil {
		return h, err
	}
	return h.asThick().packed()
}

// way is the way in which the pane is held.
func (h Held) way() *holding.Rule { return holding.Of(h.Family.Sizing) }

// Unsettled says that nobody has settled what the pane is made of, where that is settled at
// all: it is not ordered.
func (h Held) Unsettled() bool { return h.Assumed && h.Road.Settled }
