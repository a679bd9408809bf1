// Package forecast reads weather forecasts: CSV or JSON, hour by hour.
package forecast

import (
	"bufio"
	"bytes"
	"encoding/csv"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/record"
)

// Bounds of a forecast.
const (
	mostHours = 24 * 31
	mostBytes = 400_000
)

// Read reads a forecast of the air outdoors. CSV has a header row with time, c, rh and, if
// it knows, wet; JSON is a list of objects with the same names. Times are RFC 3339, one for
// each full hour, without a gap. Errors name row[n].
func Read(r io.Reader) ([]record.WeatherHour, error) {
	b := bufio.NewReader(io.LimitReader(r, mostBytes+1))
	head, _ := b.Peek(64)
	head = bytes.TrimSpace(bytes.TrimPrefix(head, []byte("\xef\xbb\xbf")))
	var all []record.WeatherHour
	var err error
	if bytes.HasPrefix(head, []byte("[")) || bytes.HasPrefix(head, []byte("{")) {
		all, err = fromJSON(b)
	} else {
		all, err = fromCSV(b)
	}
	if err != nil {
		return nil, err
	}
	return checked(all)
}

func wrong(row int, why, cure string) error { return fault.New(fmt.Sprintf("row[%d]", row), why, cure) }

func fromJSON(r io.Reader) ([]record.WeatherHour, error) {
	var in []struct {
		Time string   `json:"time"`
		C    *float64 `json:"c"`
		RH   *float64 `json:"rh"`
		Wet  bool     `json:"wet"`
	}
	d := json.NewDecoder(r)
	err := d.Decode(&in)
	if err == nil {
		if _, end := d.Token(); !errors.Is(end, io.EOF) {
			err = errors.New("something stands behind it")
		}
	}
	if err != nil {
		return nil, fault.New("file", "this is no list of hours: "+err.Error(),
			`write [{"time": "2026-12-01T08:00:00Z", "c": 4.5, "rh": 80}]`)
	}
	out := []record.WeatherHour{}
	for i, v := range in {
		t, err := time.Parse(time.RFC3339, v.Time)
		if err != nil || v.C == nil || v.RH == nil {
			return nil, wrong(i+1, "time, c and rh are expected", `write {"time": "2026-12-01T08:00:00Z", "c": 4.5, "rh": 80}`)
		}
		out = append(out, record.WeatherHour{At: t.UTC(), C: *v.C, RH: *v.RH, Wet: v.Wet})
	}
	return out, nil
}

func fromCSV(r io.Reader) ([]record.WeatherHour, error) {
	c := csv.NewReader(r)
	c.TrimLeadingSpace = true
	header, err := c.Read()
	if err != nil {
		return nil, fault.New("file", "the file is empty, or no table", "write a header row: time,c,rh,wet")
	}
	at := func(name string) int {
		return slices.IndexFunc(header, func(h string) bool {
			return strings.EqualFold(strings.TrimSpace(strings.TrimPrefix(h, "\ufeff")), name)
		})
	}
	ti, ci, hi, wi := at("time"), at("c"), at("rh"), at("wet")
	if ti < 0 || ci < 0 || hi < 0 {
		return nil, fault.New("file", fmt.Sprintf("the header row is %q", strings.Join(header, ",")),
			"time, c and rh are expected in it")
	}
	out := []record.WeatherHour{}
	for n := 1; ; n++ {
		row, err := c.Read()
		if errors.Is(err, io.EOF) {
			return out, nil
		}
		if err != nil {
			return nil, wrong(n, "it has not as many columns as the header row", "look at its commas")
		}
		t, err := time.Parse(time.RFC3339, row[ti])
		if err != nil {
			return nil, wrong(n, fmt.Sprintf("%q is no time", row[ti]), "write 2026-12-01T08:00:00Z")
		}
		v := record.WeatherHour{At: t.UTC()}
		if v.C, err = strconv.ParseFloat(row[ci], 64); err != nil {
			return nil, wrong(n, fmt.Sprintf("%q is no temperature", row[ci]), "write it in °C with a point: 4.5")
		}
		if v.RH, err = strconv.ParseFloat(row[hi], 64); err != nil {
			return nil, wrong(n, fmt.Sprintf("%q is no humidity", row[hi]), "write it in per cent: 80")
		}
		if wi >= 0 {
			v.Wet = slices.Contains([]string{"1", "true", "yes", "wet", "rain"}, strings.ToLower(row[wi]))
		}
		if out = append(out, v); len(out) > mostHours {
			return out, nil // refused below
		}
	}
}

// checked holds hours against what the air can be, and looks for gaps.
func checked(all []record.WeatherHour) ([]record.WeatherHour, error) {
	if len(all) == 0 {
		return nil, fault.New("file", "no hour is in it", "a row for each hour is expected")
	}
	if len(all) > mostHours {
		return nil, fault.New("file", fmt.Sprintf("more than %d hours", mostHours), "a month at most")
	}
	for i, v := range all {
		n := i + 1
		switch {
		case !v.At.Equal(v.At.Truncate(time.Hour)):
			return nil, wrong(n, v.At.Format(time.RFC3339)+" is no full hour", "one row for each full hour")
		case !(v.C >= -60 && v.C <= 60):
			return nil, wrong(n, fmt.Sprintf("%g °C is no weather", v.C), "from −60 to 60 °C is expected")
		case !(v.RH > 1 && v.RH <= 100):
			return nil, wrong(n, fmt.Sprintf("%g %% is no humidity", v.RH), "write it in per cent: 50, not 0.5")
		case i > 0 && !v.At.After(all[i-1].At):
			return nil, wrong(n, v.At.Format(time.RFC3339)+" stands behind a later hour, or twice", "put the hours in order")
		case i > 0 && v.At.Sub(all[i-1].At) > time.Hour:
			return nil, wrong(n, fmt.Sprintf("between %s and %s an hour is missing", all[i-1].At.Format(time.RFC3339),
				v.At.Format(time.RFC3339)),
				"a forecast without gaps, so that no bond is laid in an hour that nobody foresaw")
		}
	}
	return all, nil
}
