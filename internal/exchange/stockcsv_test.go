package exchange

import (
	"bytes"
	"encoding/binary"
	"strings"
	"testing"
	"unicode/utf16"

	"freshshard/core/fault"
	"freshshard/internal/record"
)

var someStock = []record.StockItem{
	{Kind: record.SheetStock, Material: "annealed", Thickness: 4, W: 2250, H: 1605, Unit: "pc", Quantity: 2, Least: 1,
		Cents: 5230,
		Place: "rack 2"},
	{Kind: record.SealStock, Name: `rope, 8 mm "soft"`, Unit: "m", Quantity: 12.5, Cents: 5, Lot: "ä 1",
		Expires: "2027-03-31"},
	{Kind: record.FastenerStock, Name: "=points", Unit: "pc", Quantity: 0},
}

// What goes out comes in again, in every encoding and with every separator that
// spreadsheets write.
func TestStockOutAndIn(t *testing.T) {
	b := &bytes.Buffer{}
	if err := WriteStock(b, someStock); err != nil {
		t.Fatal(err)
	}
	if !strings.Contains(b.String(), ",52.30,") || !strings.Contains(b.String(), ",0.05,") ||
		!strings.Contains(b.String(), "'=points") {
		t.Errorf("%s", b)
	}
	wide := func(order binary.AppendByteOrder, mark uint16) []byte {
		out := order.AppendUint16(nil, mark)
		for _, u := range utf16.Encode([]rune(b.String())) {
			out = order.AppendUint16(out, u)
		}
		return out
	}
	plain := "kind;quantity;w;h;material;thickness;price;place\nsheet;2;2250;1605;annealed;4;52,3;rack 2\n"
	for name, file := range map[string][]byte{
		"as it is": b.Bytes(), "with a mark": append([]byte{0xEF, 0xBB, 0xBF}, b.Bytes()...),
		"UTF-16, little": wide(binary.LittleEndian, 0xFEFF), "UTF-16, big": wide(binary.BigEndian, 0xFEFF),
		"semicolons": []byte(plain), "tabs": []byte(strings.NewReplacer(";", "\t", "\n", "\r\n").Replace(plain)),
	} {
		items, wrong, err := ReadStock(file)
		if err != nil || len(wrong) > 0 || len(items) == 0 {
			t.Fatalf("%s: %v, %v, %v", name, items, wrong, err)
		}
		want := someStock[0]
		if len(items) == 1 {
			want.Least = 0
		}
		if items[0] != want || len(items) == 3 && (items[1] != someStock[1] || items[2] != someStock[2]) {
			t.Errorf("%s: %+v", name, items)
		}
	}
}

// A file that is none is refused whole; what is wrong with rows is told row by row.
func TestStockRefuses(t *testing.T) {
	for name, file := range map[string]string{
		"nothing": "", "no column of quantity": "kind,name\nseal,rope\n",
		"another column": "kind,quantity,colour\nseal,1,red\n",
		"not UTF-8":      "kind,quantity\nseal,\xff\n", "a picture": "\x89PNG\x00\x00",
	} {
		_, _, err := ReadStock([]byte(file))
		if f := fault.Of(err); f == nil || f.Field != "file" || f.Cure == "" {
			t.Errorf("%s: %v", name, err)
		}
	}
	items, wrong, err := ReadStock(
		[]byte("kind,quantity,price,name\nseal,1,2.50,rope\nseal,many,2.505,tape\nseal,2,,\"open\n"))
	if err != nil || len(items) != 1 || len(wrong) != 3 || wrong[0].Row != 3 || wrong[0].Field != "quantity" ||
		wrong[1].Field != "price" || wrong[2].Row != 4 {
		t.Errorf("%+v, %+v, %v", items, wrong, err)
	}
}

// Prices are read by their digits.
func TestCents(t *testing.T) {
	for text, want := range map[string]int64{"": 0, "12": 1200, "12.5": 1250, "12,05": 1205, "0.07": 7,
		"1234567.89": 123456789} {
		if got, ok := centsOf(text); !ok || got != want {
			t.Errorf("%q: %d, %v", text, got, ok)
		}
	}
	for _, bad := range []string{"x", "-1", "1.005", "1e3", "1.-5", "12345678"} {
		if got, ok := centsOf(bad); ok {
			t.Errorf("%q was taken for %d", bad, got)
		}
	}
}

// Whatever the file: items, row errors or a fault, and what is taken can go out again.
func FuzzReadStock(f *testing.F) {
	b := &bytes.Buffer{}
	_ = WriteStock(b, someStock)
	for _, s := range []string{b.String(), "kind;quantity\nseal;1", "\xff\xfe1", "kind,quantity\n\"\n\""} {
		f.Add([]byte(s))
	}
	f.Fuzz(func(t *testing.T, file []byte) {
		items, _, err := ReadStock(file)
		if err != nil {
			if fault.Of(err) == nil {
				t.Errorf("%v", err)
			}
			return
		}
		if err := WriteStock(&bytes.Buffer{}, items); err != nil {
			t.Error(err)
		}
	})
}
