package record

import (
	"time"

	"freshshard/core/price"
)

// Bill is a quote, an invoice or a credit as it was written; it stays as it is.
type Bill struct {
	ID       int64      `json:"id"`
	Job      int64      `json:"job"`
	Number   int64      `json:"number" doc:"Counted by kind, without a gap"`
	Of       int64      `json:"of,omitempty" doc:"The invoice that a credit takes back"`
	OfNumber int64      `json:"of_number,omitempty"`
	Customer string     `json:"customer"`
	Phone    string     `json:"phone,omitempty"`
	Object   string     `json:"object"`
	Agreed   string     `json:"agreed,omitempty" doc:"What was agreed where it is more than was quoted"`
	Until    *time.Time `json:"until,omitempty" doc:"How long a quote holds"`
	By       string     `json:"by"`
	At       time.Time  `json:"at"`
	price.Bill
}

// Supplier is somebody who answers what is asked of them by a file or a call.
type Supplier struct {
	ID      int64  `json:"id"`
	Name    string `json:"name" maxLength:"80"`
	Kind    string `json:"kind" enum:"cutter,maker,parts,post,salvage"`
	Way     string `json:"way" enum:"http,file"`
	Address string `json:"address" maxLength:"200" doc:"http://127.0.0.1:PORT/PATH, or the name of a folder"`
}
