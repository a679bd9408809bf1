package shop

import (
	"context"
	"errors"
	"testing"

	"freshshard/core/fault"
)

// A shop's address from outside is opened before it is kept, and must be this shop's. A real
// shop has none until then; the made-up one's is where it is looked at.
func TestAddress(t *testing.T) {
	s, mira, _ := open(t)
	s.MadeUp = false
	answers := map[string]string{"https://lantern.example": "Lantern Yard", "https://other.example": "Another"}
	s.People.Opens = func(_ context.Context, address string) (string, error) {
		if n := answers[address]; n != "" {
			return n, nil
		}
		return "", errors.New("nobody answers")
	}
	v, err := s.Settings(ctx)
	if err != nil {
		t.Fatal(err)
	}
	for _, bad := range []string{"http://127.0.0.1:8080", "https://nobody.example", "https://other.example", "lantern"} {
		v.Address = bad
		if _, err := s.People.SetShop(ctx, mira, v); fault.Of(err) == nil || fault.Of(err).Field != "address" {
			t.Errorf("%s: %v", bad, err)
		}
	}
	if a, err := s.People.Address(ctx, "http://127.0.0.1"); err != nil || a != "" {
		t.Errorf("%q, %v", a, err)
	}
	v.Address = "https://Lantern.example/"
	if v, err = s.People.SetShop(ctx, mira, v); err != nil || v.Address != "https://lantern.example" {
		t.Fatalf("%+v, %v", v, err)
	}
	if a, _ := s.People.Address(ctx, "http://127.0.0.1"); a != "https://lantern.example" {
		t.Errorf("%q", a)
	}
	answers = nil
	v.Town = "Sandholm" // what was opened once is not opened again for another field
	if _, err := s.People.SetShop(ctx, mira, v); err != nil {
		t.Error(err)
	}
	s.MadeUp, v.Version = true, v.Version+1
	v.Address = ""
	if _, err := s.People.SetShop(ctx, mira, v); err != nil {
		t.Fatal(err)
	}
	if a, _ := s.People.Address(ctx, "http://here"); a != "http://here" {
		t.Errorf("%q", a)
	}
}
