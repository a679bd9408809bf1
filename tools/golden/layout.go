package golden

import (
	"bytes"
	"encoding/json"
	"fmt"
	"strings"
)

// widest is how long a line may get, bytes.
const widest = 110

// laidOut writes JSON for people: what fits a line stands on one, and equal things in a row are
// counted.
func laidOut(b []byte, indent string) (string, error) {
	if len(indent)+len(b) <= widest || b[0] != '{' && b[0] != '[' {
		return string(b), nil
	}
	items, err := itemsOf(b)
	if err != nil {
		return "", err
	}
	var lines []string
	inner := indent + " "
	for i := 0; i < len(items); {
		n := 1
		for i+n < len(items) && b[0] == '[' && items[i+n] == items[i] {
			n++
		}
		key, value := items[i].key, items[i].value
		text, err := laidOut([]byte(value), inner)
		if err != nil {
			return "", err
		}
		if n > 1 {
			text += fmt.Sprintf(" × %d", n)
		}
		if last := len(lines) - 1; last >= 0 && !strings.Contains(text, "\n") &&
			!strings.Contains(lines[last], "\n") && len(inner)+len(lines[last])+len(key+text)+2 <= widest {
			lines[last] += ", " + key + text
		} else {
			lines = append(lines, key+text)
		}
		i += n
	}
	open, shut := string(b[0]), "}"
	if b[0] == '[' {
		shut = "]"
	}
	return open + "\n" + inner + strings.Join(lines, ",\n"+inner) + "\n" + indent + shut, nil
}

type item struct{ key, value string }

// itemsOf are the members of an object with their keys, or the elements of an array.
func itemsOf(b []byte) ([]item, error) {
	d := json.NewDecoder(bytes.NewReader(b))
	if _, err := d.Token(); err != nil {
		return nil, err
	}
	var out []item
	for d.More() {
		var k item
		if b[0] == '{' {
			key, err := d.Token()
			if err != nil {
				return nil, err
			}
			k.key = fmt.Sprintf("%q: ", key)
		}
		var v json.RawMessage
		if err := d.Decode(&v); err != nil {
			return nil, err
		}
		k.value = string(v)
		out = append(out, k)
	}
	return out, nil
}
