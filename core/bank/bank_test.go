package bank

import (
	"fmt"
	"math/big"
	"strings"
	"testing"

	"freshshard/core/fault"
)

// The examples of ISO 13616-1 and of the registry of SWIFT (from memory), and what is wrong by one.
func TestIBAN(t *testing.T) {
	for text, want := range map[string]string{
		"":                                "",
		"de89 3704 0044 0532 0130 00":     "DE89370400440532013000",
		"GB29 NWBK 6016 1331 9268 19":     "GB29NWBK60161331926819",
		"NO93 8601 1117 947":              "NO9386011117947", // the shortest there is
		"FR1420041010050500013M02606":     "FR1420041010050500013M02606",
		"MT84MALT011000012345MTLCAST001S": "MT84MALT011000012345MTLCAST001S",
	} {
		if got, err := IBAN(text); err != nil || got != want {
			t.Errorf("%q: %q, %v", text, got, err)
		}
	}
	for text, says := range map[string]string{
		"DE89370400440532013001": "check digits", "DE89370400440532010300": "check digits",
		"DE8937040044": "15 to 34", "NO938601111794": "this has 14", "DE89-37040044-0532013000": "nothing else",
		"8937DE040044053201300": "begins with two letters", "DEX9370400440532013000": "two digits",
		strings.Repeat("1", 35): "this has 35", "ÄÖ89370400440532013000": "nothing else",
	} {
		_, err := IBAN(text)
		if f := fault.Of(err); f == nil || f.Field != "iban" || !strings.Contains(f.Error(), says) {
			t.Errorf("%q: %v", text, err)
		}
	}
}

// Whatever two digits are swapped, or one is another, is noticed; held against whole numbers of any
// size (math/big).
func TestIBANNoticesSlips(t *testing.T) {
	const good = "DE89370400440532013000"
	for i := 4; i < len(good); i++ {
		for d := '0'; d <= '9'; d++ {
			text := good[:i] + string(d) + good[i+1:]
			if _, err := IBAN(text); (err == nil) != (text == good) || (err == nil) != whole(text) {
				t.Errorf("%s: %v", text, err)
			}
		}
		if i > 4 && good[i] != good[i-1] {
			text := good[:i-1] + string(good[i]) + string(good[i-1]) + good[i+1:]
			if _, err := IBAN(text); err == nil {
				t.Errorf("%s: swapped, and taken", text)
			}
		}
	}
}

// whole reckons the check with one large number.
func whole(iban string) bool {
	digits := ""
	for _, c := range iban[4:] + iban[:4] {
		if c >= 'A' {
			digits += fmt.Sprint(c - 'A' + 10)
		} else {
			digits += string(c)
		}
	}
	n, _ := new(big.Int).SetString(digits, 10)
	return new(big.Int).Mod(n, big.NewInt(97)).Int64() == 1
}

func TestBIC(t *testing.T) {
	for text, want := range map[string]string{"": "", "cobadeff": "COBADEFF", "COBADEFF055": "COBADEFF055",
		"COBA DE F1": "COBADEF1"} {
		if got, err := BIC(text); err != nil || got != want {
			t.Errorf("%q: %q, %v", text, got, err)
		}
	}
	for _, text := range []string{"COBADEF", "COBADEFFX", "COBADEFF05", "C0BADEFF", "COBADEFF0555", "ÄOBADEF"} {
		if _, err := BIC(text); fault.Of(err) == nil {
			t.Errorf("%q was taken", text)
		}
	}
}

// The lines of EPC069-12: its tag, version, character set (1: UTF-8), kind, bank, name, account,
// amount, purpose, a structured reference, and a free one. At most 331 bytes.
func TestTransfer(t *testing.T) {
	to := Account{Holder: "Lantern Yard", IBAN: "DE89370400440532013000"}
	want := "BCD\n002\n1\nSCT\n\nLantern Yard\nDE89370400440532013000\nEUR88.75\n\n\nInvoice 12"
	if got := Transfer(to, 8875, " Invoice\n12 "); got != want {
		t.Errorf("%q", got)
	}
	to.Holder = strings.Repeat("Yard ", 30)
	got := Transfer(to, 1, strings.Repeat("reference ", 30))
	for i, most := range map[int]int{5: 70, 10: 140} {
		if l := strings.Split(got, "\n")[i]; len(l) > most || len(l) < most-10 || strings.HasSuffix(l, " ") {
			t.Errorf("line %d: %q", i, l)
		}
	}
	if len(got) > 331 {
		t.Errorf("%d bytes", len(got))
	}
	for name, none := range map[string]string{
		"nothing to pay": Transfer(to, 0, ""), "to give back": Transfer(to, -1, ""),
		"no number": Transfer(Account{Holder: "Lantern Yard"}, 1, ""), "nobody": Transfer(Account{IBAN: to.IBAN}, 1, ""),
		"too much": Transfer(to, mostEPC+1, ""),
	} {
		if none != "" {
			t.Errorf("%s: %q", name, none)
		}
	}
	if Transfer(to, mostEPC, "") == "" {
		t.Error("the most that can be paid was not")
	}
}

func TestGrouped(t *testing.T) {
	for in, want := range map[string]string{"": "", "NO9386011117947": "NO93 8601 1117 947", "DE89": "DE89"} {
		if got := Grouped(in); got != want {
			t.Errorf("%q: %q", in, got)
		}
	}
}

// Whatever is typed is taken as a number or refused at its field, and one that is taken stays as it
// is.
func FuzzIBAN(f *testing.F) {
	for _, s := range []string{"", "DE89 3704 0044 0532 0130 00", "NO9386011117947", "de", "DE00"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, text string) {
		got, err := IBAN(text)
		if err != nil {
			if fault.Of(err) == nil {
				t.Fatalf("%q: %v", text, err)
			}
			return
		}
		if again, err := IBAN(Grouped(got)); err != nil || again != got || got != "" && !whole(got) {
			t.Errorf("%q became %q, then %q, %v", text, got, again, err)
		}
	})
}
