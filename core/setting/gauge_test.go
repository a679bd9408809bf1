package setting

import "testing"

// Just inside, at and just outside of what a worn screw may be off: M5 is 5 mm
// outside (ISO 261), ST 4.8 is 4.8 mm (ISO 1478), both from memory.
func TestGauged(t *testing.T) {
	for mm, want := range map[float64]string{5: "M5", 4.95: "M5", 4.85: "4.8", 4.65: "4.8", 4.64: "", 5.15: "M5", 5.16: "",
		3: "M3", 3.5: "3.5", 4.05: "M4", 4.2: "4.2", 6.3: "1/4-20", 6.1: "M6", 8.14: "M8", 0: "", 20: ""} {
		if got := Gauged(mm); got != want {
			t.Errorf("%v mm: %q, want %q", mm, got, want)
		}
	}
}
