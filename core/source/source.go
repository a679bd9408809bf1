// Package source ranks the offers for a pane, a part or anything else that a job lacks
// by what each is expected to cost in the end. Money is whole cents.
package source

import (
	"cmp"
	"fmt"
	"slices"

	"freshshard/core/fault"
	"freshshard/core/money"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Kind is where an offer comes from.
type Kind string

// The kinds.
const (
	Own     Kind = "stock"   // out of the own stores
	Cutter  Kind = "cutter"  // cut to size by a glass shop
	Maker   Kind = "maker"   // the maker's own part
	Parts   Kind = "parts"   // a parts house
	Post    Kind = "post"    // cut to size, by post
	Salvage Kind = "salvage" // out of another of the same
)

// Usual is what is usual of a kind while nobody says better.
type Usual struct {
	Kind   Kind   `json:"kind" enum:"stock,cutter,maker,parts,post,salvage"`
	Name   string `json:"name"`
	Days   int    `json:"days"`
	Misfit int    `json:"misfit" doc:"In 100 that it does not fit"`
	Back   bool   `json:"back" doc:"It can go back"`
}

// UsualTerms are what a second visit and a day of waiting cost while nobody says, in
// cents. Common practice, no source.
var UsualTerms = Terms{Visit: 6000, Day: 500}

// Usuals lists the kinds with what is usual. Common practice, no source.
var Usuals = []Usual{
	{Own, "own stores", 0, 3, true}, {Cutter, "cutter", 3, 3, false}, {Maker, "maker's part", 7, 2, true},
	{Parts, "parts house", 4, 8, true}, {Post, "cut to size by post", 5, 10, false}, {Salvage, "salvage", 2, 25, false},
}

// Offer is what somebody asks for it.
type Offer struct {
	ID       int64  `json:"id"`
	Kind     Kind   `json:"kind" enum:"stock,cutter,maker,parts,post,salvage"`
	Who      string `json:"who" maxLength:"80"`
	Price    int64  `json:"price" minimum:"0" maximum:"100000000" doc:"Cents"`
	Carriage int64  `json:"carriage,omitempty" minimum:"0" maximum:"100000000" doc:"Cents"`
	Lacks    string `json:"lacks,omitempty" maxLength:"120" doc:"What is not in the box: seal, clips, pads"`
	Missing  int64  `json:"missing,omitempty" minimum:"0" maximum:"100000000" doc:"What that costs elsewhere, cents"`
	Days     int    `json:"days" minimum:"0" maximum:"365"`
	Misfit   int    `json:"misfit" minimum:"0" maximum:"100" doc:"In 100 that it does not fit"`
	Back     bool   `json:"back" doc:"It can go back, for its price"`
	Mark     bool   `json:"mark" doc:"It has the mark that is needed here"`
}

// Terms are what the job adds.
type Terms struct {
	Visit int64 `json:"visit" minimum:"0" maximum:"100000000" doc:"What a second visit or try costs, cents"`
	Day   int64 `json:"day" minimum:"0" maximum:"100000000" doc:"What each day of waiting costs this job, cents"`
	Mark  bool  `json:"mark" doc:"A mark is asked for here"`
}

// Ranked is an offer with what it is expected to cost.
type Ranked struct {
	Offer
	Expected int64          `json:"expected" doc:"Cents"`
	Low      int64          `json:"low" doc:"Where it fits, cents"`
	High     int64          `json:"high" doc:"Where it does not, and the next one does, cents"`
	Out      string         `json:"out,omitempty" doc:"Why it is not taken, whatever it costs"`
	Figure   working.Figure `json:"figure"`
}

// Ranking is all of them, the cheapest in the end first, what is ruled out last.
type Ranking struct {
	Offers  []Ranked `json:"offers"`
	Says    string   `json:"says"`
	Changes []string `json:"changes" doc:"What would put the second before the first"`
}

// Check refuses an offer that cannot be; errors name its field.
func (o Offer) Check() error {
	if !slices.ContainsFunc(Usuals, func(u Usual) bool { return u.Kind == o.Kind }) {
		return fault.New("kind", "no such source is known", "choose one of the list")
	}
	for _, f := range []struct {
		name string
		v    int64
	}{{"price", o.Price}, {"carriage", o.Carriage}, {"missing", o.Missing}} {
		if f.v < 0 || f.v > 1e8 {
			return fault.New(f.name, "a price from 0 up is expected", "type it as 12.50")
		}
	}
	switch {
	case o.Days < 0 || o.Days > 365:
		return fault.New("days", "from 0 to 365 days are expected", "count the days until it is here")
	case o.Misfit < 0 || o.Misfit > 100:
		return fault.New("misfit", "from 0 to 100 in 100 are expected", "say how many of a hundred would not fit")
	}
	return nil
}

// lost is what a misfit costs beside the days: what does not come back, and another
// visit.
func (o Offer) lost(t Terms) int64 {
	if o.Back {
		return o.Carriage + t.Visit
	}
	return o.Price + o.Carriage + t.Visit
}

// sure is what it costs where it fits.
func (o Offer) sure(t Terms) int64 { return o.Price + o.Carriage + o.Missing + int64(o.Days)*t.Day }

// Expected is price + carriage + what is not in the box + chance of misfit × (what does
// not come back + a second visit) + days × what a day costs, to the cent, halves up.
// Common practice, no source.
func (o Offer) Expected(t Terms) int64 { return o.sure(t) + (int64(o.Misfit)*o.lost(t)+50)/100 }

// Rank ranks offers. It returns a *fault.Error that names offers[n] and its field.
func Rank(offers []Offer, t Terms) (Ranking, error) {
	out := Ranking{Offers: []Ranked{}, Changes: []string{}}
	for i, o := range offers {
		if err := o.Check(); err != nil {
			f := fault.Of(err)
			return out, fault.New(fmt.Sprintf("offers[%d].%s", i, f.Field), f.Why, f.Cure)
		}
		r := Ranked{Offer: o, Expected: o.Expected(t), Low: o.sure(t), High: o.sure(t) + o.lost(t) + int64(o.Days)*t.Day}
		if t.Mark && !o.Mark {
			r.Out = "it does not have the mark that is needed here"
		}
		r.Figure = o.figure(t, r.Expected)
		out.Offers = append(out.Offers, r)
	}
	slices.SortStableFunc(out.Offers, func(a, b Ranked) int {
		return cmp.Or(cmp.Compare(len(a.Out), len(b.Out)), cmp.Compare(a.Expected, b.Expected), cmp.Compare(a.Days, b.Days))
	})
	out.say(t)
	return out, nil
}

// figure is the expected cost with its sum.
func (o Offer) figure(t Terms, e int64) working.Figure {
	in := func(symbol, name string, cents int64) working.Input {
		return working.In(symbol, name, float64(cents)/100, "", value.Read(""))
	}
	return working.Figure{Key: "expected_cost", Value: float64(e) / 100, Text: money.Text(e), Verdict: working.Note,
		Sentence: "is the expected total cost",
		Working: working.Of("{p} + {c} + {m} + {q} / 100 × {l} + {d} × {t}", float64(e)/100, "", in("p", "price", o.Price),
			in("c", "carriage", o.Carriage), in("m", "what is not in the box", o.Missing),
			working.In("q", "in 100 that it does not fit", float64(o.Misfit), "", value.Custom()),
			in("l", "what does not come back then, and a second visit", o.lost(t)),
			working.In("d", "days until it is here", float64(o.Days), "", value.Read("")),
			in("t", "what a day of waiting costs this job", t.Day))}
}

// askThree is from how many offers on nothing more is said. A spread of two to one for
// the same pane is common. Common practice, no source.
const askThree = 3

// say says which is first, by how much, and what would change that.
func (r *Ranking) say(t Terms) {
	good := slices.DeleteFunc(slices.Clone(r.Offers), func(o Ranked) bool { return o.Out != "" })
	switch {
	case len(r.Offers) == 0:
		r.Says = "Nobody was asked yet. The same pane can cost twice as much elsewhere: ask three."
		return
	case len(good) == 0:
		r.Says = "None of them can be taken: " + r.Offers[0].Out + "."
		return
	}
	first := good[0]
	r.Says = fmt.Sprintf("%s is the cheapest in the end: %s expected.", first.Called(), money.Text(first.Expected))
	if len(r.Offers) < askThree {
		r.Says += " The same pane can cost twice as much elsewhere: ask three."
	}
	if len(good) < 2 {
		return
	}
	second := good[1]
	gap := second.Expected - first.Expected
	r.Says += fmt.Sprintf(" %s would cost %s more.", second.Called(), money.Text(gap))
	r.Changes = changes(first.Offer, second.Offer, t, gap)
}

// Called is who asks: by name, or by the kind of source.
func (o Offer) Called() string {
	if o.Who != "" {
		return o.Who
	}
	i := slices.IndexFunc(Usuals, func(u Usual) bool { return u.Kind == o.Kind })
	return Usuals[i].Name
}

// changes are the ways in which the second would come first, each alone.
func changes(first, second Offer, t Terms, gap int64) []string {
	out := []string{}
	if gap < second.Price {
		out = append(out, fmt.Sprintf("%s asks %s less", second.Called(), money.Text(gap+1)))
	}
	if d := int64(first.Days - second.Days); d > 0 {
		out = append(out, fmt.Sprintf("a day of waiting costs %s or more", money.Text(t.Day+gap/d+1)))
	} else if d < 0 && t.Day+gap/d-1 >= 0 {
		out = append(out, fmt.Sprintf("a day of waiting costs %s or less", money.Text(t.Day+gap/d-1)))
	}
	if l := first.lost(t); l > 0 {
		if q := first.Misfit + int(gap*100/l) + 1; q <= 100 {
			out = append(out, fmt.Sprintf("%s does not fit %d times in 100", first.Called(), q))
		}
	}
	return out
}
