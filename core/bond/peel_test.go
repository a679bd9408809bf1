package bond

import "testing"

// A spot that nobody looked at keeps its place and counts for nothing.
func TestUnseenSpots(t *testing.T) {
	out, err := Peel{Length: 400, Width: 30, Spots: []Spot{Unseen, Metal, Unseen, Torn}}.Read()
	if err != nil || out.Carried != 0.5 || out.Shares[Unseen] != 0 {
		t.Errorf("%+v, %v", out, err)
	}
	if _, err := (Peel{Length: 400, Width: 30, Spots: []Spot{Unseen, Unseen}}).Read(); err == nil {
		t.Error("nothing was looked at, and it says something")
	}
}
