package backup

import (
	"bytes"
	"encoding/base64"
	"encoding/json"
	"fmt"
	"strings"
	"time"
)

// stamp is how a time stands in a line.
const stamp = "2006-01-02T15:04:05.000Z"

// lineOf writes a row as one JSON object with its line's end: numbers as
// numbers, times in UTC, bytes as base64, all else as text.
func lineOf(columns []column, cells []any) ([]byte, error) {
	b := &bytes.Buffer{}
	b.WriteByte('{')
	for i, c := range columns {
		if i > 0 {
			b.WriteByte(',')
		}
		fmt.Fprintf(b, "%q:", c.name)
		v, err := cellOf(c, cells[i])
		if err != nil {
			return nil, fmt.Errorf("column %s: %w", c.name, err)
		}
		b.Write(v)
	}
	b.WriteString("}\n")
	return b.Bytes(), nil
}

func cellOf(c column, v any) ([]byte, error) {
	switch x := v.(type) {
	case nil:
		return []byte("null"), nil
	case time.Time:
		if c.kind == "date" {
			return json.Marshal(x.Format(time.DateOnly))
		}
		return json.Marshal(x.UTC().Format(stamp))
	case int64, float64, float32:
		return json.Marshal(x)
	case []byte:
		switch {
		case isNumber(c.kind):
			return append([]byte(nil), x...), nil
		case isBytes(c.kind):
			return json.Marshal(base64.StdEncoding.EncodeToString(x))
		}
		return json.Marshal(string(x))
	case string:
		return json.Marshal(x)
	}
	return nil, fmt.Errorf("a %T cannot be written", v)
}

func isNumber(kind string) bool {
	return strings.HasSuffix(kind, "int") || kind == "double" || kind == "decimal"
}

func isBytes(kind string) bool {
	return strings.HasSuffix(kind, "blob") || strings.HasSuffix(kind, "binary")
}

// cellFrom reads what cellOf wrote, for an insert.
func cellFrom(c column, raw json.RawMessage) (any, error) {
	if len(raw) == 0 {
		return nil, fmt.Errorf("column %s is missing", c.name)
	}
	if string(raw) == "null" {
		return nil, nil
	}
	if isNumber(c.kind) {
		var n json.Number
		if err := json.Unmarshal(raw, &n); err != nil {
			return nil, fmt.Errorf("column %s: %w", c.name, err)
		}
		return n.String(), nil
	}
	var s string
	if err := json.Unmarshal(raw, &s); err != nil {
		return nil, fmt.Errorf("column %s: %w", c.name, err)
	}
	switch {
	case isBytes(c.kind):
		return base64.StdEncoding.DecodeString(s)
	case c.kind == "datetime":
		return time.Parse(stamp, s)
	}
	return s, nil
}
