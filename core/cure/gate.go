package cure

import (
	"fmt"
	"time"

	"freshshard/core/fault"
	"freshshard/core/setting"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Opening is what is known before a tube is opened.
type Opening struct {
	Adhesive string    `json:"adhesive" maxLength:"40"`
	C        float64   `json:"c" minimum:"-40" maximum:"60" doc:"Air, °C"`
	RH       float64   `json:"rh" minimum:"1" maximum:"100" doc:"%"`
	Surface  float64   `json:"surface" minimum:"-60" maximum:"100" doc:"Glass and flange, °C"`
	Expires  time.Time `json:"expires,omitzero" doc:"Of the tube, the end of that day"`
	Opened   time.Time `json:"opened,omitzero" doc:"When the tube was opened"`
	Now      time.Time `json:"now"`
}

// Session is how long an opened tube of moisture cure is good: one tube, one session.
// Common practice, no source.
const Session = 24 * time.Hour

// Gates hold the bench against the sheet before the bead is opened: the air, the surface,
// the dew, the tube. It returns a *fault.Error for what cannot be.
func Gates(o Opening) ([]working.Figure, error) {
	a, err := Book.ByID(o.Adhesive)
	if err != nil {
		return nil, err
	}
	if !(o.C >= -40 && o.C <= 60) || !(o.RH >= 1 && o.RH <= 100) {
		return nil, fault.New("air", "an air from −40 to 60 °C with 1 to 100 % is expected",
			"read it again, out of the sun")
	}
	if o.Now.IsZero() && !(o.Expires.IsZero() && o.Opened.IsZero()) {
		return nil, fault.New("now", "a tube's day is held against a moment, and none is given", "say when it is opened")
	}
	sheet := value.Sheet(Sheet)
	least := working.Figure{Key: "cure_cold", Value: min(o.C, o.Surface), Unit: "°C",
		Limit:    working.Least(a.Least, "°C", sheet),
		Sentence: fmt.Sprintf("is the coldest of air and surface, for %s", a.Name),
		Working: working.Of("min({T}, {S})", min(o.C, o.Surface), "°C", working.In("T", "air", o.C, "°C", value.Read("")),
			working.In("S", "surface", o.Surface, "°C", value.Read("")))}
	most := working.Figure{Key: "cure_hot", Value: max(o.C, o.Surface), Unit: "°C",
		Limit:    working.Most(a.Most, "°C", sheet),
		Sentence: fmt.Sprintf("is the hottest of air and surface, for %s", a.Name),
		Working: working.Of("max({T}, {S})", max(o.C, o.Surface), "°C", working.In("T", "air", o.C, "°C", value.Read("")),
			working.In("S", "surface", o.Surface, "°C", value.Read("")))}
	out := []working.Figure{least.Judge(working.Stop), most.Judge(working.Stop)}
	for i := range out {
		out[i].Text = working.Num(out[i].Value, 1) + " °C"
	}
	damp, err := setting.Damp{Air: &o.C, Humidity: o.RH, Surface: &o.Surface}.Figures()
	if err != nil {
		return nil, err
	}
	for _, f := range damp {
		if f.Key == "dew_margin" {
			f.Text = working.Num(f.Value, 1) + " K"
			out = append(out, f)
		}
	}
	return append(out, a.tube(o)...), nil
}

// tube holds the tube against its day and against when it was opened.
func (a Adhesive) tube(o Opening) []working.Figure {
	out := []working.Figure{}
	hours := func(key, says string, left time.Duration, why string) {
		f := working.Figure{Key: key, Value: left.Hours(), Unit: "h", Sentence: says,
			Limit: working.Least(0, "h", value.Custom()),
			Text:  span(int(max(0, left.Minutes()))), Working: working.Of("{e} − {n}", left.Hours(), "h",
				working.In("e", why, left.Hours(), "h", value.Own("the tube")), working.In("n", "now", 0, "h", value.Read("")))}
		out = append(out, f.Judge(working.Stop))
	}
	if !o.Expires.IsZero() {
		hours("cure_expires", "is what is left until the tube's own day", o.Expires.Sub(o.Now), "hours to the end of its day")
	}
	if !o.Opened.IsZero() && (a.Kind == Moisture || a.Kind == Table) {
		hours("cure_opened", "is what is left of the tube's one session", Session-o.Now.Sub(o.Opened),
			"a day from when it was opened")
	}
	return out
}
