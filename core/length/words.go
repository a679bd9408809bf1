package length

import (
	"regexp"
	"strconv"
	"strings"
)

// said finds a length in mm within a sentence, alone, as a range or as a size:
// "150 to 300 mm", "437 × 307 mm", "±0.8 mm".
var said = regexp.MustCompile(`(?:(\d+(?:\.\d+)?) (to|×|or|±) )?(\d+(?:\.\d+)?) mm\b`)

// nominal is what follows the thickness by which a pane is sold, which is its name
// and not a length: "6 mm toughened", "even 10 mm would take".
var nominal = regexp.MustCompile(`^ (?:would|thick|` +
	`(?:(?:coated|clear|tinted|soda-lime|annealed|low-iron|hard|wired|plain) )*` +
	`(?:toughened|annealed|laminated|glass|glass-ceramic|polycarbonate|acrylic|borosilicate|mica|plywood|board|plate|` +
	`mesh|aluminium|steel|pane)\b)`)

// Words writes the lengths of a sentence in the person's unit. Sentences are made in
// mm; the exact number stays in the working beside it. A nominal thickness is a name
// and stays.
func Words(sentence string, to Unit) string {
	if to != IN || !strings.Contains(sentence, " mm") {
		return sentence
	}
	var out strings.Builder
	from := 0
	for _, at := range said.FindAllStringSubmatchIndex(sentence, -1) {
		if at[2] < 0 && nominal.MatchString(sentence[at[1]:]) {
			continue
		}
		out.WriteString(sentence[from:at[0]])
		if at[2] >= 0 {
			out.WriteString(inWords(sentence[at[2]:at[3]]) + " " + sentence[at[4]:at[5]] + " ")
		}
		out.WriteString(inWords(sentence[at[6]:at[7]]) + " in")
		from = at[1]
	}
	return out.String() + sentence[from:]
}

// inWords is a number of mm as inches; what is less than half the finest mark is
// said to be under it.
func inWords(mm string) string {
	v, err := strconv.ParseFloat(mm, 64)
	if err != nil {
		return mm
	}
	s := Show(v, IN).Main
	if s == "0" && v > 0 {
		return "under 1/64"
	}
	return s
}
