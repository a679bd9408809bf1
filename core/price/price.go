// Package price reckons what a job costs the customer: labour by station, materials
// with the shop's margin, call-out, disposal, tax; as a range until the object is
// stripped. Money is whole cents; shares are hundredths of a percent; quantities are
// thousandths.
package price

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
	"freshshard/core/money"
	"freshshard/core/working"
)

// Rates are what the shop asks.
type Rates struct {
	Hour     int64 `json:"hour" doc:"An hour of one person, cents"`
	CallOut  int64 `json:"call_out" doc:"For a job at the customer's, cents"`
	Disposal int64 `json:"disposal" doc:"For the broken glass of one pane, or of small ones up to 0.25 m², cents"`
	Least    int64 `json:"least" doc:"No job is done for less, cents before tax"`
	Margin   int   `json:"margin" doc:"On materials, hundredths of a percent"`
	Tax      int   `json:"tax" doc:"Hundredths of a percent, as the law of the place has it"`
	Behind   int   `json:"behind" doc:"Percent by which the work can grow until the object is stripped"`
	Days     int   `json:"days" doc:"How long a quote holds"`
	Terms    int   `json:"terms" doc:"Days within which an invoice is to be paid"`
	Deposit  int   `json:"deposit" doc:"Asked before the work begins, hundredths of a percent of a quote"`
	Version  int   `json:"version"`
}

// Usual are the rates of a shop that set none. Common practice, no source; the tax is
// none until somebody says it.
var Usual = Rates{Hour: 4800, CallOut: 3500, Disposal: 600, Least: 4500, Margin: 2000, Behind: 40, Days: 30,
	Terms: 14}

// Work is one step of the plan, done or to be done.
type Work struct {
	Station string `json:"station" maxLength:"20"`
	Minutes int    `json:"minutes" minimum:"0" maximum:"10000"`
	People  int    `json:"people" minimum:"1" maximum:"4"`
	Left    bool   `json:"left,omitempty" doc:"It was left out"`
}

// Material is one thing that goes into the job, at cost. Where nobody knows its price,
// Known is false.
type Material struct {
	Key   string `json:"key" maxLength:"60"`
	Text  string `json:"text" maxLength:"200"`
	Milli int64  `json:"milli" minimum:"0" maximum:"1000000000" doc:"Thousandths of a piece or metre"`
	Unit  string `json:"unit" enum:"pc,m"`
	Low   int64  `json:"low" minimum:"0" maximum:"100000000" doc:"Cents each, at cost"`
	Each  int64  `json:"each" minimum:"0" maximum:"100000000" doc:"Cents each, at cost, as is likely"`
	High  int64  `json:"high" minimum:"0" maximum:"100000000" doc:"Cents each, at cost"`
	Known bool   `json:"known"`
	Why   string `json:"why,omitempty" maxLength:"200" doc:"Where the price comes from, or who could be asked"`
}

// Own is a line that somebody put in: its price is the customer's.
type Own struct {
	Text  string `json:"text" maxLength:"120"`
	Milli int64  `json:"milli" minimum:"0" maximum:"1000000000" doc:"Thousandths"`
	Each  int64  `json:"each" minimum:"-100000000" maximum:"100000000" doc:"Cents; less than nothing for what comes off"`
}

// Adjust is what a person changed on the price of a job.
type Adjust struct {
	Minutes  map[string]int   `json:"minutes,omitempty" doc:"By station: what it took, all people together"`
	Prices   map[string]int64 `json:"prices,omitempty" doc:"By key of a material: its cost each, cents"`
	Off      []string         `json:"off,omitempty" maxItems:"60" doc:"Keys of lines that are not asked for"`
	Own      []Own            `json:"own,omitempty" maxItems:"40"`
	Discount int              `json:"discount,omitempty" minimum:"0" maximum:"10000" doc:"Hundredths of a percent off"`
	Note     string           `json:"note,omitempty" maxLength:"500" doc:"What the customer should read"`
	Version  int              `json:"version"`
}

// Job is what there is to price.
type Job struct {
	Works     []Work     `json:"works"`
	Materials []Material `json:"materials"`
	Site      bool       `json:"site,omitempty" doc:"The work is at the customer's"`
	Broken    []float64  `json:"broken,omitempty" maxItems:"200" doc:"Broken panes to be rid of, m²; 0 for not known"`
	Stripped  bool       `json:"stripped,omitempty" doc:"What is behind is known"`
	Done      bool       `json:"done,omitempty" doc:"The work is done: nothing of it is open any more"`
	Adjust    Adjust     `json:"adjust"`
}

// The kinds of line, in the order in which they stand.
const (
	Labour   = "labour"
	Stuff    = "material"
	Visit    = "call-out"
	Disposal = "disposal"
	Extra    = "own"
	LeastOf  = "least"
	Off      = "discount"
)

// Line is one line of a price, without tax.
type Line struct {
	Key   string `json:"key"`
	Kind  string `json:"kind" enum:"labour,material,call-out,disposal,own,least,discount"`
	Text  string `json:"text"`
	Milli int64  `json:"milli" doc:"Thousandths of the unit"`
	Unit  string `json:"unit" enum:"min,pc,m,"`
	Each  int64  `json:"each" doc:"Cents for one; of labour for an hour"`
	Cents int64  `json:"cents" doc:"As is likely"`
	Low   int64  `json:"low"`
	High  int64  `json:"high"`
	Cost  int64  `json:"cost,omitempty" doc:"Of a material: cents each before the margin"`
	Open  bool   `json:"open,omitempty" doc:"Nobody knows its price yet"`
	Off   bool   `json:"off,omitempty" doc:"It is not asked for"`
	Why   string `json:"why,omitempty"`

	Figure working.Figure `json:"figure" doc:"The likely amount with its sum"`
}

// Amount is a sum from its least to its most.
type Amount struct {
	Low   int64 `json:"low"`
	Cents int64 `json:"cents"`
	High  int64 `json:"high"`
}

// Sheet is the price of a job.
type Sheet struct {
	Lines []Line   `json:"lines"`
	Net   Amount   `json:"net"`
	Tax   Amount   `json:"tax"`
	Total Amount   `json:"total"`
	Basis int      `json:"basis" doc:"The tax, hundredths of a percent"`
	Open  []string `json:"open" doc:"What has no price yet"`
	Says  string   `json:"says"`

	Figure working.Figure `json:"figure" doc:"The likely total with its sum"`
}

// How far work strays from its planned minutes, percent: once the object is stripped,
// and below. Common practice, no source.
const (
	lessWork = 90
	moreWork = 115
)

// mostWorks is more steps than any job has.
const mostWorks = 5000

// Reckon prices a job. It returns a *fault.Error for what cannot be.
func Reckon(j Job, r Rates) (Sheet, error) {
	out := Sheet{Lines: []Line{}, Basis: r.Tax, Open: []string{}}
	if err := cmp.Or(r.Check(), j.Adjust.Check(), j.areas()); err != nil {
		return out, err
	}
	labour, err := j.labour(r)
	if err != nil {
		return out, err
	}
	out.Lines = append(out.Lines, labour...)
	stuff, err := j.stuff(r)
	if err != nil {
		return out, err
	}
	out.Lines = append(out.Lines, stuff...)
	if j.Site {
		out.Lines = append(out.Lines, one("call-out", Visit, "Call-out", 1, r.CallOut))
	}
	if n := Loads(j.Broken); n > 0 && r.Disposal > 0 {
		out.Lines = append(out.Lines, one("disposal", Disposal, "Disposal of the broken glass", int64(n), r.Disposal))
	}
	for i, o := range j.Adjust.Own {
		c := money.Times(o.Each, o.Milli)
		out.Lines = append(out.Lines, Line{Key: fmt.Sprintf("own-%d", i+1), Kind: Extra, Text: o.Text, Milli: o.Milli,
			Unit: "pc", Each: o.Each, Cents: c, Low: c, High: c})
	}
	for _, l := range out.Lines {
		if max(l.High, l.Cents, -l.Low) > money.Most {
			return out, fault.New("lines."+l.Key, "no line here is that large", "look at its quantity and its price")
		}
	}
	out.sum(j, r)
	out.open(r)
	return out, nil
}

// together is how much broken glass is got rid of together, m². Common practice, no source.
const together = 0.25

// areas refuses glass that no job has.
func (j Job) areas() error {
	if len(j.Broken) > mostBroken {
		return fault.New("broken", fmt.Sprintf("more than %d panes", mostBroken), "price them as several jobs")
	}
	for i, a := range j.Broken {
		if !(a >= 0 && a <= mostArea) {
			return fault.New(fmt.Sprintf("broken[%d]", i), fmt.Sprintf("from 0 to %g m² are expected", mostArea),
				"give square metres; 0 while that is not known")
		}
	}
	return nil
}

// More than any job has: broken panes, and m² of one.
const (
	mostBroken = 200
	mostArea   = 100.0
)

// Loads is how often disposal is asked for: once for each pane, small ones together.
func Loads(areas []float64) int {
	n, small := 0, 0.0
	for _, a := range areas {
		if a <= 0 || a > together {
			n++
		} else {
			small += a
		}
	}
	return n + int(math.Ceil(small/together-1e-9))
}

// one is a line of a flat price.
func one(key, kind, text string, n, each int64) Line {
	return Line{Key: key, Kind: kind, Text: text, Milli: n * 1000, Unit: "pc", Each: each, Cents: n * each, Low: n * each,
		High: n * each}
}

// labour is one line a station, in the order of the steps.
func (j Job) labour(r Rates) ([]Line, error) {
	lines := []Line{}
	for i, w := range j.Works {
		if i >= mostWorks {
			return nil, fault.New("works", fmt.Sprintf("more than %d steps", mostWorks), "leave out what is not in this job")
		}
		if w.Minutes < 0 || w.Minutes > 10_000 || w.People < 1 || w.People > 4 {
			return nil, fault.New(fmt.Sprintf("works[%d].minutes", i), "from 0 to 10 000 minutes of 1 to 4 people are expected",
				"give each step its minutes")
		}
		if w.Left {
			continue
		}
		at := slices.IndexFunc(lines, func(l Line) bool { return l.Key == w.Station })
		if at < 0 {
			at = len(lines)
			lines = append(lines, Line{Key: w.Station, Kind: Labour, Text: w.Station, Unit: "min", Each: r.Hour})
		}
		lines[at].Milli += int64(w.Minutes*w.People) * 1000
	}
	// Minutes at a station of which nothing is planned stand behind the others.
	rest := []string{}
	for s := range j.Adjust.Minutes {
		if !slices.ContainsFunc(lines, func(l Line) bool { return l.Key == s }) {
			rest = append(rest, s)
		}
	}
	slices.Sort(rest)
	for _, s := range rest {
		lines = append(lines, Line{Key: s, Kind: Labour, Text: s, Unit: "min", Each: r.Hour})
	}
	for i := range lines {
		l := &lines[i]
		low, high, why := int64(lessWork), int64(moreWork), "as planned"
		if !j.Stripped {
			high, why = max(int64(100+r.Behind), high), "as planned; what is behind is not known yet"
		}
		if j.Done {
			low, high, why = 100, 100, "of the steps that were done"
		}
		if m, ok := j.Adjust.Minutes[l.Key]; ok {
			l.Milli, low, high, why = int64(m)*1000, 100, 100, "what it took"
		}
		l.Why = why
		hours := func(percent int64) int64 { return money.Over(l.Milli*l.Each*percent, 60*1000*100) }
		l.Cents, l.Low, l.High = hours(100), hours(low), hours(high)
	}
	return slices.DeleteFunc(lines, func(l Line) bool { return l.Milli == 0 }), nil
}

// stuff is one line a material, with the margin on its price for one, as it is printed.
func (j Job) stuff(r Rates) ([]Line, error) {
	lines := []Line{}
	for i, m := range j.Materials {
		if m.Low < 0 || m.Each < m.Low || m.High < m.Each || m.High > money.Most || m.Milli < 0 || m.Milli > 1e9 {
			return nil, fault.New(fmt.Sprintf("materials[%d].each", i), "a price from low to high is expected",
				"give the three in their order")
		}
		if p, ok := j.Adjust.Prices[m.Key]; ok {
			m.Low, m.Each, m.High, m.Known, m.Why = p, p, p, true, "put in by hand"
		}
		asked := func(cents int64) int64 { return cents + money.Part(cents, r.Margin) }
		l := Line{Key: m.Key, Kind: Stuff, Text: m.Text, Milli: m.Milli, Unit: m.Unit, Each: asked(m.Each), Cost: m.Each,
			Open: !m.Known, Why: m.Why}
		l.Cents, l.Low, l.High = money.Times(l.Each, m.Milli), money.Times(asked(m.Low), m.Milli),
			money.Times(asked(m.High), m.Milli)
		lines = append(lines, l)
	}
	return lines, nil
}

// sum adds what is asked for, takes the discount off, brings it up to the least, and
// puts the tax on the whole.
func (s *Sheet) sum(j Job, r Rates) {
	all := func(of func(Line) int64) int64 {
		sum := int64(0)
		for _, l := range s.Lines {
			if !l.Off {
				sum += of(l)
			}
		}
		return sum
	}
	for i := range s.Lines {
		l := &s.Lines[i]
		l.Off = slices.Contains(j.Adjust.Off, l.Key)
		if l.Open && !l.Off {
			s.Open = append(s.Open, l.Text)
		}
	}
	add := func(key, kind, text string, of func(net int64) int64) {
		l := Line{Key: key, Kind: kind, Text: text, Milli: 1000, Off: slices.Contains(j.Adjust.Off, key)}
		l.Low, l.Cents, l.High = of(all(func(l Line) int64 { return l.Low })), of(all(func(l Line) int64 { return l.Cents })),
			of(all(func(l Line) int64 { return l.High }))
		if l.Each = l.Cents; l.Low != 0 || l.Cents != 0 || l.High != 0 {
			s.Lines = append(s.Lines, l)
		}
	}
	add("discount", Off, "Discount of "+Percent(j.Adjust.Discount),
		func(net int64) int64 { return -money.Part(max(0, net), j.Adjust.Discount) })
	if len(s.Lines) > 0 && r.Least > 0 {
		add("least", LeastOf, "Up to the least charge", func(net int64) int64 { return max(0, r.Least-net) })
	}
	s.Net = Amount{all(func(l Line) int64 { return l.Low }), all(func(l Line) int64 { return l.Cents }),
		all(func(l Line) int64 { return l.High })}
	s.Tax = Amount{money.Part(s.Net.Low, r.Tax), money.Part(s.Net.Cents, r.Tax), money.Part(s.Net.High, r.Tax)}
	s.Total = Amount{s.Net.Low + s.Tax.Low, s.Net.Cents + s.Tax.Cents, s.Net.High + s.Tax.High}
	s.Says = s.say(j)
}

// Percent writes hundredths of a percent: 12.5 %.
func Percent(basis int) string {
	switch {
	case basis%100 == 0:
		return fmt.Sprintf("%d %%", basis/100)
	case basis%10 == 0:
		return fmt.Sprintf("%d.%d %%", basis/100, basis%100/10)
	}
	return fmt.Sprintf("%d.%02d %%", basis/100, basis%100)
}

// say is the price in a sentence.
func (s Sheet) say(j Job) string {
	out := "From " + money.Text(s.Total.Low) + " to " + money.Text(s.Total.High) + ", " + money.Text(s.Total.Cents) +
		" is likely"
	if s.Total.Low == s.Total.High {
		out = money.Text(s.Total.Cents)
	}
	if s.Basis > 0 {
		out += ", " + Percent(s.Basis) + " tax in it"
	}
	switch n := len(s.Open); {
	case n == 1:
		return out + ", without " + s.Open[0] + ": it has no price yet."
	case n > 1:
		return out + fmt.Sprintf(", without %d things that have no price yet.", n)
	case !j.Stripped && !j.Done && s.Total.Low != s.Total.High:
		return out + ". It narrows when the object is stripped."
	}
	return out + "."
}
