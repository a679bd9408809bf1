package stock

import (
	"context"
	"fmt"
	"math"
	"slices"
	"time"

	"freshshard/core/cure"
	"freshshard/core/fault"
	"freshshard/core/pane"
	"freshshard/internal/change"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Stores are what the shop has, with what is low or past its day.
type Stores struct {
	Items []Stored `json:"items"`
	Low   int      `json:"low" doc:"How many are below what is to be there"`
}

// Stored is one thing in the stores.
type Stored struct {
	record.StockItem
	Low    bool   `json:"low" doc:"Less is there than should be"`
	Past   bool   `json:"past" doc:"Its day is over"`
	Called string `json:"called" doc:"What it is and its size, in words"`
	// An opened tube is not counted among the quantity any more.
	Opened *time.Time `json:"opened_since,omitempty" doc:"When the one that is open was opened; nothing when none is"`
	OpenTo *time.Time `json:"open_until,omitempty" doc:"Until when it is used"`
	Spent  bool       `json:"spent,omitempty" doc:"The open one is spent: it is thrown away"`
}

// Stores lists what is there, what is to be bought first.
func (s *Service) Stores(ctx context.Context) (Stores, error) {
	out := Stores{Items: []Stored{}}
	all, err := s.Store.Stocks.Stock(ctx, true)
	if err != nil {
		return out, err
	}
	opened, err := s.Store.Cures.TubesOpened(ctx)
	if err != nil {
		return out, err
	}
	for _, v := range all {
		k := s.Stored(v)
		at, open := opened[v.ID]
		if v.Quantity == 0 && v.Least == 0 && !(open && s.Now().Sub(at) < spentShown) {
			continue
		}
		if open {
			to := at.Add(cure.Session)
			k.Opened, k.OpenTo, k.Spent = &at, &to, !s.Now().Before(to)
		}
		if k.Low {
			out.Low++
		}
		out.Items = append(out.Items, k)
	}
	slices.SortStableFunc(out.Items, func(a, b Stored) int {
		switch {
		case a.Low && !b.Low:
			return -1
		case b.Low && !a.Low:
			return 1
		}
		return slices.Index(record.StockKinds, a.Kind) - slices.Index(record.StockKinds, b.Kind)
	})
	return out, nil
}

// spentShown is how long the last tube of its kind is shown after it was opened, so that
// somebody throws it away.
const spentShown = 7 * 24 * time.Hour

// StockItem is one thing in the stores.
func (s *Service) StockItem(ctx context.Context, id int64) (Stored, error) {
	v, err := s.Store.Stocks.StockItem(ctx, id)
	return s.Stored(v), err
}

func (s *Service) Stored(v record.StockItem) Stored {
	k := Stored{StockItem: v, Low: v.Quantity < v.Least, Called: Called(v)}
	if d, err := time.Parse(time.DateOnly, v.Expires); err == nil {
		k.Past = s.Now().After(d.AddDate(0, 0, 1))
	}
	return k
}

// Called is what it is, in words: 4 mm annealed glass, 2250 × 1605.
func Called(v record.StockItem) string {
	out := v.Name
	if m, err := pane.Book.ByID(v.Material); err == nil && out == "" {
		out = fmt.Sprintf("%g mm %s", v.Thickness, m.Short)
	}
	switch v.Kind {
	case record.SheetStock, record.OffcutStock:
		out += fmt.Sprintf(", %g × %g mm", v.W, v.H)
	case record.TubeStock:
		out += fmt.Sprintf(", %g mm outside, %g mm long", v.W, v.H)
	}
	return out
}

// checkStock refuses what cannot lie in a rack.
func checkStock(v record.StockItem) (record.StockItem, error) {
	var err error
	for _, f := range []struct {
		name string
		text *string
		most int
	}{{"name", &v.Name, 120}, {"place", &v.Place, 60}, {"lot", &v.Lot, 60}} {
		if *f.text, err = typed.Text(f.name, *f.text, f.most, false); err != nil {
			return v, err
		}
	}
	if !slices.Contains(record.StockKinds, v.Kind) {
		return v, fault.New("kind", "no such kind is kept", "choose one of the list")
	}
	glass := v.Kind == record.SheetStock || v.Kind == record.OffcutStock || v.Kind == record.TubeStock
	switch {
	case glass && (v.Material == "" || v.Thickness <= 0):
		return v, fault.New("material", "a sheet or tube is of some material and thickness", "choose both")
	case glass && (v.W < 1 || v.H < 1):
		return v, fault.New("w", "a sheet or tube has a size", "type both sides, in mm")
	case !glass && v.Name == "":
		return v, fault.New("name", "this is empty", "say what it is")
	case v.Unit != "pc" && v.Unit != "m":
		return v, fault.New("unit", "things are counted in pieces or in metres", "choose one of the two")
	case v.Quantity != math.Round(v.Quantity*1000)/1000:
		return v, fault.New("quantity", "more than three places behind the point", "round it")
	}
	if glass {
		if _, err := pane.Book.ByID(v.Material); err != nil {
			return v, fault.New("material", fmt.Sprintf("no material is called %q", v.Material), "choose one of the Book")
		}
		v.Unit = "pc"
	}
	if v.Expires != "" {
		if _, err := time.Parse(time.DateOnly, v.Expires); err != nil {
			return v, fault.New("expires", fmt.Sprintf("%q is no day", v.Expires), "write it as 2027-03-31")
		}
	}
	return v, nil
}

// AddStock takes something into the stores; a retry with the same key takes it once.
func (s *Service) AddStock(ctx context.Context, by record.Account, key string, v record.StockItem) (int64, error) {
	v, err := checkStock(v)
	if err != nil {
		return 0, err
	}
	return s.Create(ctx, by, key, "stock", v,
		func(t *store.Tx) (int64, error) { return s.bringIn(ctx, t, by, v, "taken in") })
}

// WrongAt is what is wrong with one of several items, from 0.
type WrongAt struct {
	At  int
	Err *fault.Error
}

// AddStocks takes several things in, or none where one of them is wrong; a retry with
// the same key takes them once.
func (s *Service) AddStocks(ctx context.Context, by record.Account, key string, all []record.StockItem) (*WrongAt,
	error) {
	if len(all) == 0 {
		return nil, fault.New("file", "there is no row in it", "choose a file with one row an item")
	}
	for i := range all {
		var err error
		if all[i], err = checkStock(all[i]); err != nil {
			if f := fault.Of(err); f != nil {
				return &WrongAt{i, f}, nil
			}
			return nil, err
		}
	}
	_, err := s.Create(ctx, by, key, "stock file", all, func(t *store.Tx) (int64, error) {
		for _, v := range all {
			if _, err := s.bringIn(ctx, t, by, v, "from a file"); err != nil {
				return 0, err
			}
		}
		return int64(len(all)), nil
	})
	return nil, err
}

// bringIn writes an item with how much of it is there.
func (s *Service) bringIn(ctx context.Context, t *store.Tx, by record.Account, v record.StockItem, why string) (int64,
	error) {
	id, err := t.Stocks.AddStock(ctx, v)
	if err != nil {
		return 0, err
	}
	if v.Quantity > 0 {
		if _, err = t.Stocks.Move(ctx, id, v.Quantity, why, 0, by.ID, s.Now()); err != nil {
			return 0, err
		}
	}
	v.ID = id
	return id, t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "stock", Item: fmt.Sprint(id),
		Action: "added",
		Said:   why + ": " + Called(v), After: v})
}

// SetStock changes what is said of something; how much there is changes by moving it.
func (s *Service) SetStock(ctx context.Context, by record.Account, v record.StockItem) error {
	v, err := checkStock(v)
	if err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		was, err := t.Stocks.StockItem(ctx, v.ID)
		if err != nil {
			return err
		}
		found, err := t.Stocks.SetStock(ctx, v)
		if err == nil && !found {
			return change.Stale("this in the stores")
		}
		if err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "stock", Item: fmt.Sprint(v.ID),
			Action: "changed",
			Said:   Called(v) + ": changed", Before: was, After: v})
	})
}

// Moved is how much of something came or went, and why.
type Moved struct {
	Delta float64 `json:"delta" doc:"What came; less than nothing for what went"`
	Why   string  `json:"why,omitempty" maxLength:"200"`
	Job   int64   `json:"job,omitempty" minimum:"0"`
}

// MoveStock books a movement; a retry with the same key books it once. What would leave
// less than nothing is refused.
func (s *Service) MoveStock(ctx context.Context, by record.Account, key string, item int64, in Moved) error {
	var err error
	if in.Why, err = typed.Text("why", in.Why, 200, false); err != nil {
		return err
	}
	if in.Delta == 0 || math.Abs(in.Delta) > 1e6 || in.Delta != math.Round(in.Delta*1000)/1000 {
		return fault.New("delta", "a quantity other than 0, with three places at most, is expected",
			"type how much came or went")
	}
	request := struct {
		Item int64
		In   Moved
	}{item, in}
	lock := func(t *store.Tx) error { return t.Stocks.LockStock(ctx, item) }
	_, err = s.CreateBehind(ctx, by, key, "move", request, lock, func(t *store.Tx) (int64, error) {
		v, err := t.Stocks.StockItem(ctx, item)
		if err != nil {
			return 0, err
		}
		if in.Job != 0 {
			if _, err := t.Jobs.Job(ctx, in.Job); err != nil {
				return 0, err
			}
		}
		found, err := t.Stocks.Move(ctx, item, in.Delta, in.Why, in.Job, by.ID, s.Now())
		if err == nil && !found {
			err = fault.New("delta", fmt.Sprintf("only %g %s of it are there", v.Quantity, v.Unit),
				"count it again, or take less")
		}
		return item, err
	})
	return err
}

// StockMoves lists the last movements of something, newest first.
func (s *Service) StockMoves(ctx context.Context, item int64) ([]record.StockMove, error) {
	if _, err := s.Store.Stocks.StockItem(ctx, item); err != nil {
		return nil, err
	}
	return s.Store.Stocks.Moves(ctx, item, 100)
}
