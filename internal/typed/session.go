package typed

import (
	"strings"
)

// Plain keeps what a stranger sent to printable characters and a length.
func Plain(s string, most int) string {
	s = strings.Map(func(r rune) rune {
		if r < 32 || r == 127 || r == '\uFFFD' {
			return -1
		}
		return r
	}, s)
	if r := []rune(s); len(r) > most {
		return string(r[:most])
	}
	return s
}
