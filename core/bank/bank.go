// Package bank checks the numbers of bank accounts and writes what a bank's program reads from a
// code on an invoice. Sources: ISO 13616-1 (IBAN, its check by ISO/IEC 7064 MOD 97-10), ISO 9362
// (BIC), EPC069-12 version 2.1 (the code for a SEPA credit transfer); all from memory.
package bank

import (
	"fmt"
	"strings"
	"unicode/utf8"

	"freshshard/core/fault"
	"freshshard/core/money"
)

// Account is where a customer pays to.
type Account struct {
	Holder string `json:"holder,omitempty" maxLength:"70" doc:"Whose account it is"`
	IBAN   string `json:"iban,omitempty" maxLength:"42"`
	BIC    string `json:"bic,omitempty" maxLength:"11"`
}

// The lengths of an IBAN, letters and digits, country and check with it (ISO 13616-1).
const (
	leastIBAN = 15
	mostIBAN  = 34
)

// IBAN gives the number of an account without spaces, in capitals. It returns a *fault.Error at the
// field "iban" where the number cannot be one; nothing stays nothing.
func IBAN(text string) (string, error) {
	s := strings.ToUpper(strings.Join(strings.Fields(text), ""))
	if s == "" {
		return "", nil
	}
	wrong := func(why string) (string, error) {
		return "", fault.New("iban", why, "type it as it stands on a statement: two letters, two digits, then the rest")
	}
	if len(s) < leastIBAN || len(s) > mostIBAN {
		return wrong(fmt.Sprintf("an IBAN has %d to %d letters and digits, this has %d", leastIBAN, mostIBAN, len(s)))
	}
	rest := 0
	for i, c := range s[4:] + s[:4] {
		at := (i + 4) % len(s) // where it stands in the number
		switch digit := c >= '0' && c <= '9'; {
		case digit && at >= 2:
			rest = (rest*10 + int(c-'0')) % 97
		case c >= 'A' && c <= 'Z' && (at < 2 || at >= 4):
			rest = (rest*100 + int(c-'A') + 10) % 97
		default:
			return wrong("an IBAN begins with two letters and two digits, and has nothing else than letters and digits")
		}
	}
	if rest != 1 {
		return wrong("its check digits do not fit: two digits may be swapped, or one is wrong")
	}
	return s, nil
}

// BIC gives a bank's code in capitals; it returns a *fault.Error at "bic" where it cannot be one.
func BIC(text string) (string, error) {
	s := strings.ToUpper(strings.Join(strings.Fields(text), ""))
	ok := s == "" || len(s) == 8 || len(s) == 11
	for i, c := range s {
		letter := c >= 'A' && c <= 'Z'
		ok = ok && (letter || i >= 6 && c >= '0' && c <= '9')
	}
	if !ok {
		return "", fault.New("bic", "a BIC has 8 or 11 letters and digits, six letters first", "leave it out if you do not "+
			"know it: the IBAN is enough")
	}
	return s, nil
}

// Grouped is an IBAN in fours, as it is printed.
func Grouped(iban string) string {
	var b strings.Builder
	for i, c := range iban {
		if i > 0 && i%4 == 0 {
			b.WriteByte(' ')
		}
		b.WriteRune(c)
	}
	return b.String()
}

// mostEPC is more than a transfer by a code can be, cents: 999 999 999.99 euro (EPC069-12).
const mostEPC = 99_999_999_999

// Transfer is what a code asks a bank's program to pay, in euro; nothing where the account has no
// number or there is nothing to pay. reference is at most 140 letters; what is over is left out.
func Transfer(to Account, cents int64, reference string) string {
	if to.IBAN == "" || to.Holder == "" || cents <= 0 || cents > mostEPC {
		return ""
	}
	line := func(s string, most int) string {
		s = strings.Join(strings.Fields(s), " ")
		for utf8.RuneCountInString(s) > most {
			s = strings.TrimSpace(string([]rune(s)[:most]))
		}
		return s
	}
	return strings.Join([]string{"BCD", "002", "1", "SCT", to.BIC, line(to.Holder, 70), to.IBAN,
		"EUR" + money.Text(cents), "", "", line(reference, 140)}, "\n")
}
