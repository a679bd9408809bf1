package length

import (
	"math"
	"strings"
)

// The coarsest marks that a light or heavy reading can refer to. A person says
// "5 1/2 heavy" of a tape that shows at least eighths, "268 heavy" of one that
// shows millimetres: the mark that was nearly met is never coarser than that,
// though the fraction may have been reduced to a half.
const (
	coarsestInch  = Inch / 8
	coarsestMetre = 1.0
)

// Parse reads one length. unit is what a bare number means (MM or IN); with
// gives the default doubt. It returns an *Error that points at the character.
//
// A light or heavy reading moves the value by a quarter of the finest division
// named and makes the doubt at least half of it (common practice, no source).
func Parse(text string, unit Unit, with Instrument) (Reading, error) {
	p := &parser{text: text, runes: []rune(text)}
	r := Reading{Text: text}
	terms, lean, doubt, err := p.read(unit)
	if err != nil {
		return r, err
	}
	finest := math.Inf(1)
	for _, t := range terms {
		r.Value += t.value * t.unit.inMM()
		finest = min(finest, t.step*t.unit.inMM())
		r.Imperial = r.Imperial || t.unit.imperial()
	}
	r.Doubt = with.Doubt(r.Imperial)
	if lean != Even {
		if r.Imperial {
			finest = min(finest, coarsestInch)
		} else {
			finest = min(finest, coarsestMetre)
		}
		shift := finest / 4
		if lean == Light {
			shift = -shift
		}
		r.Value += shift
		r.Doubt = max(r.Doubt, finest/2)
		r.Lean = lean
	}
	if doubt >= 0 {
		r.Doubt = doubt
	}
	switch {
	case r.Value <= 0:
		return r, p.fail(0, "a length is more than nothing", "type the reading again")
	case r.Value > Most:
		return r, p.fail(0, "that is more than 100 m", "check the unit")
	}
	return r, nil
}

// term is one number with its unit: the 4' or the 2 3/8" of 4' 2 3/8".
type term struct {
	value float64 // in its unit
	step  float64 // the finest division named, in its unit
	unit  Unit
}

type parser struct {
	text  string
	runes []rune
	pos   int
}

func (p *parser) fail(at int, why, cure string) *Error {
	return &Error{Text: p.text, At: at, Why: why, Cure: cure}
}

func (p *parser) space() {
	for p.pos < len(p.runes) && (p.runes[p.pos] == ' ' || p.runes[p.pos] == '\t' || p.runes[p.pos] == '\u00a0' ||
		p.runes[p.pos] == '\u2009') {
		p.pos++
	}
}

func (p *parser) peek() rune {
	if p.pos < len(p.runes) {
		return p.runes[p.pos]
	}
	return 0
}

// word reads a run of letters without moving on.
func (p *parser) word() string {
	end := p.pos
	for end < len(p.runes) && isLetter(p.runes[end]) {
		end++
	}
	return strings.ToLower(string(p.runes[p.pos:end]))
}

func isLetter(r rune) bool { return r >= 'a' && r <= 'z' || r >= 'A' && r <= 'Z' }
func isDigit(r rune) bool  { return r >= '0' && r <= '9' }
func isDash(r rune) bool   { return r == '-' || r == '−' || r == '–' }

// read takes the whole text apart: terms, lean, stated doubt (−1 when none).
func (p *parser) read(shop Unit) (terms []term, lean Lean, doubt float64, err error) {
	doubt = -1
	p.space()
	if p.pos == len(p.runes) {
		return nil, Even, doubt, p.fail(0, "nothing was typed", "type a length such as 268 or 11 1/2")
	}
	if isDash(p.peek()) {
		return nil, Even, doubt, p.fail(p.pos, "a length cannot be negative",
			"leave the minus sign out; put it behind the number for a light reading")
	}
	first, err := p.term(shop, nil)
	if err != nil {
		return nil, Even, doubt, err
	}
	terms = []term{first}
	p.space()
	if first.unit == FT {
		p.joint()
		if isDigit(p.peek()) || fractionOf(p.peek()) != 0 || p.peek() == '.' {
			second, err := p.term(IN, &first)
			if err != nil {
				return nil, Even, doubt, err
			}
			terms = append(terms, second)
		}
	}
	if lean, err = p.lean(); err != nil {
		return nil, Even, doubt, err
	}
	if doubt, err = p.doubt(terms[len(terms)-1].unit); err != nil {
		return nil, Even, doubt, err
	}
	p.space()
	if p.pos < len(p.runes) {
		return nil, Even, doubt, p.left()
	}
	return terms, lean, doubt, nil
}

// joint steps over the hyphen of 4ft-2in and of 4' - 2", but not over the one of
// a light 4ft-.
func (p *parser) joint() {
	if !isDash(p.peek()) {
		return
	}
	from := p.pos
	p.pos++
	p.space()
	if !isDigit(p.peek()) && fractionOf(p.peek()) == 0 {
		p.pos = from
	}
}

// left says what is wrong with what stands behind a complete length.
func (p *parser) left() error {
	r := p.peek()
	switch {
	case r == '/':
		return p.fail(p.pos, "a second stroke", "write a fraction as 3/4")
	case isDash(r):
		return p.fail(p.pos, "a minus sign inside a length", "put it at the very end for a light reading")
	case isDigit(r):
		return p.fail(p.pos, "a second number", "name one length; feet and inches as 4' 2 3/8\"")
	}
	if _, n := unitOf(p.word(), r); n > 0 {
		return p.fail(p.pos, "a second unit that disagrees with the first", "name one unit")
	}
	return p.fail(p.pos, "this is not part of a length", "use mm, cm, m, in, ft, a fraction, + or −")
}
