// Package bound holds what comes in from outside against bounds that no value
// of a workshop passes: numbers that are none, texts that cannot be kept,
// lists without an end. It is the same for calls, for carried documents and
// for the command line, and reads the tags by which the contract is described:
// enum, minimum, maximum, minLength, maxLength, minItems, maxItems,
// and one of its own, unique, for lists that hold nothing twice.
package bound

import (
	"errors"
	"fmt"
	"math"
	"reflect"
	"strconv"
	"strings"
	"time"
	"unicode/utf8"

	"freshshard/core/fault"
	"freshshard/core/moment"
)

// Bounds of any number, whatever it stands for. Between them products and
// quotients of a handful of values stay numbers.
const (
	leastSize = 1e-9
	mostSize  = 1e9
)

// mostItems is the end of a list that names no shorter one; a drawing from a
// file is the longest thing there is.
const mostItems = 20_000

// mostDeep ends a walk through values that hold themselves.
const mostDeep = 40

// mostSaid is how many things that are out of bounds are told at once.
const mostSaid = 20

// Check walks through a value and gives a *fault.Error for each thing that is out of
// bounds, joined, with its place as JSON names it.
func Check(v any) error { return walk(reflect.ValueOf(v), "", "", 0) }

func walk(v reflect.Value, at string, tag reflect.StructTag, deep int) error {
	if deep > mostDeep {
		return fault.New(at, "this is nested too deeply", "send what the form sends")
	}
	switch v.Kind() {
	case reflect.Pointer, reflect.Interface:
		if v.IsNil() {
			return nil
		}
		return walk(v.Elem(), at, tag, deep+1)
	case reflect.Float64, reflect.Float32:
		return number(at, v.Float(), tag)
	case reflect.Int, reflect.Int64, reflect.Int32, reflect.Int16, reflect.Int8:
		return within(at, float64(v.Int()), tag)
	case reflect.String:
		return text(at, v.String(), tag)
	case reflect.Slice, reflect.Array:
		return items(v, at, tag, deep)
	case reflect.Map:
		return entries(v, at, deep)
	case reflect.Struct:
		if t, ok := v.Interface().(time.Time); ok {
			return moment.Check(at, t)
		}
		return fields(v, at, deep)
	}
	return nil
}

func number(at string, f float64, tag reflect.StructTag) error {
	switch {
	case math.IsNaN(f) || math.Abs(f) > mostSize:
		return fault.New(at, "no number of a workshop is as large as this", "check the unit and the digits")
	case f != 0 && math.Abs(f) < leastSize:
		return fault.New(at, "no number of a workshop is as small as this", "give 0, or check the digits")
	}
	return within(at, f, tag)
}

func within(at string, f float64, tag reflect.StructTag) error {
	if s, ok := tag.Lookup("minimum"); ok {
		if least, err := strconv.ParseFloat(s, 64); err == nil && f < least {
			return fault.New(at, fmt.Sprintf("%v is below %s", f, s), "give "+s+" or more")
		}
	}
	if s, ok := tag.Lookup("maximum"); ok {
		if most, err := strconv.ParseFloat(s, 64); err == nil && f > most {
			return fault.New(at, fmt.Sprintf("%v is above %s", f, s), "give "+s+" or less")
		}
	}
	return nil
}

func text(at, s string, tag reflect.StructTag) error {
	if !utf8.ValidString(s) || strings.ContainsRune(s, 0) {
		return fault.New(at, "this holds characters that cannot be kept", "type it again")
	}
	// Nothing is what the sum takes for granted; where it may not be left out
	// the contract says so.
	if list, ok := tag.Lookup("enum"); ok && s != "" {
		for _, w := range strings.Split(list, ",") {
			if s == w {
				return nil
			}
		}
		return fault.New(at, fmt.Sprintf("there is no %q here", s),
			"use one of: "+strings.TrimPrefix(strings.ReplaceAll(list, ",", ", "), ", "))
	}
	n := utf8.RuneCountInString(s)
	if most, err := strconv.Atoi(tag.Get("maxLength")); err == nil && n > most {
		return fault.New(at, fmt.Sprintf("this has %d characters", n), fmt.Sprintf("keep it to %d", most))
	}
	if least, err := strconv.Atoi(tag.Get("minLength")); err == nil && n < least {
		return fault.New(at, fmt.Sprintf("this has %d characters", n), fmt.Sprintf("give %d or more", least))
	}
	return nil
}

func items(v reflect.Value, at string, tag reflect.StructTag, deep int) error {
	if v.Type().Elem().Kind() == reflect.Uint8 {
		return nil
	}
	most := mostItems
	if n, err := strconv.Atoi(tag.Get("maxItems")); err == nil {
		most = n
	}
	least, _ := strconv.Atoi(tag.Get("minItems")) // no tag is none
	switch {
	case v.Len() > most:
		return fault.New(at, fmt.Sprintf("this list has %d entries", v.Len()), fmt.Sprintf("keep it to %d", most))
	case v.Len() < least:
		return fault.New(at, fmt.Sprintf("this list has %d entries", v.Len()), fmt.Sprintf("give %d or more", least))
	}
	unique := tag.Get("unique") == "true"
	seen := map[any]bool{}
	for i := range v.Len() {
		e := v.Index(i)
		here := fmt.Sprintf("%s[%d]", at, i)
		if unique && e.Comparable() {
			if seen[e.Interface()] {
				return fault.New(here, "this is in the list twice", "leave it out once")
			}
			seen[e.Interface()] = true
		}
		if err := walk(e, here, "", deep+1); err != nil {
			return err
		}
	}
	return nil
}

func entries(v reflect.Value, at string, deep int) error {
	if v.Len() > mostItems {
		return fault.New(at, fmt.Sprintf("this has %d entries", v.Len()), "send what the form sends")
	}
	for it := v.MapRange(); it.Next(); {
		here := join(at, fmt.Sprint(it.Key().Interface()))
		if err := walk(it.Value(), here, "", deep+1); err != nil {
			return err
		}
	}
	return nil
}

func fields(v reflect.Value, at string, deep int) error {
	t := v.Type()
	var all []error
	for i := range t.NumField() {
		f := t.Field(i)
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		switch {
		case name == "-" || !f.IsExported() && !f.Anonymous:
			continue
		case f.Anonymous && name == "", f.Name == "Body":
			name = ""
		case name == "":
			for _, from := range []string{"path", "query", "header"} {
				if s, ok := f.Tag.Lookup(from); ok {
					name = s
				}
			}
			if name == "" {
				name = f.Name
			}
		}
		tag := f.Tag
		// What may be left out may also be empty.
		if strings.Contains(tag.Get("json"), ",omit") && v.Field(i).IsZero() {
			continue
		}
		if err := walk(v.Field(i), join(at, name), tag, deep+1); err != nil {
			if all = append(all, err); len(all) >= mostSaid {
				break
			}
		}
	}
	if len(all) == 1 {
		return all[0]
	}
	return errors.Join(all...)
}

func join(at, name string) string {
	if at == "" || name == "" {
		return at + name
	}
	return at + "." + name
}
