package stock

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strconv"
	"strings"
	"time"

	"freshshard/core/catalogue"
	"freshshard/core/cutting"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/usual"
	"freshshard/core/working"
	"freshshard/internal/record"
	"freshshard/internal/standing"
	"freshshard/internal/store"
)

// CutRoom is what waits to be cut, by what can be cut together.
type CutRoom struct {
	Groups []CutGroup `json:"groups"`
}

// CutGroup are the panes that share material and thickness, with the plan that is
// being cut.
type CutGroup struct {
	Material  string           `json:"material"`
	Thickness float64          `json:"thickness" doc:"mm; of tubes their wall"`
	Outside   float64          `json:"outside,omitempty" doc:"Of tubes, mm; nothing for panes from sheets"`
	Called    string           `json:"called"`
	Saw       bool             `json:"saw"`
	Panes     []standing.ToCut `json:"panes" doc:"What waits and is in no open plan"`
	Due       *time.Time       `json:"due,omitempty" doc:"The soonest promise among them"`
	Stock     []Stored         `json:"stock" doc:"Sheets and offcuts of it"`
	Plan      *CutView         `json:"plan,omitempty"`
}

// CutDoc is a plan with what it was made from and how far it is cut.
type CutDoc struct {
	Tubes  bool                      `json:"tubes,omitempty" doc:"Its sheets are tubes, cut across only"`
	Task   cutting.Task              `json:"task"`
	Plan   cutting.Plan              `json:"plan"`
	Made   []cutting.Mark            `json:"made"`
	Panes  map[string]standing.ToCut `json:"panes" doc:"By their names in the plan"`
	Stocks map[string]string         `json:"stocks" doc:"What each sheet is called"`
}

// CutView is a plan as the cut room shows it.
type CutView struct {
	CutDoc
	ID      int64            `json:"id"`
	State   string           `json:"state" enum:"open,done,broken,dropped"`
	Version int              `json:"version"`
	Next    *NextCut         `json:"next,omitempty" doc:"The cut that comes next; nothing when all is cut"`
	Broken  []cutting.Broken `json:"broken" doc:"What the verifier says against it"`
	Figures []working.Figure `json:"figures" doc:"What it is worth, each with its sum"`
}

// NextCut is one cut, for gloved hands.
type NextCut struct {
	Sheet  int          `json:"sheet"`
	Path   string       `json:"path"`
	Number int          `json:"number"`
	Of     int          `json:"of"`
	At     length.Shown `json:"at" doc:"The measure to set"`
	From   string       `json:"from" doc:"Which edge it is measured from"`
	Do     string       `json:"do"`
	Trim   bool         `json:"trim"`
	Gives  []string     `json:"gives" doc:"What comes off, in words"`
	Rest   int          `json:"rest" doc:"Panes in what is left behind it"`
}

func rulesFor(own catalogue.Values, m pane.Material, thickness float64) cutting.Rules {
	keep := usual.Of(own, usual.OffcutSide)
	if m.Cut == "saw" {
		return cutting.Rules{Saw: true, Kerf: usual.Of(own, usual.SawKerf), Keep: keep}
	}
	return cutting.Rules{Least: cutting.LeastStrip(thickness), Keep: keep}
}

// CutRoom lists what waits, the soonest promised first, with the open plans.
func (s *Service) CutRoom(ctx context.Context) (CutRoom, error) {
	out := CutRoom{Groups: []CutGroup{}}
	waiting, err := s.waitingToCut(ctx)
	if err != nil {
		return out, err
	}
	stock, err := s.Store.Stocks.Stock(ctx, false)
	if err != nil {
		return out, err
	}
	plans, err := s.Store.Stocks.OpenPlans(ctx)
	if err != nil {
		return out, err
	}
	unit, err := s.Store.Shops.UnitFor(ctx, 0, 0)
	if err != nil {
		return out, err
	}
	own, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return out, err
	}
	at := func(glass Glass) *CutGroup {
		i := slices.IndexFunc(out.Groups, func(g CutGroup) bool { return g.Glass() == glass })
		if i < 0 {
			out.Groups = append(out.Groups, groupOf(own, glass, stock, s.Stored))
			i = len(out.Groups) - 1
		}
		return &out.Groups[i]
	}
	planned := map[int64]bool{}
	for _, p := range plans {
		v, err := viewPlan(p, unit)
		if err != nil {
			return out, err
		}
		at(Glass{p.Material, p.Thickness, p.Outside}).Plan = &v
		for _, c := range v.Panes {
			planned[c.Pane] = true
		}
	}
	for _, c := range waiting {
		g := at(glassOf(c))
		if !planned[c.Pane] {
			g.Panes = append(g.Panes, c)
		}
		if c.Promised != nil && (g.Due == nil || c.Promised.Before(*g.Due)) {
			g.Due = c.Promised
		}
	}
	slices.SortStableFunc(out.Groups, sooner)
	return out, nil
}

// groupOf is a glass of the cut room with what there is of it, as stored shows it.
func groupOf(own catalogue.Values, glass Glass, stock []record.StockItem,
	stored func(record.StockItem) Stored) CutGroup {
	g := CutGroup{Material: glass.Material, Thickness: glass.Thickness, Outside: glass.Outside, Called: glass.called(),
		Panes: []standing.ToCut{}, Stock: []Stored{}}
	if m, err := pane.Book.ByID(glass.Material); err == nil {
		g.Saw = m.Cut == "saw"
	}
	for _, v := range stock {
		if glass.CutFrom(own, v) {
			g.Stock = append(g.Stock, stored(v))
		}
	}
	return g
}

// sooner puts what is promised first before the rest, and the rest by its name.
func sooner(a, b CutGroup) int {
	switch {
	case a.Due != nil && b.Due != nil:
		return a.Due.Compare(*b.Due)
	case a.Due != nil:
		return -1
	case b.Due != nil:
		return 1
	}
	return strings.Compare(a.Called, b.Called)
}

// CutPlan reads one plan.
func (s *Service) CutPlan(ctx context.Context, id int64) (CutView, error) {
	p, err := s.Store.Stocks.CutPlan(ctx, id)
	if err != nil {
		return CutView{}, err
	}
	unit, err := s.Store.Shops.UnitFor(ctx, 0, 0)
	if err != nil {
		return CutView{}, err
	}
	return viewPlan(p, unit)
}

// viewPlan shows a plan as it is kept.
func viewPlan(p record.CutPlan, unit length.Unit) (CutView, error) {
	v := CutView{ID: p.ID, State: p.State, Version: p.Version}
	if err := json.Unmarshal(p.Doc, &v.CutDoc); err != nil {
		return v, err
	}
	if v.Made == nil {
		v.Made = []cutting.Mark{}
	}
	v.Figures = v.Plan.Figures(v.Task)
	v.Broken = append([]cutting.Broken{}, cutting.Verify(v.Task, v.Plan)...)
	if sheet, c := v.Plan.Next(v.Made); c != nil {
		v.Next = v.next(sheet, c, unit)
	}
	return v, nil
}

// next writes a cut in words.
func (d *CutDoc) next(sheet int, c *cutting.Cut, unit length.Unit) *NextCut {
	n := c.Node
	if d.Tubes {
		return d.nextTube(sheet, c, unit)
	}
	out := &NextCut{Sheet: sheet, Path: c.Path, Number: c.Number, Of: len(d.Plan.Sheets[sheet].Order()),
		At: length.Show(n.At, unit), Trim: n.Trim, Gives: d.gives(n.A), Rest: Held(n.B)}
	out.From, out.Do = "from the lower edge", "score along, snap over the edge of the bench"
	if n.Up {
		out.From, out.Do = "from the left edge", "score away from you, snap over the edge of the bench"
	}
	switch {
	case n.Trim:
		out.Do = "the damaged edge comes off: running pliers"
		if Held(n.A) == 0 && Held(n.B) > 0 {
			out.Gives, out.Rest = []string{"the damaged edge"}, Held(n.B)
		}
	case d.Task.Rules.Saw:
		out.Do = "fence to the measure, the blade's kerf falls behind it"
	}
	return out
}

func Held(n *cutting.Node) int {
	sum := 0
	for _, k := range n.Holds() {
		sum += k
	}
	return sum
}

// gives says what a node comes to.
func (d *CutDoc) gives(n *cutting.Node) []string {
	var out []string
	for id := range n.Holds() {
		c := d.Panes[id]
		name := c.Object
		if c.Name != "" {
			name += ", " + c.Name
		}
		out = append(out, name)
	}
	slices.Sort(out)
	if len(out) == 0 {
		for _, l := range n.Leaves() {
			if l.Kind == cutting.IsOffcut {
				return []string{"an offcut to keep"}
			}
		}
		return []string{"waste"}
	}
	return out
}

// Pin holds a pane to a sheet, or to lie one way.
type Pin struct {
	Piece string      `json:"piece" maxLength:"40"`
	On    string      `json:"on,omitempty" maxLength:"40" doc:"The sheet's name in the plan; empty for any"`
	Lie   cutting.Lie `json:"lie,omitempty" enum:",as-is,turned"`
}

// PlanCuts plans what waits of one glass from what there is of it. A plan of it that
// nobody began is put away.
func (s *Service) PlanCuts(ctx context.Context, by record.Account, glass Glass, pins []Pin) error {
	m, err := pane.Book.ByID(glass.Material)
	if err != nil {
		return err
	}
	waiting, err := s.waitingToCut(ctx)
	if err != nil {
		return err
	}
	waiting = slices.DeleteFunc(waiting, func(c standing.ToCut) bool { return glassOf(c) != glass })
	stock, err := s.Store.Stocks.Stock(ctx, false)
	if err != nil {
		return err
	}
	own, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return err
	}
	stock = slices.DeleteFunc(stock, func(v record.StockItem) bool { return !glass.CutFrom(own, v) })
	doc := CutDoc{Made: []cutting.Mark{}, Panes: map[string]standing.ToCut{}, Stocks: map[string]string{},
		Tubes: glass.Outside > 0}
	for _, v := range stock {
		doc.Stocks[strconv.FormatInt(v.ID, 10)] = Called(v)
	}
	for _, c := range waiting {
		doc.Panes[c.Piece] = c
	}
	switch {
	case len(waiting) == 0:
		return fault.New("material", "nothing of "+glass.called()+" waits to be cut", "look again at what waits")
	case len(stock) == 0 && doc.Tubes:
		return fault.New("stock", "there is no "+glass.called()+" in the stores", "take one in, or order the tube")
	case len(stock) == 0:
		return fault.New("stock", "there is no sheet and no offcut of "+glass.called(),
			"take one into the stores, or order the pane")
	case doc.Tubes:
		err = doc.planTubes(ctx, own, m, glass, waiting, stock, pins)
	default:
		err = doc.planSheets(ctx, own, m, glass, waiting, stock, pins)
	}
	if err != nil {
		return err
	}
	if b := cutting.Verify(doc.Task, doc.Plan); len(b) > 0 {
		return &record.Broken{What: "The cut room made a plan that cannot be cut", Why: fmt.Sprint(b)}
	}
	return s.keepPlan(ctx, by, glass, doc)
}

// planSheets fills the plan of panes from sheets and offcuts.
func (d *CutDoc) planSheets(ctx context.Context, own catalogue.Values, m pane.Material, glass Glass,
	waiting []standing.ToCut,
	stock []record.StockItem, pins []Pin) error {
	d.Task.Rules = rulesFor(own, m, glass.Thickness)
	edgeTrim := usual.Of(own, usual.EdgeTrim)
	for _, v := range stock {
		st := cutting.Stock{ID: strconv.FormatInt(v.ID, 10), W: v.W, H: v.H, Count: int(v.Quantity),
			Cost: float64(v.Cents) / 100, Offcut: v.Kind == record.OffcutStock}
		if !st.Offcut && !d.Task.Rules.Saw {
			st.Trim = cutting.Trim{Left: edgeTrim, Bottom: edgeTrim}
		}
		d.Task.Stock = append(d.Task.Stock, st)
	}
	for i, c := range waiting {
		d.Task.Pieces = append(d.Task.Pieces, cutting.Piece{ID: c.Piece, W: c.W, H: c.H, Turn: c.Turn, Rank: i})
	}
	if err := d.pin(pins); err != nil {
		return err
	}
	var err error
	d.Plan, err = cutting.Solve(ctx, d.Task, cutting.Options{})
	return err
}

// pin lays what a person wants over the pieces.
func (d *CutDoc) pin(pins []Pin) error {
	for i, p := range pins {
		k := slices.IndexFunc(d.Task.Pieces, func(q cutting.Piece) bool { return q.ID == p.Piece })
		if k < 0 {
			return fault.New(fmt.Sprintf("pins[%d].piece", i), "this pane does not wait here", "look again at what waits")
		}
		d.Task.Pieces[k].On, d.Task.Pieces[k].Lie = p.On, p.Lie
	}
	return nil
}

// keepPlan keeps a plan, unless one of the same glass is being cut.
func (s *Service) keepPlan(ctx context.Context, by record.Account, glass Glass, doc CutDoc) error {
	b, err := json.Marshal(doc)
	if err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if err := t.Shops.LockShop(ctx); err != nil {
			return err
		}
		open, err := t.Stocks.OpenPlans(ctx)
		if err != nil {
			return err
		}
		for _, p := range open {
			if glass != (Glass{p.Material, p.Thickness, p.Outside}) {
				continue
			}
			var had CutDoc
			if err := json.Unmarshal(p.Doc, &had); err != nil {
				return err
			}
			if len(had.Made) > 0 {
				return &record.Conflict{Says: "A plan of this glass is being cut. Finish it, or undo its cuts, before another is " +
					"made."}
			}
		}
		_, err = t.Stocks.AddPlan(ctx, record.CutPlan{Material: glass.Material, Thickness: glass.Thickness,
			Outside: glass.Outside,
			Doc:     b,
			At:      s.Now()}, by.ID)
		return err
	})
}
