package shop

import (
	"encoding/json"
	"maps"
	"strings"
	"testing"
	"time"

	"freshshard/core/bond"
	"freshshard/core/fault"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/records"
)

// job is one made-up job of Lantern Yard as a technician does it: nothing is
// read that its road does not ask for.
type job struct {
	name     string
	family   string
	exposure string
	road     road.Chosen
	part     road.Part
	readings map[reading.Place]string
	material string
	thick    float64
	headline string // what the order line says, or its beginning
	budget   int    // calls from take-in to the signature
	leaf     bool   // its leaf comes off
	heard    []measure.Heard
	stock    string
}

// square are readings of an opening with its cover.
func square(w, h, cover string) map[reading.Place]string {
	return map[reading.Place]string{reading.WidthTop: w, reading.WidthBottom: w, reading.HeightLeft: h,
		reading.HeightRight: h,
		reading.Ledge:       cover}
}

func with(m map[reading.Place]string, more map[reading.Place]string) map[reading.Place]string {
	maps.Copy(m, more)
	return m
}

var jobs = []job{
	{name: "deck oven, outer pane bought by its number", family: "channel-front", exposure: "oven",
		road: road.Chosen{ID: "part"}, part: road.Part{Number: "71-404", Seen: "plate", Box: []string{"seal"}},
		headline: "Part 71-404, as it comes", budget: 30},
	{name: "tractor's cab, wound door glass as a part", family: "drop-glass", exposure: "weather",
		road: road.Chosen{ID: "part"}, part: road.Part{Seen: "old"}, headline: "The part, as it comes", budget: 32},
	{name: "horse trailer, a window as it comes through its wall", family: "clamp-ring", exposure: "weather",
		road: road.Chosen{ID: "window"}, readings: map[reading.Place]string{reading.WidthTop: "600",
			reading.WidthBottom: "600",
			reading.HeightLeft:  "400", reading.HeightRight: "400", reading.Ledge: "20", reading.BodyWidth: "594",
			reading.BodyHeight: "394", reading.DepthTop: "28", reading.MarkWidth: "630", reading.MarkHeight: "430",
			reading.WallLeast: "25", reading.WallMost: "32"}, headline: "window as it comes", budget: 40},
	{name: "wheelhouse, a framed window in rubber", family: "locking-gasket", exposure: "weather",
		road: road.Chosen{ID: "window"}, part: road.Part{Number: "W 12", Seen: "list"},
		headline: "Part W 12, as it comes", budget: 30},
	{name: "tractor's cab, flip window stuck again", family: "edge-bonded", exposure: "weather",
		road: road.Chosen{ID: "stays", How: "stick", Came: road.Whole}, headline: "The pane stays: stuck again", budget: 30},
	{name: "ferry's wheelhouse, bonded pane stuck again", family: "bonded-fixed", exposure: "weather",
		road: road.Chosen{ID: "stays", How: "stick", Came: road.Whole}, headline: "The pane stays: stuck again", budget: 32},
	{name: "sauna stove, gasket alone", family: "clip-heat", exposure: "fire",
		road: road.Chosen{ID: "stays", How: "seal", Came: road.Unbroken}, headline: "The pane stays: new seal", budget: 30},
	{name: "tram, light in its rubber sealed again", family: "locking-gasket", exposure: "weather",
		road: road.Chosen{ID: "stays", How: "seal", Came: road.Unbroken}, headline: "The pane stays: new seal", budget: 30},
	{name: "sauna stove, brackets nipped after the first fire", family: "clip-heat", exposure: "fire",
		road: road.Chosen{ID: "stays", How: "nip", Came: road.Unbroken}, headline: "The pane stays: fixings nipped",
		budget: 10},
	{name: "café boiler, gauge nipped where it weeps", family: "gauge-tube", exposure: "room",
		road: road.Chosen{ID: "stays", How: "nip", Came: road.Unbroken}, headline: "The pane stays: fixings nipped",
		budget: 12},
	{name: "museum case, a film on a sound pane", family: "bead-brads", exposure: "room",
		road: road.Chosen{ID: "stays", How: "upgrade", Came: road.Unbroken}, headline: "The pane stays: something is added",
		budget: 30},
	{name: "deck oven, inner pane cleaned while it is out", family: "window-pack", exposure: "oven",
		road: road.Chosen{ID: "kept", How: "clean", Came: road.Unbroken}, headline: "Sound: cleaned and put back",
		budget: 25},
	{name: "greenhouse, a starred light watched", family: "putty-points", exposure: "weather",
		road: road.Chosen{ID: "kept", How: "watch", Came: road.Unbroken}, headline: "Sound: left in and watched", budget: 6},
	{name: "greenhouse, a board for the winter", family: "putty-points", exposure: "weather",
		road: road.Chosen{ID: "other", How: "board"}, readings: map[reading.Place]string{reading.WidthTop: "508",
			reading.WidthBottom: "508",
			reading.HeightLeft:  "610", reading.HeightRight: "610", reading.Ledge: "12"}, material: "board", thick: 6.5,
		headline: "501.0 × 603.0 mm, 6.5 mm plywood", budget: 40},
	{name: "incubator, a plate in place of the lamp's pane", family: "flat-panel", exposure: "room",
		road: road.Chosen{ID: "other", How: "plate"}, readings: map[reading.Place]string{reading.WidthTop: "200",
			reading.WidthBottom: "200",
			reading.HeightLeft:  "150", reading.HeightRight: "150", reading.Ledge: "10"}, material: "plate", thick: 2,
		headline: "", budget: 36},
	{name: "museum case, an old pane brought alone as a pattern", family: "bead-brads", exposure: "room",
		road: road.Chosen{ID: "size", How: "pattern"},
		readings: map[reading.Place]string{reading.OldWidth: "374.3", reading.OldHeight: "563.8",
			reading.OldThickness: "3.02"},
		material: "annealed", thick: 3, headline: "374.5 × 564.0", budget: 16},
	{name: "apothecary cabinet, copied from its old pane and hung again", family: "bead-brads", exposure: "room",
		road: road.Chosen{ID: "size", How: "copied"},
		readings: map[reading.Place]string{reading.OldWidth: "374.3", reading.OldHeight: "563.8",
			reading.OldThickness: "3.02"},
		material: "annealed", thick: 3, headline: "374.5 × 564.0", budget: 34},
	{name: "apothecary cabinet, a new pane to size", family: "bead-brads", exposure: "room",
		readings: map[reading.Place]string{reading.WidthTop: "378", reading.WidthBottom: "378", reading.HeightLeft: "567",
			reading.HeightRight: "567",
			reading.Ledge:       "9"}, material: "annealed", thick: 3, headline: "373", budget: 36},
	{name: "horse trailer, bonded folding door", family: "bonded-fixed", exposure: "weather", leaf: true,
		readings: square("500", "350", "25"), material: "polycarbonate", thick: 5, headline: "5 mm polycarbonate",
		budget: 42},
	{name: "wheelhouse, round port", family: "ring-port", exposure: "weather",
		readings: map[reading.Place]string{reading.Across0: "300",
			reading.Across45: "300", reading.Across90: "300", reading.Across135: "300", reading.Ledge: "12"},
		material: "toughened", thick: 8,
		headline: "round, 2", budget: 40},
	{name: "incubator, channel front", family: "channel-front", exposure: "room", readings: square("500", "350", "11"),
		material: "toughened", thick: 4, headline: "4 mm toughened", budget: 38},
	{name: "tram, roped-in screen", family: "locking-gasket", exposure: "weather",
		readings: with(square("500", "700", "10"), map[reading.Place]string{reading.Web: "5"}), material: "laminated",
		thick:    6,
		headline: "6 mm laminated", budget: 40},
	{name: "tractor's cab, rear window in its joined gasket", family: "locking-gasket", exposure: "weather",
		readings: with(square("760", "520", "10"), map[reading.Place]string{reading.Web: "5", reading.JoinedGasket: "2510"}),
		heard:    []measure.Heard{{Kind: "groove", Round: "2512"}, {Kind: "neighbour", Width: "747", Height: "507"}},
		material: "toughened", thick: 5, headline: "5 mm toughened", budget: 42},
	{name: "sauna stove, door pane", family: "clip-heat", exposure: "fire",
		readings: with(square("270", "242", "14"), map[reading.Place]string{reading.Reach: "16"}), material: "glass-ceramic",
		thick:    4,
		headline: "263.5", budget: 40},
	{name: "bakery's deck oven, window pack", family: "window-pack", exposure: "oven", leaf: true,
		readings: square("500", "300", "13"), material: "toughened-coated", thick: 4, headline: "4 mm coated toughened",
		budget: 44},
	{name: "deck oven, inner pane as a part", family: "window-pack", exposure: "oven", road: road.Chosen{ID: "part"},
		part: road.Part{Number: "B 7", Seen: "list"}, headline: "Part B 7, as it comes", budget: 32},
	{name: "tractor's cab, drop glass by two holes", family: "two-holes", exposure: "weather",
		readings: with(square("520", "480", "13"), map[reading.Place]string{reading.HoleAcross: "14", reading.HoleUp: "45",
			reading.HoleSide: "110", reading.HoleApart: "296", reading.BushAcross: "12"}),
		material: "toughened", thick: 5, headline: "two holes 14.0 mm across", budget: 46},
	{name: "deck oven, lamp window under a tabbed retainer, stripped whole", family: "tabbed-retainer", exposure: "oven",
		leaf:     true,
		readings: square("180", "120", "10"), material: "glass-ceramic", thick: 4, headline: "4 mm glass-ceramic",
		budget: 42},
	{name: "café boiler, gauge tube", family: "gauge-tube", exposure: "room",
		readings: map[reading.Place]string{reading.Faces: "250",
			reading.StopDepth: "18", reading.TubeOutside: "12.7", reading.TubeWall: "2.4"}, material: "borosilicate", thick: 2.4,
		headline: "tube, 12.7 mm outside", budget: 36},
	{name: "greenhouse, a light in a stock size", family: "putty-points", exposure: "weather",
		readings: square("616", "463", "13"),
		stock:    "610x457", material: "annealed", thick: 3, headline: "stock size 610.0 × 457.0 mm", budget: 36},
}

// Every kind of work is signed by a technician with what its road asks and
// nothing else: no invented reading, no step left out, no false stop.
func TestEveryRoadIsSigned(t *testing.T) {
	s, _, tor := open(t)
	now := time.Now().UTC()
	s.Now = func() time.Time { return now }
	for _, j := range jobs {
		calls := 0
		did := func(what string, err error) {
			t.Helper()
			if calls++; err != nil {
				t.Fatalf("%s: %s: %v", j.name, what, err)
			}
		}
		id, err := s.Desk.TakeIn(ctx, tor, "",
			desk.TakeIn{Name: "Oda Marl", Object: j.name, Exposure: j.exposure, Family: j.family,
				Road: j.road, Place: "bench", Leaf: j.leaf})
		did("taken in", err)
		v := view1(t, s, id)
		if n := len(v.Reckoning.Fit.Missing); n > 0 && len(j.readings) == 0 {
			t.Errorf("%s: %d readings are asked for", j.name, n)
		}
		if j.road.How == "stick" {
			held := v.Pane.Held
			held.Peel = bond.Peel{Length: 400, Width: 30, Spots: []bond.Spot{bond.Metal, bond.Metal, bond.Torn}}
			did("both faces", s.Desk.SetPane(ctx, tor, jobview.First(id), held, v.Pane.Version))
			v = view1(t, s, id)
			if need := required(v); v.Reckoning.Peeled == nil || len(need) != 1 || need[0].Key != "fix-peel" ||
				!strings.Contains(need[0].Do, "sound metal") {
				t.Errorf("%s: the faces ask for %+v", j.name, need)
			}
			held.Peel.Length = 0
			if err := s.Desk.SetPane(ctx, tor, jobview.First(id), held, v.Pane.Version); fault.Of(err) == nil ||
				fault.Of(err).Field != "peel.length" {
				t.Errorf("%s: a bond without a length: %v", j.name, err)
			}
		}
		if j.part.Noted() {
			if err := s.Bench.Tick(ctx, tor, jobview.First(id), "part-number",
				bench.Done{Outcome: "done"}); fault.Of(err) == nil {
				t.Errorf("%s: the part was ticked before it was noted: %v", j.name, err)
			}
			held := v.Pane.Held
			held.Road.Part = j.part
			did("part noted", s.Desk.SetPane(ctx, tor, jobview.First(id), held, v.Pane.Version))
		}
		for p, text := range j.readings {
			did("read", s.Measure.Read(ctx, tor, jobview.First(id), p, measure.Said{Text: text, Instrument: "rule"}))
		}
		if j.material != "" {
			did("settled", s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: j.material, Thickness: j.thick}))
		}
		if j.heard != nil {
			did("who else says it", s.Measure.SetHeard(ctx, tor, jobview.First(id), j.heard, view1(t, s, id).Pane.Version))
		}
		if v = view1(t, s, id); j.stock != "" {
			if len(v.Reckoning.Stock) == 0 || v.Reckoning.Stock[0].ID != j.stock {
				t.Errorf("%s: offered are %+v", j.name, v.Reckoning.Stock)
			}
			held := v.Pane.Held
			held.Stock = j.stock
			did("stock size", s.Desk.SetPane(ctx, tor, jobview.First(id), held, v.Pane.Version))
		}
		v = view1(t, s, id)
		if b, err := json.Marshal(v); err != nil || strings.Contains(string(b), ":null") {
			at := strings.Index(string(b), ":null")
			t.Errorf("%s: a list that is none, %v near %s", j.name, err, b[max(0, at-60):at+5])
		}
		if !strings.Contains(v.Reckoning.Order, j.headline) {
			t.Errorf("%s: %q", j.name, v.Reckoning.Order)
		}
		for _, st := range v.Reckoning.Plan.Steps {
			if st.Hardens {
				laid(t, s, tor, jobview.First(id))
				now = s.Now()
				s.Now = func() time.Time { return now }
			}
			did("step "+st.Key, s.Bench.Tick(ctx, tor, jobview.First(id), st.Key, bench.Done{Outcome: "done"}))
			now = now.Add(13 * time.Hour)
		}
		for _, c := range view1(t, s, id).Checks {
			did("check "+c.Key, s.Bench.Answer(ctx, tor, jobview.First(id), c.Key, bench.Checked{Answer: good(c)}))
		}
		if h := view1(t, s, id).Hindrances; len(h) > 0 {
			t.Errorf("%s: %+v", j.name, h)
			continue
		}
		_, err = s.Records.Sign(ctx, tor, "", id, records.Signature{})
		did("signed", err)
		v = view1(t, s, id)
		if !v.Job.Signed || v.Reckoning.Road.Name == "" || len(v.Reckoning.Handover) == 0 {
			t.Errorf("%s: signed %v, %+v", j.name, v.Job.Signed, v.Reckoning.Handover)
		}
		if calls > j.budget {
			t.Errorf("%s: %d calls, %d are enough", j.name, calls, j.budget)
		}
	}
}

// good is an answer within the check's limit.
func good(c jobview.CheckView) prove.Answer {
	a := prove.Answer{Outcome: prove.Pass}
	if c.Limit != nil {
		v := c.Limit.Value
		a.Value = &v
	}
	return a
}

// A road can be changed at any time, and what was read and done stays: back on
// the road of a pane made to size the size is there again.
func TestRoadCanBeChanged(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	for p, text := range sized {
		read(t, s, tor, id, p, text)
	}
	if err := s.Bench.Choose(ctx, tor, jobview.First(id),
		bench.Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	order := view1(t, s, id).Reckoning.Order
	to := func(c road.Chosen) jobview.View {
		t.Helper()
		v := view1(t, s, id)
		held := v.Pane.Held
		held.Road = c
		if err := s.Desk.SetPane(ctx, tor, jobview.First(id), held, v.Pane.Version); err != nil {
			t.Fatal(err)
		}
		return view1(t, s, id)
	}
	v := to(road.Chosen{ID: "part", Part: road.Part{Number: "4-4"}})
	if v.Reckoning.Order != "Part 4-4, as it comes" || len(v.Stops) > 0 || len(v.Pane.Readings) != len(sized) {
		t.Errorf("%q, %d readings, %+v", v.Reckoning.Order, len(v.Pane.Readings), v.Stops)
	}
	// Glass that was settled is no board.
	v = to(road.Chosen{ID: "other", How: "plate"})
	seen := v.Pane.Choice.ID
	hinders := ""
	for _, h := range v.Hindrances {
		hinders += h.Kind + " "
	}
	if v.Reckoning.Material.ID != "plate" || !v.Reckoning.Assumed || !strings.Contains(hinders, "choice") {
		t.Errorf("%s, assumed %v, %s", v.Reckoning.Pane, v.Reckoning.Assumed, hinders)
	}
	if err := s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "toughened", Thickness: 4,
		Seen: seen}); fault.Of(err) == nil {
		t.Errorf("glass for a plate: %v", err)
	}
	if v = to(road.Chosen{}); v.Reckoning.Order != order || v.Reckoning.Material.ID != "glass-ceramic" {
		t.Errorf("back: %q, was %q", v.Reckoning.Order, order)
	}
	if err := s.Bench.Choose(ctx, tor, jobview.First(id),
		bench.Settle{Material: "plate", Thickness: 2, Seen: seen}); fault.Of(err) == nil {
		t.Errorf("a plate for a pane: %v", err)
	}
}

// A board where it is too hot is stopped like any pane; so is a broken pane
// that is said to stay.
func TestRoadsRefuse(t *testing.T) {
	s, _, tor := open(t)
	in := stove()
	in.Road = road.Chosen{ID: "stays", How: "seal"}
	if _, err := s.Desk.TakeIn(ctx, tor, "", in); fault.Of(err) == nil || fault.Of(err).Field != "road.came" {
		t.Errorf("a broken pane stays: %v", err)
	}
	in.Road = road.Chosen{ID: "other", How: "board"}
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	for p, text := range sized {
		read(t, s, tor, id, p, text)
	}
	if v := view1(t, s, id); v.Reckoning.Order != "" || v.Reckoning.Withheld == "" {
		t.Errorf("a board in a fire is ordered: %q", v.Reckoning.Order)
	}
	if err := s.Bench.Choose(ctx, tor, jobview.First(id),
		bench.Settle{Material: "board", Thickness: 9}); fault.Of(err) == nil {
		t.Errorf("a board in a fire was settled by a technician without a word: %v", err)
	}
}

// What stood in a document of before is a pane made to size.
func TestOlderReckoningIsWhole(t *testing.T) {
	d := jobview.Signed{Fixed: []jobview.Fixed{{Pane: 1}}}
	r := d.Of(1)
	if !r.Road.Sized || !r.Road.Settled || r.Chain == nil || r.Handover == nil || r.Why.Behind == nil {
		t.Errorf("%+v", r.Road)
	}
	var p record.Pane
	if p.Road.Part.Noted() {
		t.Error("a part that nobody noted")
	}
}

// A road is no way round a stop: a technician cannot change what is to be done so
// that a bite below its limit is no longer asked about; an owner can. What was
// done on the road before stays, and travels.
func TestRoadIsNoWayRoundAStop(t *testing.T) {
	s, mira, tor := open(t)
	id := shallow(t, s, tor)
	if stopsOf(view1(t, s, id)) == "" {
		t.Fatal("nothing is stopped")
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "order", bench.Done{Outcome: "done"}); err != nil {
		t.Fatal(err)
	}
	to := func(by record.Account, c road.Chosen) error {
		v := view1(t, s, id)
		held := v.Pane.Held
		held.Road = c
		return s.Desk.SetPane(ctx, by, jobview.First(id), held, v.Pane.Version)
	}
	for _, c := range []road.Chosen{{ID: "part"}, {ID: "window"}, {ID: "size", How: "pattern"},
		{ID: "kept", How: "watch", Came: road.Unbroken}, {ID: "stays", How: "nip", Came: road.Unbroken}} {
		if f := fault.Of(to(tor, c)); f == nil || f.Field != "road.id" || !strings.Contains(f.Why, "this pane is stopped") {
			t.Errorf("%+v: %v", c, f)
		}
	}
	if err := to(mira, road.Chosen{ID: "part", Part: road.Part{Number: "71-404"}}); err != nil {
		t.Errorf("an owner: %v", err)
	}
	c, err := s.Desk.Carry(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	other, err := s.Desk.Bring(ctx, tor, "carry-a-changed-road", onPaper(t, c))
	if err != nil {
		t.Fatalf("a job whose road was changed does not travel: %v", err)
	}
	if v := view1(t, s, other); v.Reckoning.Order != "Part 71-404, as it comes" ||
		jobview.TickOf(&v.Pane, "order") == nil {
		t.Errorf("%q, %d ticks", v.Reckoning.Order, len(v.Pane.Ticks))
	}
}
