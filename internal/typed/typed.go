// Package typed takes in what somebody typed: texts bounded and clean, lengths in any unit, with
// all faults of a form at once.
package typed

import (
	"errors"
	"strings"
	"unicode"
	"unicode/utf8"

	"freshshard/core/fault"
	"freshshard/core/length"
)

// plainSigns are a text's signs without those that steer a printer, a calendar or a
// terminal; ends of lines stay, in one form.
func plainSigns(text string) string {
	text = strings.ReplaceAll(strings.ReplaceAll(text, "\r\n", "\n"), "\r", "\n")
	return strings.Map(func(r rune) rune {
		if r != '\n' && r != 0 && unicode.IsControl(r) {
			return ' '
		}
		return r
	}, text)
}

// Form takes texts in and keeps every fault, so that a form is told all of them at once.
type Form struct{ Faults []error }

func (f *Form) Text(field string, text *string, most int, need bool) {
	var err error
	if *text, err = Text(field, *text, most, need); err != nil {
		f.Faults = append(f.Faults, err)
	}
}

// Check keeps an error that is a fault; any other one is given back.
func (f *Form) Check(err error) error {
	if fault.Of(err) == nil {
		return err
	}
	f.Faults = append(f.Faults, err)
	return nil
}

func (f *Form) Err() error { return errors.Join(f.Faults...) }

// Text trims a text and holds it to a length in characters. need is false for
// texts that may be empty.
func Text(field, text string, most int, need bool) (string, error) {
	text = strings.TrimSpace(plainSigns(text))
	switch {
	case need && text == "":
		return "", fault.New(field, "this is empty", "type it in")
	case utf8.RuneCountInString(text) > most:
		return "", fault.New(field, "this is too long", "keep it shorter")
	case !utf8.ValidString(text) || strings.ContainsRune(text, 0):
		return "", fault.New(field, "this holds characters that cannot be kept", "type it again")
	}
	return text, nil
}

// Mail refuses what is no address of mail; nothing is none, and is left.
func Mail(field, m string) error {
	if m != "" && (strings.Count(m, "@") != 1 || strings.ContainsAny(m, " ,;<>") || strings.HasPrefix(m, "@") ||
		strings.HasSuffix(m, "@")) {
		return fault.New(field, "this is no address of mail", "type it as name@place.example")
	}
	return nil
}

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

// Length reads a length for a field and points at the character.
func Length(field, text string, unit length.Unit, with length.Instrument) (length.Reading, error) {
	if !with.Known() {
		return length.Reading{}, fault.New("instrument", "no instrument of that name",
			"use tape, rule, caliper, laser, feeler gauge or traced line")
	}
	r, err := length.Parse(text, unit, with)
	var le *length.Error
	if errors.As(err, &le) {
		return r, &At{Field: field, Position: le.At, Err: fault.New(field, le.Why, le.Cure)}
	}
	return r, err
}

// At is a fault that points at a character of what was typed.
type At struct {
	Field    string
	Position int
	Err      *fault.Error
}

func (e *At) Error() string { return e.Err.Error() }

func (e *At) Unwrap() error { return e.Err }
