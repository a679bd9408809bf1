package length

import (
	"math"
	"strconv"
)

// term reads a number and its unit. shop is the unit of a bare number; before
// is the feet that stand in front of inches, if any.
func (p *parser) term(shop Unit, before *term) (term, error) {
	start := p.pos
	t := term{step: 1}
	whole, decimal, err := p.number(&t)
	if err != nil {
		return t, err
	}
	fraction, fractionAt, err := p.fraction(whole, decimal, &t)
	if err != nil {
		return t, err
	}
	if !whole && !fraction {
		return t, p.fail(p.pos, "a number was expected here", "type a length such as 268 or 11 1/2")
	}
	p.space()
	unit, n := unitOf(p.word(), p.peek())
	// Two strokes are the sign of an inch, typed twice.
	if unit == FT && n == 1 && p.pos+1 < len(p.runes) && p.runes[p.pos+1] == p.runes[p.pos] {
		unit, n = IN, 2
	}
	named := n > 0
	p.pos += n
	switch {
	case named && before != nil && unit != IN:
		return t, p.fail(p.pos-n, "two units that disagree", "after feet only inches can follow")
	case named && fraction && !unit.imperial():
		return t, p.fail(fractionAt, "a fraction is always inches", "write a decimal number for "+string(unit))
	case named && fraction && unit == FT:
		return t, p.fail(fractionAt, "a fraction of a foot", "write feet and inches")
	case named:
		t.unit = unit
	case fraction:
		t.unit = IN
	default:
		t.unit = shop
	}
	// 1,250 mm is one and a quarter to some people and twelve hundred and fifty to
	// others; in metres and feet it can only be the first.
	if p.thousands(start) && t.unit != M && t.unit != FT {
		return t, p.fail(start, "this may be a decimal or a thousand",
			"write it without the comma, or with a point for a decimal")
	}
	if before != nil && t.value >= 12 {
		return t, p.fail(start, "12 inches or more after feet", "count them as another foot, or write inches alone")
	}
	if t.unit == FT && !decimal && t.value != math.Trunc(t.value) {
		return t, p.fail(start, "part of a foot", "write feet and inches")
	}
	return t, nil
}

// thousands says whether the number at a place is written with a comma before
// three digits, as a thousand would be.
func (p *parser) thousands(at int) bool {
	n := at
	for n < len(p.runes) && isDigit(p.runes[n]) {
		n++
	}
	if before := n - at; before < 1 || before > 3 || p.runes[at] == '0' || n >= len(p.runes) || p.runes[n] != ',' {
		return false
	}
	end := n + 1
	for end < len(p.runes) && isDigit(p.runes[end]) {
		end++
	}
	return end-n-1 == 3
}

// number reads the whole or decimal part. A comma is the decimal sign too.
func (p *parser) number(t *term) (whole, decimal bool, err error) {
	start, digits := p.pos, 0
	var text []rune
	for p.pos < len(p.runes) {
		r := p.runes[p.pos]
		if isDigit(r) {
			digits++
			text = append(text, r)
			if decimal {
				t.step /= 10
			}
		} else if (r == '.' || r == ',') && !decimal && p.pos+1 < len(p.runes) && isDigit(p.runes[p.pos+1]) {
			decimal = true
			text = append(text, '.')
		} else {
			break
		}
		p.pos++
	}
	if digits == 0 {
		return false, false, nil
	}
	if digits > 12 {
		return false, false, p.fail(start, "far too many digits", "type the reading again")
	}
	// "3/4" begins with digits that belong to the fraction, not to a whole.
	if !decimal && p.peek() == '/' {
		p.pos = start
		return false, false, nil
	}
	v, perr := strconv.ParseFloat(string(text), 64)
	if perr != nil {
		return false, false, p.fail(start, "this number cannot be read", "type the reading again")
	}
	t.value = v
	return true, decimal, nil
}

// fraction reads 3/8 or ⅜, alone or behind a whole number and a space, hyphen
// or nothing at all (11½).
func (p *parser) fraction(whole, decimal bool, t *term) (found bool, at int, err error) {
	save := p.pos
	p.space()
	if whole && isDash(p.peek()) {
		p.pos++
	}
	at = p.pos
	if v := fractionOf(p.peek()); v != 0 {
		p.pos++
		return true, at, p.addFraction(whole, decimal, at, v, fractionStep(v), t)
	}
	num, nd := p.integer()
	if nd == 0 || p.peek() != '/' {
		p.pos = save
		return false, save, nil
	}
	p.pos++
	denAt := p.pos
	den, dd := p.integer()
	switch {
	case dd == 0:
		return false, at, p.fail(denAt, "a number was expected under the stroke", "write a fraction as 3/4")
	case den == 0:
		return false, at, p.fail(denAt, "a fraction cannot have 0 under the stroke", "write 2, 4, 8, 16, 32 or 64 there")
	case nd > 4 || dd > 4:
		return false, at, p.fail(at, "this fraction has too many digits", "type the reading again")
	case whole && num >= den:
		return false, at, p.fail(at, "an improper fraction after a whole number", "add its whole part to the number in front")
	}
	return true, at, p.addFraction(whole, decimal, at, float64(num)/float64(den), 1/float64(den), t)
}

func (p *parser) addFraction(whole, decimal bool, at int, v, step float64, t *term) error {
	if whole && decimal {
		return p.fail(at, "a fraction behind a decimal number", "use the one or the other")
	}
	t.value += v
	t.step = step
	return nil
}

// integer reads digits; n is how many there were.
func (p *parser) integer() (v, n int) {
	for p.pos < len(p.runes) && isDigit(p.runes[p.pos]) {
		if n < 9 {
			v = v*10 + int(p.runes[p.pos]-'0')
		}
		n++
		p.pos++
	}
	return v, n
}

var vulgar = map[rune]float64{
	'⅛': 1.0 / 8, '¼': 1.0 / 4, '⅜': 3.0 / 8, '½': 1.0 / 2,
	'⅝': 5.0 / 8, '¾': 3.0 / 4, '⅞': 7.0 / 8,
}

func fractionOf(r rune) float64 { return vulgar[r] }

// fractionStep is the division that a vulgar fraction names: ¾ names quarters.
func fractionStep(v float64) float64 {
	for _, d := range []float64{2, 4, 8} {
		if v*d == math.Trunc(v*d) {
			return 1 / d
		}
	}
	return 1
}

// unitOf recognises a unit written as a word or a sign; n is how many
// characters it takes.
func unitOf(word string, sign rune) (u Unit, n int) {
	switch sign {
	case '"', '”', '″', '“':
		return IN, 1
	case '\'', '’', '′', '‘':
		return FT, 1
	}
	switch word {
	case "mm", "millimetre", "millimetres", "millimeter", "millimeters":
		return MM, len(word)
	case "cm":
		return CM, 2
	case "m", "metre", "metres", "meter", "meters":
		return M, len(word)
	case "in", "inch", "inches":
		return IN, len(word)
	case "ft", "foot", "feet":
		return FT, len(word)
	}
	return "", 0
}

// lean reads the light or heavy mark at the end.
func (p *parser) lean() (Lean, error) {
	p.space()
	switch r := p.peek(); {
	case r == '+' && !(p.pos+1 < len(p.runes) && p.runes[p.pos+1] == '/'):
		p.pos++
		return Heavy, nil
	case isDash(r) && p.pos+1 == len(p.runes):
		p.pos++
		return Light, nil
	case isDash(r):
		// "11 1/2- in" puts the sign before the unit; the unit was taken as
		// missing, so say where it belongs.
		at := p.pos
		p.pos++
		p.space()
		if p.pos == len(p.runes) || p.peek() == '±' {
			return Light, nil
		}
		p.pos = at
		return Even, p.left()
	}
	w := p.word()
	switch w {
	case "light", "weak", "under", "scant", "bare", "shy":
		p.pos += len(w)
		return Light, nil
	case "heavy", "strong", "over", "full":
		p.pos += len(w)
		return Heavy, nil
	}
	return Even, nil
}

// doubt reads a stated half-width: ±0.5 or +/- 1/32, in the unit of the length.
func (p *parser) doubt(unit Unit) (float64, error) {
	p.space()
	switch {
	case p.peek() == '±':
		p.pos++
	case p.pos+2 < len(p.runes) && p.runes[p.pos] == '+' && p.runes[p.pos+1] == '/' && isDash(p.runes[p.pos+2]):
		p.pos += 3
	default:
		return -1, nil
	}
	p.space()
	if unit == FT {
		unit = IN
	}
	t, err := p.term(unit, nil)
	if err != nil {
		return -1, err
	}
	d := t.value * t.unit.inMM()
	if d > Most {
		return -1, p.fail(0, "a doubt of more than 100 m", "check the unit")
	}
	return d, nil
}
