package striplog

import (
	"fmt"
	"strings"
	"unicode"
)

// MixUps are plain warnings for fasteners that look alike, but have another
// thread or length, and for screws that would reach the glass: one a line, the
// thread first. They are keyed by entry.
func (l Log) MixUps() map[string][]string {
	out := map[string][]string{}
	for i, e := range l {
		if !e.fastener() {
			continue
		}
		var threads, lengths, tooLong groups
		var reaches []string
		if e.reaches(e.Held.Length) {
			reaches = append(reaches, fmt.Sprintf("a %g mm screw here reaches the pane: %g mm to the glass", e.Held.Length,
				e.Held.ToGlass))
		}
		word := ""
		for k, o := range l {
			if k == i || !alike(e, o) {
				continue
			}
			if e.Held.Thread != o.Held.Thread {
				threads.add(threadOf(o), o.place())
			}
			if e.Held.Length != o.Held.Length && e.Held.Length > 0 && o.Held.Length > 0 {
				lengths.add(fmt.Sprintf("%g mm", o.Held.Length), o.place())
				word = longer(word, e.Held.Length > o.Held.Length)
			}
			// A longer look-alike that would reach the glass if it came here.
			if !e.reaches(e.Held.Length) && e.reaches(o.Held.Length) {
				tooLong.add(fmt.Sprintf("%g mm", o.Held.Length), o.place())
			}
		}
		var says []string
		if len(threads) > 0 {
			says = append(says, threadOf(e)+" thread here; "+threads.say("it looks like the %[1]s one at %[2]s", ", "))
		}
		if len(lengths) > 0 {
			says = append(says, fmt.Sprintf("the %s one, %g mm, goes here; %s", word, e.Held.Length,
				lengths.say("%[1]s goes to %[2]s", "; ")))
		}
		if len(tooLong) > 0 {
			reaches = append(reaches, fmt.Sprintf("%s would reach the pane here: %g mm to the glass",
				tooLong.say("the %[1]s one from %[2]s", " and "), e.Held.ToGlass))
		}
		if says = append(says, reaches...); len(says) > 0 {
			out[e.ID] = []string{strings.Join(says, "; ")}
		}
	}
	return out
}

// groups are places by what is there, in the order in which they came.
type groups []struct {
	what   string
	places []string
}

func (g *groups) add(what, place string) {
	for i := range *g {
		if (*g)[i].what == what {
			(*g)[i].places = append((*g)[i].places, place)
			return
		}
	}
	*g = append(*g, struct {
		what   string
		places []string
	}{what, []string{place}})
}

// say writes each group by a pattern of what and where.
func (g groups) say(pattern, between string) string {
	out := make([]string, 0, len(g))
	for _, x := range g {
		out = append(out, fmt.Sprintf(pattern, x.what, strings.Join(x.places, ", ")))
	}
	return strings.Join(out, between)
}

// longer is the word for a fastener among its look-alikes.
func longer(so string, than bool) string {
	word := "short"
	if than {
		word = "long"
	}
	if so != "" && so != word {
		return "middle"
	}
	return word
}

// reaches says whether a screw of a length touches the glass here: one that is as
// long as what is before the glass does.
func (e Entry) reaches(length float64) bool {
	return e.Held.ToGlass > 0 && length > 0 && length >= e.Held.ToGlass
}

// alike says whether two fasteners can be taken for each other: nothing that is
// noted of both tells them apart, however it is spelt. Where neither drive nor
// size is noted of both, what they are called has to be the same.
func alike(a, b Entry) bool {
	if !b.fastener() {
		return false
	}
	drive, drives := sameAs(a.Held.Drive, b.Held.Drive)
	size, sizes := sameAs(a.Held.Size, b.Held.Size)
	if drives && !drive || sizes && !size {
		return false
	}
	if drives || sizes {
		return true
	}
	same, named := sameAs(a.What, b.What)
	return named && same
}

// sameAs says whether two words are the same, however they are spelt; both is
// false where one of them is not there.
func sameAs(a, b string) (same, both bool) {
	a, b = plain(a), plain(b)
	return a == b, a != "" && b != ""
}

// plain is a word without case, spaces and marks: PH 2 is ph2, 4,2 is 4.2, and No. 6 is no6: a
// point is one before a digit and not behind a letter.
func plain(s string) string {
	var out strings.Builder
	all := []rune(s)
	for i, r := range all {
		switch {
		case (r == ',' || r == '.') && i+1 < len(all) && unicode.IsDigit(all[i+1]) &&
			(i == 0 || !unicode.IsLetter(all[i-1])):
			out.WriteRune('.')
		case unicode.IsLetter(r) || unicode.IsDigit(r):
			out.WriteRune(unicode.ToLower(r))
		}
	}
	return out.String()
}

func threadOf(e Entry) string {
	if e.Held.Thread == NoThread {
		return "unknown"
	}
	return string(e.Held.Thread)
}

func (e Entry) place() string {
	if e.Where != "" {
		return e.Where
	}
	return e.What
}
