package supply

import (
	"strings"
	"testing"

	"freshshard/core/fault"
)

func two() Order {
	return Order{State: Sent, Carriage: 500,
		Lines: []Line{{Key: "pane", Text: "a pane", Milli: 1000, Unit: "pc", Each: 6400},
			{Key: "rope", Text: "rope", Milli: 2500, Unit: "m", Each: 399}}}
}

func TestMove(t *testing.T) {
	all := []State{ToSend, Sent, Confirmed, Back, Here, Dropped}
	may := map[State]string{ToSend: "sent dropped", Sent: "confirmed dropped", Confirmed: "confirmed dropped",
		Back: "confirmed dropped", Here: "", Dropped: ""}
	for _, from := range all {
		for _, to := range all {
			o := Order{State: from}
			err := o.Move(to)
			want := strings.Contains(" "+may[from]+" ", " "+string(to)+" ")
			if (err == nil) != want || want && o.State != to || !want && o.State != from {
				t.Errorf("from %s to %s: %v, %s", from, to, err, o.State)
			}
			if err != nil && (fault.Of(err).Field != "state" || strings.Contains(err.Error(), "  ")) {
				t.Errorf("%v", err)
			}
		}
	}
	for s, out := range map[State]bool{ToSend: false, Sent: true, Confirmed: true, Back: true, Here: false,
		Dropped: false} {
		if (Order{State: s}).Out() != out {
			t.Errorf("%s", s)
		}
	}
}

// 64.00 + 2.5 × 3.99, 9.975 and so 9.98, + 5.00.
func TestCents(t *testing.T) {
	if got := two().Cents(); got != 6400+998+500 {
		t.Error(got)
	}
}

func TestArrive(t *testing.T) {
	for _, c := range []struct {
		name   string
		order  func(*Order)
		found  []Seen
		state  State
		says   string
		refuse string
	}{
		{"all of it good in one answer", nil, nil, Here, "here", ""},
		{"one goes back", nil, []Seen{{"pane", Wrong, "3 mm too wide"}}, Back, "it goes back", ""},
		{"not in the box", nil, []Seen{{"rope", Missing, ""}}, Back, "not all of it came", ""},
		{"both", nil, []Seen{{"pane", Wrong, "chipped"}, {"rope", Missing, ""}}, Back,
			"something goes back, and not all of it came", ""},
		{"the second try is right", func(o *Order) { o.State, o.Lines[0].Found, o.Lines[0].Finding = Back, Wrong, "chipped" },
			nil,
			Here, "here", ""},
		{"found later", func(o *Order) { o.State, o.Lines[0].Found, o.Lines[1].Found = Here, Good, Good },
			[]Seen{{"pane", Wrong, "a chip under the label"}}, Back, "it goes back", ""},
		{"good, though with a word", nil, []Seen{{"pane", Good, "1 mm wide, laid in: goes"}}, Here, "here", ""},
		{"wrong without a word", nil, []Seen{{"pane", Wrong, " "}}, Sent, "", "lines[0].finding"},
		{"not on it", nil, []Seen{{"pane", Good, ""}, {"clips", Good, ""}}, Sent, "", "lines[1].key"},
		{"no such word", nil, []Seen{{"pane", "odd", ""}}, Sent, "", "lines[0].found"},
		{"never sent", func(o *Order) { o.State = ToSend }, nil, ToSend, "", "state"},
		{"cancelled", func(o *Order) { o.State = Dropped }, nil, Dropped, "", "state"},
		{"confirmed", func(o *Order) { o.State = Confirmed }, nil, Here, "here", ""},
	} {
		o := two()
		if c.order != nil {
			c.order(&o)
		}
		was := o.Lines[0]
		err := o.Arrive(c.found)
		if c.refuse != "" {
			if f := fault.Of(err); f == nil || f.Field != c.refuse || o.State != c.state || o.Lines[0] != was {
				t.Errorf("%s: %v, %+v", c.name, err, o)
			}
			continue
		}
		if err != nil || o.State != c.state || o.Say() != c.says {
			t.Errorf("%s: %v, %s, %q", c.name, err, o.State, o.Say())
		}
		for _, l := range o.Lines {
			if l.Found == Unseen || o.State == Here && (l.Found != Good || c.found == nil && l.Finding != "") {
				t.Errorf("%s: %+v", c.name, l)
			}
		}
	}
}

func TestOrderRefuses(t *testing.T) {
	for _, c := range []struct {
		field  string
		change func(*Order)
	}{
		{"", func(*Order) {}}, {"lines", func(o *Order) { o.Lines = nil }},
		{"carriage", func(o *Order) { o.Carriage = -1 }}, {"carriage", func(o *Order) { o.Carriage = 1e8 + 1 }},
		{"", func(o *Order) { o.Carriage = 1e8 }}, {"lines[1].text", func(o *Order) { o.Lines[1].Text = " " }},
		{"lines[0].milli", func(o *Order) { o.Lines[0].Milli = 0 }}, {"", func(o *Order) { o.Lines[0].Milli = 1 }},
		{"lines[0].milli", func(o *Order) { o.Lines[0].Milli = 1e9 + 1 }},
		{"lines[0].each", func(o *Order) { o.Lines[0].Each = -1 }}, {"", func(o *Order) { o.Lines[0].Each = 0 }},
		{"", func(o *Order) { o.Carriage = 0 }}, {"", func(o *Order) { o.Lines[0].Milli = 1e9 }},
		{"", func(o *Order) { o.Lines[0].Each = 1e8 }}, {"lines[0].each", func(o *Order) { o.Lines[0].Each = 1e8 + 1 }},
		{"lines[1].key", func(o *Order) { o.Lines[1].Key = "pane" }},
	} {
		o := two()
		c.change(&o)
		err := o.Check()
		if f := fault.Of(err); (f == nil) != (c.field == "") || f != nil && f.Field != c.field {
			t.Errorf("want %q, got %v", c.field, err)
		}
	}
}

// What came and is good is paid for, whatever became of its order; what went back is not as soon as
// another order brings it; what is typed is nobody else's.
func TestCounts(t *testing.T) {
	order := func(id int64, state State, key string, found Found) Order {
		return Order{ID: id, State: state, Lines: []Line{{Key: key, Text: key, Milli: 1000, Found: found}}}
	}
	for _, c := range []struct {
		name  string
		o     Order
		other []Order
		want  bool
	}{
		{"to be sent", order(1, ToSend, "pane-1", Unseen), nil, true},
		{"cancelled", order(1, Dropped, "pane-1", Unseen), nil, false},
		{"here and good", order(1, Here, "pane-1", Good), nil, true},
		{"good, and the rest was cancelled", order(1, Dropped, "pane-1", Good), nil, true},
		{"went back, and comes again", order(1, Back, "pane-1", Wrong), nil, true},
		{"went back, and another brings it", order(1, Back, "pane-1", Wrong),
			[]Order{order(2, Sent, "pane-1", Unseen)}, false},
		{"went back, and another brought it", order(1, Back, "pane-1", Wrong),
			[]Order{order(2, Here, "pane-1", Good)}, false},
		{"went back, and the other was cancelled", order(1, Back, "pane-1", Wrong),
			[]Order{order(2, Dropped, "pane-1", Unseen)}, true},
		{"went back, and that of the other too", order(1, Back, "pane-1", Wrong),
			[]Order{order(2, Back, "pane-1", Wrong)}, true},
		{"was missing, and another brings it", order(1, Back, "pane-1", Missing),
			[]Order{order(2, Sent, "pane-1", Unseen)}, false},
		{"went back, and another brings something else", order(1, Back, "pane-1", Wrong),
			[]Order{order(2, Sent, "pane-2", Unseen)}, true},
		{"went back, cancelled", order(1, Dropped, "pane-1", Wrong), nil, false},
		{"typed", order(1, Back, "own-1", Wrong), []Order{order(2, Sent, "own-1", Unseen)}, true},
	} {
		if got := c.o.Counts(c.o.Lines[0], append(c.other, c.o)); got != c.want {
			t.Errorf("%s: %v", c.name, got)
		}
	}
}
