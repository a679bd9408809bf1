package reckon

import (
	"fmt"

	"freshshard/core/pane"
)

// allowed puts what is best allowed here in the place of a material that nobody
// settled and that is ruled out: no size is given of a pane that cannot stand the
// place. It says whether the material has changed; where nothing on the list
// stands it, or where none may be assumed, the order is withheld.
func (r allowing) allowed(k Known) (changed bool, err error) {
	if k.Material != "" {
		return false, nil
	}
	if k.Duty.Windscreen {
		r.Withheld = "a windscreen's glass is never assumed: settle it, with the mark that local law asks for"
	}
	n := carrying(r).need(k, 0)
	closed, err := r.Material.Against(n)
	if err != nil || len(closed) == 0 {
		return false, err
	}
	c, err := pane.Choose(n)
	if err != nil {
		return false, err
	}
	if len(c.Open) == 0 {
		r.Withheld = "nothing on the list stands this place: look at Choose"
		return false, nil
	}
	r.Instead = fmt.Sprintf("%s, which is usual here, is ruled out: %s", r.Material.Short, closed[0].Sentence)
	if r.Material, err = pane.With(k.Own, c.Open[0].Material); err != nil {
		return false, err
	}
	r.thick(r.thicknessOf(k))
	return true, nil
}

// withheld says why nothing is ordered yet although there is a size.
func (r allowing) withheld() {
	if r.Family.Carried != "" && len(r.Fit.Holes) == 0 {
		switch o := r.Fit.Opening; {
		case o == nil:
			r.Withheld = "the holes that carry it are not read yet"
		case len(o.Holes) == 0:
			r.Withheld = "the holes that carry it are not on its outline: trace it with its holes"
		}
	}
	if r.unwalled && carrying(r).way().Tube() {
		r.Withheld = "the wall of the tube is not read yet"
	}
}
