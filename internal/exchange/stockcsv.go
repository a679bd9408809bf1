package exchange

import (
	"bytes"
	"encoding/binary"
	"encoding/csv"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"
	"unicode/utf16"
	"unicode/utf8"

	"freshshard/core/fault"
	"freshshard/internal/record"
)

// stockColumns are the columns of a stores file, in the order in which they are written.
var stockColumns = []string{"kind", "name", "material", "thickness", "w", "h", "unit", "quantity", "least", "price",
	"place",
	"lot", "expires"}

// needed are the columns without which a row says nothing.
var needed = []string{"kind", "quantity"}

// mostRows is more than any rack holds.
const mostRows = 2000

// WriteStock writes what is in the stores as CSV: UTF-8, commas, a header row, lengths
// in mm, prices with a point.
func WriteStock(w io.Writer, items []record.StockItem) error {
	c := csv.NewWriter(w)
	if err := c.Write(stockColumns); err != nil {
		return err
	}
	num := func(v float64) string {
		if v == 0 {
			return ""
		}
		return strconv.FormatFloat(v, 'f', -1, 64)
	}
	for _, i := range items {
		price := ""
		if i.Cents > 0 {
			price = fmt.Sprintf("%d.%02d", i.Cents/100, i.Cents%100)
		}
		if err := c.Write([]string{string(i.Kind), guarded(i.Name), i.Material, num(i.Thickness), num(i.W), num(i.H), i.Unit,
			strconv.FormatFloat(i.Quantity, 'f', -1, 64), num(i.Least), price, guarded(i.Place), guarded(i.Lot),
			i.Expires}); err != nil {
			return err
		}
	}
	c.Flush()
	return c.Error()
}

// guarded keeps a text from being taken for a formula by a spreadsheet (OWASP, CSV
// injection; from memory).
func guarded(s string) string {
	if s != "" && strings.ContainsRune("=+-@\t\r", rune(s[0])) {
		return "'" + s
	}
	return s
}

// RowError is what is wrong with a row of a file. Row counts lines of it, the header
// first.
type RowError struct {
	Row   int    `json:"row"`
	Field string `json:"field"`
	Why   string `json:"why"`
	Cure  string `json:"cure"`
}

// ReadStock reads a stores file. A file that is none is a *fault.Error; what is wrong
// with single rows is told row by row, and nothing of them is in the items.
func ReadStock(file []byte) ([]record.StockItem, []RowError, error) {
	text, err := asText(file)
	if err != nil {
		return nil, nil, err
	}
	c := csv.NewReader(strings.NewReader(text))
	c.Comma, c.FieldsPerRecord, c.TrimLeadingSpace, c.LazyQuotes = separator(text), -1, true, false
	head, err := c.Read()
	if err != nil {
		return nil, nil, fault.New("file", "there is no row in it", "choose a file with a header row and one row an item")
	}
	at := map[string]int{}
	for i, h := range head {
		at[strings.ToLower(strings.TrimSpace(h))] = i
	}
	for _, n := range needed {
		if _, ok := at[n]; !ok {
			return nil, nil, fault.New("file", fmt.Sprintf("the column %q is missing", n),
				"name the columns in the first row: "+strings.Join(stockColumns, ", "))
		}
	}
	for h := range at {
		if h != "" && !slices.Contains(stockColumns, h) {
			return nil, nil, fault.New("file", fmt.Sprintf("no column is called %q", h),
				"name the columns in the first row: "+strings.Join(stockColumns, ", "))
		}
	}
	items, wrong := []record.StockItem{}, []RowError{}
	for row := 2; ; row++ {
		cells, err := c.Read()
		if err == io.EOF {
			return items, wrong, nil
		}
		if row > mostRows+1 {
			return nil, nil, fault.New("file", fmt.Sprintf("more than %d rows", mostRows), "bring it in in parts")
		}
		if err != nil {
			wrong = append(wrong, RowError{row, "row", "its quotes do not close", "mend it in the file"})
			continue
		}
		item, bad := readRow(row, func(name string) string {
			if i, ok := at[name]; ok && i < len(cells) {
				return strings.TrimPrefix(strings.TrimSpace(cells[i]), "'")
			}
			return ""
		})
		if len(bad) > 0 {
			wrong = append(wrong, bad...)
			continue
		}
		items = append(items, item)
	}
}

func readRow(row int, cell func(string) string) (record.StockItem, []RowError) {
	var wrong []RowError
	num := func(name string) float64 {
		t := strings.Replace(cell(name), ",", ".", 1)
		if t == "" {
			return 0
		}
		v, err := strconv.ParseFloat(t, 64)
		if err != nil || !(v >= 0 && v <= 1e6) {
			wrong = append(wrong, RowError{row, name, fmt.Sprintf("%q is no number from 0 up", cell(name)),
				"type it with a point"})
			return 0
		}
		return v
	}
	v := record.StockItem{Kind: record.StockKind(strings.ToLower(cell("kind"))), Name: cell("name"),
		Material:  cell("material"),
		Thickness: num("thickness"), W: num("w"), H: num("h"), Unit: cell("unit"), Quantity: num("quantity"),
		Least: num("least"),
		Place: cell("place"), Lot: cell("lot"), Expires: cell("expires")}
	if v.Unit == "" {
		v.Unit = "pc"
	}
	cents, ok := centsOf(cell("price"))
	if !ok {
		wrong = append(wrong, RowError{row, "price", fmt.Sprintf("%q is no price", cell("price")), "write it as 12.50"})
	}
	v.Cents = cents
	return v, wrong
}

// centsOf reads 12.5 as 1250, by its digits: money is never a binary fraction.
func centsOf(text string) (int64, bool) {
	if text == "" {
		return 0, true
	}
	whole, part, _ := strings.Cut(strings.Replace(text, ",", ".", 1), ".")
	if len(part) > 2 || len(whole) > 7 {
		return 0, false
	}
	n, err := strconv.ParseUint(whole+part+"00"[:2-len(part)], 10, 63)
	return int64(n), err == nil
}

// asText takes the encodings that spreadsheets write: UTF-8 with or without its mark,
// and UTF-16 with one.
func asText(b []byte) (string, error) {
	switch {
	case bytes.HasPrefix(b, []byte{0xEF, 0xBB, 0xBF}):
		b = b[3:]
	case bytes.HasPrefix(b, []byte{0xFF, 0xFE}), bytes.HasPrefix(b, []byte{0xFE, 0xFF}):
		var order binary.ByteOrder = binary.LittleEndian
		if b[0] == 0xFE {
			order = binary.BigEndian
		}
		u := make([]uint16, 0, len(b)/2)
		for i := 2; i+1 < len(b); i += 2 {
			u = append(u, order.Uint16(b[i:]))
		}
		return string(utf16.Decode(u)), nil
	}
	if !utf8.Valid(b) || bytes.IndexByte(b, 0) >= 0 {
		return "", fault.New("file", "this is no text in UTF-8", "save it as CSV, UTF-8, and choose it again")
	}
	return string(b), nil
}

// separator is what parts the cells of the first row: a comma, a semicolon or a tab.
func separator(text string) rune {
	line, _, _ := strings.Cut(text, "\n")
	best, most := ',', strings.Count(line, ",")
	for _, r := range ";\t" {
		if n := strings.Count(line, string(r)); n > most {
			best, most = r, n
		}
	}
	return best
}
