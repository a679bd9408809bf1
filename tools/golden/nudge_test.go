package golden

import (
	"fmt"
	"strings"
	"testing"
)

// Each place is changed once for each way, and all others are as they were.
func TestNudge(t *testing.T) {
	type part struct {
		W  float64  `json:"w"`
		N  int      `json:"n"`
		On bool     `json:"on"`
		Of []string `json:"of"`
	}
	v := part{W: 2, N: 3, Of: []string{"a", "b"}}
	var got []string
	Nudge(t, v, []float64{-0.5, 1}, func(path string, way int, p part) {
		got = append(got, fmt.Sprintf("%s/%d %v %v %v %s", path, way, p.W, p.N, p.On, strings.Join(p.Of, "")))
	})
	want := []string{".n/1 2 4 false ab", ".of.0/0 2 3 false anotherb", ".of.1/0 2 3 false aanother", ".on/0 2 3 true ab",
		".w/0 1.5 3 false ab", ".w/1 3 3 false ab"}
	if strings.Join(got, "|") != strings.Join(want, "|") {
		t.Errorf("\n%v\n%v", got, want)
	}
}
