package record

import "time"

// StockKind is what sort of thing lies in the stores.
type StockKind string

// The kinds. Sheets and offcuts are cut in the cut room.
const (
	SheetStock      StockKind = "sheet"
	OffcutStock     StockKind = "offcut"
	TubeStock       StockKind = "tube"
	SealStock       StockKind = "seal"
	AdhesiveStock   StockKind = "adhesive"
	FastenerStock   StockKind = "fastener"
	ConsumableStock StockKind = "consumable"
)

// StockKinds lists them in the order in which a screen offers them.
var StockKinds = []StockKind{SheetStock, OffcutStock, TubeStock, SealStock, AdhesiveStock, FastenerStock,
	ConsumableStock}

// StockItem is one thing in the stores, all of one sort, in one place. Money is in
// cents; the quantity is in pieces or metres.
type StockItem struct {
	ID        int64     `json:"id"`
	Kind      StockKind `json:"kind" enum:"sheet,offcut,tube,seal,adhesive,fastener,consumable"`
	Name      string    `json:"name" maxLength:"120"`
	Material  string    `json:"material,omitempty" maxLength:"40" doc:"Of a sheet, offcut or tube, as the Book names it"`
	Thickness float64   `json:"thickness,omitempty" minimum:"0" maximum:"100" doc:"Of a tube its wall, mm"`
	W         float64   `json:"w,omitempty" minimum:"0" maximum:"10000" doc:"Width of a sheet, outside of a tube, mm"`
	H         float64   `json:"h,omitempty" minimum:"0" maximum:"10000" doc:"Height of a sheet, length of a tube, mm"`
	Unit      string    `json:"unit" enum:"pc,m"`
	Quantity  float64   `json:"quantity" minimum:"0" maximum:"1000000" doc:"Pieces or metres, to a thousandth"`
	Least     float64   `json:"least,omitempty" minimum:"0" maximum:"1000000" doc:"Below this it is on the list to buy"`
	Cents     int64     `json:"cents,omitempty" minimum:"0" maximum:"100000000" doc:"Price of a piece or metre, in cents"`
	Place     string    `json:"place,omitempty" maxLength:"60"`
	Lot       string    `json:"lot,omitempty" maxLength:"60"`
	Expires   string    `json:"expires,omitempty" maxLength:"10" doc:"2027-03-31; empty for never"`
	Version   int       `json:"version"`
}

// StockMove is one movement of it.
type StockMove struct {
	ID    int64     `json:"id"`
	Delta float64   `json:"delta"`
	Why   string    `json:"why"`
	Job   int64     `json:"job,omitempty"`
	By    string    `json:"by"`
	At    time.Time `json:"at"`
}

// CutPlan is a plan of the cut room as it is kept: its document is the shop's.
type CutPlan struct {
	ID        int64
	Material  string
	Thickness float64
	Outside   float64 // of tubes, mm; 0 for sheets
	State     string
	Doc       []byte
	Version   int
	At        time.Time
}
