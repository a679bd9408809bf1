package record

import (
	"time"

	"freshshard/core/bank"
	"freshshard/core/owed"
	"freshshard/core/price"
)

// Postal is where somebody lives or works.
type Postal struct {
	Street   string `json:"street,omitempty" maxLength:"120" doc:"And number"`
	Postcode string `json:"postcode,omitempty" maxLength:"20"`
	City     string `json:"city,omitempty" maxLength:"80"`
	Country  string `json:"country,omitempty" maxLength:"2" doc:"Two letters, ISO 3166-1"`
}

// Letterhead is what stands on every paper of the shop beside its name.
type Letterhead struct {
	Postal    Postal       `json:"postal"`
	Phone     string       `json:"phone,omitempty" maxLength:"40"`
	Mail      string       `json:"mail,omitempty" maxLength:"120"`
	TaxNumber string       `json:"tax_number,omitempty" maxLength:"40"`
	Bank      bank.Account `json:"bank"`
	Currency  string       `json:"currency,omitempty" maxLength:"3" doc:"Three letters, ISO 4217"`
	Version   int          `json:"version"`
}

// Payer is who pays for a job, where that is more than a name and a phone.
type Payer struct {
	Name      string `json:"name,omitempty" maxLength:"120" doc:"Where it is not whose the object is, say an insurer"`
	Postal    Postal `json:"postal"`
	Mail      string `json:"mail,omitempty" maxLength:"120"`
	TaxNumber string `json:"tax_number,omitempty" maxLength:"40"`
	TaxFree   string `json:"tax_free,omitempty" maxLength:"200" doc:"Why no tax is asked of them"`
	Reference string `json:"reference,omitempty" maxLength:"60" doc:"Their own number for it: of a claim, of an order"`
	Version   int    `json:"version"`
}

// Bill is a quote, an invoice or a credit as it was written; it stays as it is.
type Bill struct {
	ID       int64       `json:"id"`
	Job      int64       `json:"job"`
	Number   int64       `json:"number" doc:"Counted by kind, without a gap"`
	Of       int64       `json:"of,omitempty" doc:"The invoice that a credit takes back"`
	OfNumber int64       `json:"of_number,omitempty"`
	Customer string      `json:"customer"`
	Phone    string      `json:"phone,omitempty"`
	Object   string      `json:"object"`
	Agreed   string      `json:"agreed,omitempty" doc:"What was agreed where it is more than was quoted"`
	Until    *time.Time  `json:"until,omitempty" doc:"How long a quote holds"`
	Due      *time.Time  `json:"due,omitempty" doc:"By when an invoice is to be paid"`
	Ahead    int64       `json:"ahead,omitempty" doc:"Of a quote: what is asked before the work begins, cents"`
	Had      int64       `json:"had,omitempty" doc:"Of an invoice: what was paid before it was written, cents"`
	Payer    *Payer      `json:"payer,omitempty" doc:"Who pays, as it was when it was written"`
	From     *Letterhead `json:"from,omitempty" doc:"The shop, as it was when it was written"`
	By       string      `json:"by"`
	At       time.Time   `json:"at"`
	price.Bill
}

// Reply is what a customer said to a quote.
type Reply struct {
	ID        int64      `json:"id"`
	Bill      int64      `json:"bill" doc:"The quote's id"`
	Yes       bool       `json:"yes" doc:"Else a call is asked for"`
	Name      string     `json:"name" maxLength:"120"`
	Words     string     `json:"words,omitempty" maxLength:"500"`
	By        string     `json:"by,omitempty" doc:"Who wrote it down; nobody where it was said on the page"`
	At        time.Time  `json:"at"`
	Withdrawn *time.Time `json:"withdrawn_at,omitempty" doc:"When the shop took it back"`
}

// Owing is a job of which something is open or to be given back.
type Owing struct {
	Job      int64  `json:"job"`
	Object   string `json:"object"`
	Customer string `json:"customer"`
	Phone    string `json:"phone,omitempty"`
	Number   int64  `json:"number" doc:"Of the last invoice; 0 for none"`
	Bill     int64  `json:"bill" doc:"Its id"`
	owed.Account
}

// Received is a payment, with the job that it is of.
type Received struct {
	owed.Payment
	Job      int64  `json:"job"`
	Customer string `json:"customer"`
}

// Supplier is somebody who sells, as the shop knows them. Some answer by themselves, by a file or a call.
type Supplier struct {
	ID      int64  `json:"id"`
	Name    string `json:"name" maxLength:"80"`
	Kind    string `json:"kind" enum:"cutter,maker,parts,post,salvage"`
	Way     string `json:"way" enum:"http,file,person" doc:"How they are asked: person is by telephone or mail"`
	Address string `json:"address,omitempty" maxLength:"200" doc:"http://127.0.0.1:PORT/PATH, or the name of a folder"`
	Phone   string `json:"phone,omitempty" maxLength:"40"`
	Mail    string `json:"mail,omitempty" maxLength:"120"`
	Number  string `json:"number,omitempty" maxLength:"40" doc:"The shop's own number with them"`
	Sells   string `json:"sells,omitempty" maxLength:"200"`
	Terms   string `json:"terms,omitempty" maxLength:"200"`
	Days    int    `json:"days" minimum:"0" maximum:"365" doc:"Within which they usually bring"`
}

// Asks says whether they answer by themselves.
func (s Supplier) Asks() bool { return s.Way != "person" }
