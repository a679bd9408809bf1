package people

import (
	"strings"
	"unicode"

	"golang.org/x/text/runes"
	"golang.org/x/text/transform"
	"golang.org/x/text/unicode/norm"

	"freshshard/internal/record"
)

// canonical is the one form of a sign-in name, for the account and for what is counted:
// the database finds tòr, ＴＯＲ and tor for one, and so their wrong passwords are.
func canonical(login string) string {
	bare := transform.Chain(norm.NFKD, runes.Remove(runes.In(unicode.M)), runes.Remove(runes.In(unicode.C)), norm.NFC)
	out, _, err := transform.String(bare, login)
	if err != nil {
		out = login // nothing of it is a letter; it is nobody's name
	}
	return strings.ToLower(strings.TrimSpace(out))
}

// countedAs is under which name tries are counted: the account's own where there is one.
func countedAs(login string, a record.Account) string {
	if a.ID != 0 {
		return canonical(a.Login)
	}
	return login
}
