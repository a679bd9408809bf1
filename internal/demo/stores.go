package demo

import (
	"context"
	"fmt"

	"freshshard/internal/record"
	"freshshard/internal/shop"
)

// stock is what lies in Lantern Yard's rack and on its shelves. Made up.
func stock() []record.StockItem {
	sheet := func(material string, t, w, h, n, least float64, cents int64, place string) record.StockItem {
		return record.StockItem{Kind: record.SheetStock, Material: material, Thickness: t, W: w, H: h, Quantity: n,
			Least: least,
			Cents: cents, Place: place, Unit: "pc"}
	}
	offcut := func(material string, t, w, h float64, cents int64, place string) record.StockItem {
		v := sheet(material, t, w, h, 1, 0, cents, place)
		v.Kind = record.OffcutStock
		return v
	}
	shelf := func(kind record.StockKind, name, unit string, n, least float64, cents int64, place string) record.StockItem {
		return record.StockItem{Kind: kind, Name: name, Unit: unit, Quantity: n, Least: least, Cents: cents, Place: place}
	}
	fast := shelf(record.AdhesiveStock, "vehicle urethane, 300 ml", "pc", 5, 4, 1480, "cold shelf")
	fast.Lot, fast.Expires = "U 2214", "2027-03-31"
	silicone := shelf(record.AdhesiveStock, "heat silicone, 310 ml", "pc", 2, 3, 960, "cold shelf")
	silicone.Lot, silicone.Expires = "S 118", "2027-01-15"
	return []record.StockItem{
		sheet("annealed", 3, 1320, 1020, 3, 2, 2150, "rack 1"), sheet("annealed", 4, 2250, 1605, 2, 2, 5230, "rack 2"),
		sheet("annealed", 2, 1200, 900, 1, 0, 1620, "rack 1"), sheet("glass-ceramic", 4, 900, 620, 1, 1, 16800, "rack 3"),
		sheet("glass-ceramic", 5, 900, 620, 2, 1, 19900, "rack 3"), sheet("polycarbonate", 4, 2050, 1250, 1, 1, 7900,
			"rack 4"),
		sheet("board", 6.5, 2440, 1220, 1, 0, 3600, "yard wall"), sheet("cast", 4, 1500, 1200, 1, 0, 6100, "rack 2"),
		offcut("annealed", 3, 640, 480, 380, "offcuts, left"), offcut("annealed", 3, 540, 300, 190, "offcuts, left"),
		offcut("annealed", 4, 700, 410, 420, "offcuts, right"), offcut("glass-ceramic", 5, 320, 240, 2100, "offcuts, right"),
		{Kind: record.TubeStock, Material: "borosilicate", Thickness: 2.4, W: 12.7, H: 1200, Quantity: 4, Least: 2,
			Cents: 1890,
			Unit:  "pc", Place: "tube rack"},
		shelf(record.SealStock, "glass-fibre rope, 8 mm", "m", 14.5, 5, 310, "drawer 3"),
		shelf(record.SealStock, "flat tape, 3 × 10 mm", "m", 3.2, 5, 260, "drawer 3"),
		fast, silicone,
		shelf(record.FastenerStock, "glazier's points, 250 g", "pc", 3, 1, 720, "drawer 1"),
		shelf(record.ConsumableStock, "linseed putty, 2 kg", "pc", 2, 1, 1150, "shelf 2"),
	}
}

// fillStores takes all of it in.
func fillStores(ctx context.Context, s *shop.Shop, by record.Account) error {
	for i, v := range stock() {
		if _, err := s.Stock.AddStock(ctx, by, "", v); err != nil {
			return fmt.Errorf("demo stock %d: %w", i+1, err)
		}
	}
	return nil
}
