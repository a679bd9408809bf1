package exchange

import (
	"encoding/xml"
	"fmt"
	"io"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/core/price"
	"freshshard/internal/record"
)

// The names of UBL 2.1 (OASIS, ISO/IEC 19845) and of the European invoice in it (EN 16931-1), from
// memory; checked in a test against a schema that others wrote.
const (
	ublRoot = "urn:oasis:names:specification:ubl:schema:xsd:"
	ublCore = "urn:cen.eu:en16931:2017"
)

type ublAmount struct {
	Currency string `xml:"currencyID,attr"`
	Text     string `xml:",chardata"`
}

type ublQuantity struct {
	Unit string `xml:"unitCode,attr"`
	Text string `xml:",chardata"`
}

type ublAddress struct {
	Street  string `xml:"cbc:StreetName,omitempty"`
	City    string `xml:"cbc:CityName,omitempty"`
	Zone    string `xml:"cbc:PostalZone,omitempty"`
	Country string `xml:"cac:Country>cbc:IdentificationCode"`
}

type ublScheme struct {
	Company string `xml:"cbc:CompanyID"`
	Scheme  string `xml:"cac:TaxScheme>cbc:ID"`
}

type ublContact struct {
	Name  string `xml:"cbc:Name,omitempty"`
	Phone string `xml:"cbc:Telephone,omitempty"`
	Mail  string `xml:"cbc:ElectronicMail,omitempty"`
}

type ublParty struct {
	Address ublAddress  `xml:"cac:PostalAddress"`
	Tax     *ublScheme  `xml:"cac:PartyTaxScheme"`
	Name    string      `xml:"cac:PartyLegalEntity>cbc:RegistrationName"`
	Contact *ublContact `xml:"cac:Contact"`
}

type ublNumbered struct {
	ID string `xml:"cbc:ID"`
}

type ublBack struct {
	Of ublNumbered `xml:"cac:InvoiceDocumentReference"`
}

type ublMeans struct {
	Code string       `xml:"cbc:PaymentMeansCode"`
	ID   string       `xml:"cbc:PaymentID"`
	IBAN string       `xml:"cac:PayeeFinancialAccount>cbc:ID"`
	Name string       `xml:"cac:PayeeFinancialAccount>cbc:Name,omitempty"`
	BIC  *ublNumbered `xml:"cac:PayeeFinancialAccount>cac:FinancialInstitutionBranch"`
}

type ublCategory struct {
	ID      string `xml:"cbc:ID"`
	Percent string `xml:"cbc:Percent"`
	Reason  string `xml:"cbc:TaxExemptionReason,omitempty"`
	Scheme  string `xml:"cac:TaxScheme>cbc:ID"`
}

type ublTax struct {
	Amount   ublAmount   `xml:"cbc:TaxAmount"`
	Taxable  ublAmount   `xml:"cac:TaxSubtotal>cbc:TaxableAmount"`
	Of       ublAmount   `xml:"cac:TaxSubtotal>cbc:TaxAmount"`
	Category ublCategory `xml:"cac:TaxSubtotal>cac:TaxCategory"`
}

type ublTotal struct {
	Lines     ublAmount  `xml:"cbc:LineExtensionAmount"`
	Exclusive ublAmount  `xml:"cbc:TaxExclusiveAmount"`
	Inclusive ublAmount  `xml:"cbc:TaxInclusiveAmount"`
	Prepaid   *ublAmount `xml:"cbc:PrepaidAmount"`
	Payable   ublAmount  `xml:"cbc:PayableAmount"`
}

type ublLine struct {
	ID       int          `xml:"cbc:ID"`
	Invoiced *ublQuantity `xml:"cbc:InvoicedQuantity"`
	Credited *ublQuantity `xml:"cbc:CreditedQuantity"`
	Amount   ublAmount    `xml:"cbc:LineExtensionAmount"`
	Name     string       `xml:"cac:Item>cbc:Name"`
	Category ublCategory  `xml:"cac:Item>cac:ClassifiedTaxCategory"`
	Price    ublAmount    `xml:"cac:Price>cbc:PriceAmount"`
	Base     ublQuantity  `xml:"cac:Price>cbc:BaseQuantity"`
}

type ublSpaces struct {
	Aggregate string `xml:"xmlns:cac,attr"`
	Basic     string `xml:"xmlns:cbc,attr"`
}

type ublInvoice struct {
	XMLName xml.Name
	Space   string `xml:"xmlns,attr"`
	ublSpaces
	Customization string    `xml:"cbc:CustomizationID"`
	ID            int64     `xml:"cbc:ID"`
	Day           string    `xml:"cbc:IssueDate"`
	Due           string    `xml:"cbc:DueDate,omitempty"`
	Code          string    `xml:"cbc:InvoiceTypeCode,omitempty"`
	CreditCode    string    `xml:"cbc:CreditNoteTypeCode,omitempty"`
	Note          string    `xml:"cbc:Note,omitempty"`
	Currency      string    `xml:"cbc:DocumentCurrencyCode"`
	Reference     string    `xml:"cbc:BuyerReference"`
	TakesBack     *ublBack  `xml:"cac:BillingReference"`
	Supplier      ublParty  `xml:"cac:AccountingSupplierParty>cac:Party"`
	Customer      ublParty  `xml:"cac:AccountingCustomerParty>cac:Party"`
	Means         *ublMeans `xml:"cac:PaymentMeans"`
	Tax           ublTax    `xml:"cac:TaxTotal"`
	Total         ublTotal  `xml:"cac:LegalMonetaryTotal"`
	InvoiceLines  []ublLine `xml:"cac:InvoiceLine"`
	CreditLines   []ublLine `xml:"cac:CreditNoteLine"`
}

// UBL writes an invoice or a credit for the programs of bookkeepers and payers: UBL 2.1 as EN 16931
// uses it. It returns a *fault.Error that names what the shop has not said yet. Who pays lives in
// the shop's country while nobody said another.
func UBL(w io.Writer, s record.Shop, b record.Bill, zone *time.Location) error {
	if b.Kind == price.Quote {
		return fault.New("kind", "a quote has no such form", "take an invoice or a credit")
	}
	if b.From == nil || b.From.Currency == "" || b.From.Postal.Country == "" {
		return fault.New("letterhead", "the currency and the country of the shop are not said", "say them at Shop")
	}
	e := ubl{b: b, sign: 1}
	if b.Kind == price.Credit {
		e.sign = -1
	}
	v := e.head(s, zone)
	e.sums(&v)
	for i, l := range b.Lines {
		k := e.line(i+1, l)
		if b.Kind == price.Credit {
			k.Invoiced, k.Credited = nil, k.Invoiced
			v.CreditLines = append(v.CreditLines, k)
		} else {
			v.InvoiceLines = append(v.InvoiceLines, k)
		}
	}
	if _, err := io.WriteString(w, xml.Header); err != nil {
		return err
	}
	x := xml.NewEncoder(w)
	x.Indent("", " ")
	return x.Encode(v)
}

// ubl is a paper on its way into the form: what a credit takes back stands above nothing in it.
type ubl struct {
	b    record.Bill
	sign int64
}

func (e ubl) amount(cents int64) ublAmount { return ublAmount{e.b.From.Currency, plainMoney(cents)} }

// head is who writes to whom, when, and how it is paid.
func (e ubl) head(s record.Shop, zone *time.Location) ublInvoice {
	b := e.b
	v := ublInvoice{XMLName: xml.Name{Local: "Invoice"}, Space: ublRoot + "Invoice-2",
		ublSpaces:     ublSpaces{ublRoot + "CommonAggregateComponents-2", ublRoot + "CommonBasicComponents-2"},
		Customization: ublCore, ID: b.Number, Day: b.At.In(zone).Format(time.DateOnly), Code: "380", Note: b.Note,
		Currency: b.From.Currency, Reference: fmt.Sprintf("Job %d", b.Job), Supplier: ublShop(s, b.From),
		Customer: ublPayer(b)}
	if b.OfNumber > 0 {
		v.TakesBack = &ublBack{ublNumbered{fmt.Sprint(b.OfNumber)}}
	}
	if b.Payer != nil && b.Payer.Reference != "" {
		v.Reference = b.Payer.Reference
	}
	if b.Kind == price.Credit {
		v.XMLName.Local, v.Space, v.Code, v.CreditCode = "CreditNote", ublRoot+"CreditNote-2", "", "381"
		return v
	}
	if b.Due != nil {
		v.Due = b.Due.In(zone).Format(time.DateOnly)
	}
	if to := b.From.Bank; to.IBAN != "" {
		v.Means = &ublMeans{Code: "30", ID: fmt.Sprintf("Invoice %d", b.Number), IBAN: to.IBAN, Name: to.Holder}
		if b.From.Currency == "EUR" {
			v.Means.Code = "58" // a SEPA credit transfer
		}
		if to.BIC != "" {
			v.Means.BIC = &ublNumbered{to.BIC}
		}
	}
	return v
}

// category is the kind of tax: as it is, or none.
func (e ubl) category() ublCategory {
	c := ublCategory{ID: "S", Percent: strings.TrimSuffix(price.Percent(e.b.Basis), " %"), Scheme: "VAT"}
	if e.b.Basis == 0 {
		c.ID = "E"
	}
	return c
}

func (e ubl) sums(v *ublInvoice) {
	b, of := e.b, e.category()
	if b.Basis == 0 {
		of.Reason = "no tax is charged"
		if b.Payer != nil && b.Payer.TaxFree != "" {
			of.Reason = b.Payer.TaxFree
		}
	}
	net, tax, total := e.sign*b.Net, e.sign*b.Tax, e.sign*b.Total
	v.Tax = ublTax{Amount: e.amount(tax), Taxable: e.amount(net), Of: e.amount(tax), Category: of}
	v.Total = ublTotal{Lines: e.amount(net), Exclusive: e.amount(net), Inclusive: e.amount(total),
		Payable: e.amount(total - b.Had)}
	if b.Had > 0 {
		had := e.amount(b.Had)
		v.Total.Prepaid = &had
	}
}

// ublUnits are the units of a line (UNECE recommendation 20): minutes, metres, pieces.
var ublUnits = map[string]string{"min": "MIN", "m": "MTR"}

// ublLineOf is a line: what it is, times its price, which is never less than nothing.
func (e ubl) line(n int, l price.Billed) ublLine {
	unit, milli, each, base := "H87", l.Milli, l.Each, "1"
	if u, ok := ublUnits[l.Unit]; ok {
		unit = u
	}
	if l.Unit == "min" {
		base = "60" // its price is for an hour
	}
	if milli == 0 { // of a paper that was written before it was kept
		unit, milli, each, base = "H87", 1000, l.Cents*e.sign, "1"
	}
	cents := l.Cents * e.sign
	each = max(each, -each)
	if cents < 0 {
		milli = -milli
	}
	return ublLine{ID: n, Invoiced: &ublQuantity{unit, thousandths(milli)}, Amount: e.amount(cents), Name: l.Text,
		Category: e.category(), Price: e.amount(each), Base: ublQuantity{unit, base}}
}

// thousandths writes thousandths as other programs read them: -1.25.
func thousandths(milli int64) string {
	sign := ""
	if milli < 0 {
		sign, milli = "-", -milli
	}
	s := fmt.Sprintf("%d.%03d", milli/1000, milli%1000)
	return sign + strings.TrimSuffix(strings.TrimRight(s, "0"), ".")
}

func ublShop(s record.Shop, l *record.Letterhead) ublParty {
	p := ublParty{Name: s.Name, Address: ublPlace(l.Postal, ""), Tax: ublNumber(l.TaxNumber),
		Contact: ublReach(s.Name, l.Phone, l.Mail)}
	if p.Address.City == "" {
		p.Address.City = s.Town
	}
	return p
}

func ublPayer(b record.Bill) ublParty {
	home := b.From.Postal.Country
	if b.Payer == nil {
		return ublParty{Name: b.Customer, Address: ublPlace(record.Postal{}, home),
			Contact: ublReach(b.Customer, b.Phone, "")}
	}
	p := ublParty{Name: b.Customer, Address: ublPlace(b.Payer.Postal, home), Tax: ublNumber(b.Payer.TaxNumber)}
	phone := b.Phone
	if b.Payer.Name != "" {
		p.Name, phone = b.Payer.Name, ""
	}
	p.Contact = ublReach(p.Name, phone, b.Payer.Mail)
	return p
}

func ublPlace(p record.Postal, home string) ublAddress {
	if p.Country != "" {
		home = p.Country
	}
	return ublAddress{Street: p.Street, City: p.City, Zone: p.Postcode, Country: home}
}

// ublNumber is a tax number: one that begins with a country is for value added tax.
func ublNumber(number string) *ublScheme {
	number = strings.Join(strings.Fields(number), "")
	if number == "" {
		return nil
	}
	scheme := "TAX"
	if len(number) > 2 && strings.Trim(number[:2], "ABCDEFGHIJKLMNOPQRSTUVWXYZ") == "" {
		scheme = "VAT"
	}
	return &ublScheme{Company: number, Scheme: scheme}
}

func ublReach(name, phone, mail string) *ublContact {
	if phone == "" && mail == "" {
		return nil
	}
	return &ublContact{Name: name, Phone: phone, Mail: mail}
}
