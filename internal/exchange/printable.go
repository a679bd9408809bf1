package exchange

import (
	"strings"
	"sync"

	"golang.org/x/image/font/gofont/goregular"
	"golang.org/x/image/font/sfnt"
)

// missing stands on paper where the typeface has no sign for a character.
const missing = '□'

// face is the papers' typeface, to ask which characters it has.
var face = sync.OnceValue(func() *sfnt.Font {
	f, err := sfnt.Parse(goregular.TTF)
	if err != nil {
		panic(err) // it ships with the library
	}
	return f
})

// printable gives a text as the papers can show it: each character that the
// typeface lacks becomes one box, with whatever only modifies it dropped. The
// record itself keeps what was typed.
func printable(s string) string {
	var buf sfnt.Buffer
	b := &strings.Builder{}
	for _, r := range s {
		switch {
		case r == '\n' || r == '\t':
			b.WriteRune(r)
		case r < 32 || r == 127 || r == '\u200d' || r >= 0xFE00 && r <= 0xFE0F || r >= 0x1F3FB && r <= 0x1F3FF:
			// controls, joiners and the variants and skin tones of a sign
		default:
			if i, err := face().GlyphIndex(&buf, r); err != nil || i == 0 || r > 0xFFFF {
				r = missing
			}
			b.WriteRune(r)
		}
	}
	return b.String()
}
