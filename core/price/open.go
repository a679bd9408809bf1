package price

import (
	"freshshard/core/money"
	"freshshard/core/value"
	"freshshard/core/working"
)

// open gives each line, and the total, its sum.
func (s *Sheet) open(r Rates) {
	for i := range s.Lines {
		s.Lines[i].Figure = s.Lines[i].figure(r)
	}
	in := cents("n", "without tax", s.Net.Cents, value.Sum())
	tax := working.In("t", "tax, percent", float64(r.Tax)/100, "", value.Custom())
	s.Figure = amount("total", "is what it costs the customer", s.Total.Cents, "{n} + {n} × {t} / 100", in, tax)
	s.Figure.Working.Note = "Each line is rounded to the cent, then the tax of their sum, halves up."
}

func (l Line) figure(r Rates) working.Figure {
	n := float64(l.Milli) / 1000
	custom := value.Custom()
	switch l.Kind {
	case Labour:
		f := amount(l.Key, "for the work", l.Cents, "{m} / 60 × {h}",
			working.In("m", "minutes, all people together, "+l.Why, n, "min", value.Sum()),
			cents("h", "an hour of one person", l.Each, custom))
		f.Working.Note = "The minutes of the book's steps: common practice, no source. Type what it took in their place."
		return f
	case Stuff:
		return amount(l.Key, "for the material", l.Cents, "{n} × ({c} + {c} × {g} / 100)",
			working.In("n", "quantity", n, l.Unit, value.Sum()), cents("c", "cost of one, "+l.Why, l.Cost, value.Read("")),
			working.In("g", "the shop's margin, percent", float64(r.Margin)/100, "", custom))
	case Off, LeastOf:
		return amount(l.Key, "on what stands above", l.Cents, "{c}", cents("c", l.Text, l.Cents, custom))
	}
	return amount(l.Key, "flat", l.Cents, "{n} × {c}", working.In("n", "quantity", n, "", value.Sum()),
		cents("c", "for one", l.Each, custom))
}

// cents is an amount as an input; the fraction is only shown.
func cents(symbol, name string, v int64, from value.Origin) working.Input {
	return working.In(symbol, name, float64(v)/100, "", from)
}

func amount(key, sentence string, v int64, formula string, in ...working.Input) working.Figure {
	return working.Figure{Key: "price_" + key, Value: float64(v) / 100, Text: money.Text(v), Verdict: working.Note,
		Sentence: sentence, Working: working.Of(formula, float64(v)/100, "", in...)}
}
