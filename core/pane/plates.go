package pane

import (
	"math"

	"freshshard/core/strength"
)

// plates keeps what plates have been bent. Stress goes with 1/t² and deflection
// with 1/(E·t³), so that one sum serves every thickness of all materials with
// the same Poisson's ratio; under an even load they go with W² and W⁴ as well,
// so that it serves every pane of the same form. A nil one keeps nothing.
type plates struct {
	bent map[plateKey]strength.Bent
}

func newPlates() *plates { return &plates{bent: map[plateKey]strength.Bent{}} }

type plateKey struct {
	w, h, nu float64
	held     Held
	push     bool
}

// unit is the sheet that plates are bent with: 1 mm thick, of 1 GPa.
func unit(nu float64) strength.Sheet { return strength.Sheet{E: 1, Nu: nu, T: 1} }

// One of each load, kPa and N, and the width that an even load is reckoned on,
// mm.
const (
	unitLoad  = 1.0
	unitWidth = 1000.0
)

// alike is the pane that an even load is reckoned on for this one: as wide as
// all of its form.
func (l Load) alike() Load {
	const fine = 1e9 // panes of one form differ by rounding alone
	wide := l.unitWide()
	l.H = wide * math.Round(l.H/l.W*fine) / fine
	l.W = wide
	return l
}

// unitWide is that width: narrower where a strip would be longer than any pane is.
func (l Load) unitWide() float64 {
	if l.H > strips*l.W {
		return unitWidth / 100
	}
	return unitWidth
}

// strips is from how many times as high as it is wide a pane is a strip.
const strips = 9.0

func (p *plates) bend(l Load, a action, s strength.Sheet) (strength.Bent, error) {
	push, scale := a.force > 0, 1.0
	if !push {
		scale = l.W / l.unitWide()
		l = l.alike()
	}
	k := plateKey{l.W, l.H, s.Nu, l.Held, push}
	var b strength.Bent
	ok := false
	if p != nil {
		b, ok = p.bent[k]
	}
	if !ok {
		var err error
		if b, err = l.bent(unit(s.Nu), k.push); err != nil {
			return b, err
		}
		if p != nil {
			p.bent[k] = b
		}
	}
	times := a.q + a.force
	b.Stress *= times * scale * scale / (s.T * s.T)
	b.Deflection *= times * scale * scale * scale * scale / (s.E * s.T * s.T * s.T)
	b.Large = b.Deflection > s.T/2
	return b, nil
}

// bent is what one kPa, or one newton at the worst place, does to a sheet.
func (l Load) bent(s strength.Sheet, push bool) (strength.Bent, error) {
	if push {
		return l.Held.Push(s, l.W, l.H, unitLoad, hand)
	}
	return l.Held.Even(s, l.W, l.H, unitLoad)
}
