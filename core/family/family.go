// Package family holds the ways in which a pane is held, as data. A family
// fixes how to size the pane, how to strip and set it, and what to prove.
package family

import (
	"embed"

	"freshshard/core/catalogue"
	"freshshard/core/state"
	"freshshard/core/value"
)

// One file a family, in the order of their numbers.
//
//go:embed data/*.json
var files embed.FS

// Sizing names the rule that turns an opening into a pane size.
type Sizing string

// The sizing rules.
const (
	Clip    Sizing = "clip"    // on a gasket under brackets
	Rebate  Sizing = "rebate"  // in a plain rebate behind putty or a bead
	Channel Sizing = "channel" // top edge in a channel, bottom under a bar
	Pack    Sizing = "pack"    // several panes in one folded frame
	Groove  Sizing = "groove"  // in the groove of a rubber gasket on a flange
	Bonded  Sizing = "bonded"  // on a bead of adhesive on a flange
	Run     Sizing = "run"     // slides in channels, clamped to a carrier
	Ring    Sizing = "ring"    // outer frame and inner ring through a cutout
	Hinge   Sizing = "hinge"   // hinges or a carrier bonded to its edge
	Port    Sizing = "port"    // round, bedded in a body under a ring
	Tube    Sizing = "tube"    // a tube between two sockets
	Track   Sizing = "track"   // lifted into a deep pocket, dropped into a shallow one
	Panel   Sizing = "panel"   // flat, under screws or a gasket frame
)

// Sizings lists the rules.
var Sizings = []Sizing{Clip, Rebate, Channel, Pack, Groove, Bonded, Run, Ring, Hinge, Port, Tube, Track, Panel}

// Station is one of the ten stations that every job passes.
type Station string

// Stations in their order; one may be empty.
var Stations = []Station{"assess", "strip", "measure", "choose", "source", "prepare", "set", "hold", "refit", "prove"}

// Order is the order in which the stations are worked. What is bought by its number or as it is seen is
// bought before the object is opened: that stays shut, and often in use, until the box is here.
func Order(boughtFirst bool) []Station {
	if !boughtFirst {
		return Stations
	}
	return []Station{"assess", "measure", "choose", "source", "strip", "prepare", "set", "hold", "refit", "prove"}
}

// Family is one way in which a pane is held.
type Family struct {
	ID       string   `json:"id"`
	Name     string   `json:"name"`
	Question string   `json:"question" doc:"How take-in asks for it"`
	Held     string   `json:"held"`
	Objects  []string `json:"objects"`
	Seen     string   `json:"seen" doc:"The side that the drawing is seen from"`
	Sizing   Sizing   `json:"sizing" enum:"clip,rebate,channel,pack,groove,bonded,run,ring,hinge,port,tube,track,panel"`
	Carried  string   `json:"carried,omitempty" enum:",holes" doc:"What it hangs on where no edge holds it; read with it"`
	// Seal is what lies at the edge; the section is drawn by it.
	Seal       string   `json:"seal" enum:"gasket,channel,pack,rubber,adhesive,run,butyl,plate,bedding,putty,bead,washer,track,panel,glued-bead,retainer,lugs,holes"`
	Seals      []string `json:"seals" doc:"What it is sealed with"`
	Fixing     string   `json:"fixing" enum:"bracket,bar,nut,bolt,screw,hinge,ring,point,brad,none"`
	Tightening string   `json:"tightening" doc:"The order of tightening, empty when nothing is tightened"`
	Frame      string   `json:"frame" doc:"What the frame usually is"`
	Material   string   `json:"material" doc:"What the pane usually is"`
	Exposure   string   `json:"exposure" doc:"What it usually sees"`
	Limits     Limits   `json:"limits"`
	Maker      bool     `json:"maker,omitempty" doc:"The maker of the appliance sells the pane, too"`
	Facts      []string `json:"facts" doc:"Words that hold for every job of the family"`
	Regrets    []string `json:"regrets"`
	Steps      []Step   `json:"steps"`
	Checks     []Check  `json:"checks"`
}

// Limits are the values that a size is held against, in mm each side. Clearance
// and Bite are what the trade likes. GoesIn and Stays are what it must have: to
// go in, and not to fall or be pushed out. Stays is nil where the bite is the way
// of holding's own figure, that must be had. HotClearance is nil where the family
// has no hot limit of its own. Slides says that nothing fixes the pane's place: its
// bite is what is left when it is pushed to the other side.
type Limits struct {
	Clearance    value.Value  `json:"clearance"`
	HotClearance *value.Value `json:"hot_clearance,omitempty"`
	Bite         value.Value  `json:"bite"`
	GoesIn       value.Value  `json:"goes_in"`
	Stays        *value.Value `json:"stays,omitempty"`
	Outdoors     *value.Value `json:"stays_outdoors,omitempty" doc:"The same where wind pushes it, or a door swings"`
	Slides       bool         `json:"slides,omitempty"`
}

// Load is how hard a step or a check loads what was laid and hardens.
type Load string

// The loads, each behind the clock of its name: what lies on it lightly, what moves it gently, and
// what slams, washes or carries.
const (
	LetGo Load = "let-go"
	Ready Load = "ready"
	Full  Load = "full"
)

// Net is how a step hangs together with the others.
type Net struct {
	Needs []state.State `json:"needs,omitempty" doc:"What must be true before it is done"`
	Makes []state.State `json:"makes,omitempty" doc:"What is true when it is done"`
	Ends  []state.State `json:"ends,omitempty" doc:"What is true no more when it is done"`
	// Loads is how hard it loads what was laid. Hardens says that this hardens here: nobody goes on
	// before it is said what it was.
	Loads   Load `json:"loads,omitempty" enum:",let-go,ready,full"`
	Hardens bool `json:"hardens,omitempty"`
	// Dries is the usual clock that begins where somebody painted here.
	Dries string `json:"dries,omitempty"`
	// Takes are the things that it puts back, by what they are called; Puts the lines of the strip log
	// that it does, by id.
	Takes []string `json:"takes,omitempty"`
	Puts  []string `json:"puts,omitempty"`
}

// Step is one piece of work. What it needs and makes is the order of work: a step waits for those
// before it that make what it needs.
type Step struct {
	Key     string   `json:"key"`
	Station Station  `json:"station"`
	Title   string   `json:"title"`
	Do      string   `json:"do"`
	Why     string   `json:"why"`
	Minutes int      `json:"minutes" doc:"Hands-on"`
	Once    bool     `json:"once,omitempty" doc:"Done once for the object, whichever of its panes"`
	Screws  bool     `json:"screws,omitempty" doc:"The fixings are tightened here, one by one in their order"`
	Hold    bool     `json:"hold,omitempty" doc:"Stop here until it is right"`
	Itself  bool     `json:"itself,omitempty" doc:"Nothing is done here: done as soon as all before it are"`
	May     []string `json:"may,omitempty" doc:"When it is left out; a hold in these cases alone, else by an owner"`
	Net
	OnceWhen   string            `json:"once_when,omitempty" doc:"The fact that makes it once for the object"`
	After      []string          `json:"after,omitempty" doc:"Steps that it waits for; worked out from what it needs"`
	Least      *value.Value      `json:"least,omitempty" doc:"Least wait after its steps, min; the sheet comes first"`
	People     int               `json:"people,omitempty" doc:"How many, when it is always more than one"`
	PeopleWhen map[string]string `json:"people_when,omitempty" doc:"Facts that make it two people's work, with the reason"`
	Cautions   []string          `json:"cautions,omitempty"`
	Figures    []string          `json:"figures,omitempty" doc:"Numbers that belong to the step"`
}

// Check is one proof. Measure is nil when it is a plain yes or no; Optional
// says when it may be left out, and without it nobody but an owner can.
type Check struct {
	Key      string   `json:"key"`
	Once     bool     `json:"once,omitempty" doc:"Proved once for the object"`
	Try      []string `json:"try,omitempty" doc:"What to change, one at a time, when it fails"`
	Text     string   `json:"text"`
	Pass     string   `json:"pass,omitempty"`
	Measure  *Measure `json:"measure,omitempty"`
	Optional string   `json:"optional,omitempty"`
	// Needs is what must be true before it is tried: that the pane is in and fixed where nothing
	// else is said.
	Needs    []state.State `json:"needs,omitempty"`
	Loads    Load          `json:"loads,omitempty" enum:",let-go,ready,full" doc:"How hard it loads what was laid"`
	OnceWhen string        `json:"once_when,omitempty" doc:"The fact that makes it once for the object"`
	After    []string      `json:"after,omitempty" doc:"Steps that it waits for; worked out from what it needs"`
	Does     string        `json:"does,omitempty" doc:"The step that is done when this passes: it is the proof of it"`
	ShownBy  string        `json:"shown_by,omitempty" doc:"The step that, done, passes this: nobody looks twice"`
}

// Measure is the number that a check wants and its limit.
type Measure struct {
	Unit   string      `json:"unit"`
	Sense  string      `json:"sense" enum:"at-least,at-most"`
	Limit  value.Value `json:"limit"`
	Spread int         `json:"spread,omitempty" doc:"The number is the widest less the narrowest of so many places"`
}

// Book lists the ways of holding.
var Book = catalogue.Of(load(), "family", "setting family", func(f Family) string { return f.ID }).Over(Family.with)

func load() []Family {
	names, err := files.ReadDir("data")
	if err != nil {
		panic(err)
	}
	out := make([]Family, 0, len(names))
	for _, n := range names {
		b, err := files.ReadFile("data/" + n.Name())
		if err != nil {
			panic(err)
		}
		out = append(out, catalogue.Must[Family](b, n.Name()))
	}
	return out
}
