package value

import "testing"

func TestString(t *testing.T) {
	for _, c := range []struct {
		name string
		in   Origin
		want string
	}{
		{"standard", Std("EN 572-1"), "EN 572-1 (from memory)"},
		{"checked standard", Origin{Kind: Standard, Name: "EN 572-1"}, "EN 572-1"},
		{"custom", Custom(), "common practice, no source"},
		{"sheet", Sheet("glass-ceramic"), "typical data sheet, glass-ceramic (from memory)"},
		{"shop", Origin{Kind: Shop}, "set by the shop"},
		{"reading", Read("tape"), "read here with the tape"},
		{"sum", Sum(), "worked out here"},
	} {
		if got := c.in.String(); got != c.want {
			t.Errorf("%s: got %q, want %q", c.name, got, c.want)
		}
	}
}

func TestCheck(t *testing.T) {
	if err := (Origin{Kind: Standard}).Check(); err == nil {
		t.Error("a standard without a name passed")
	}
	if err := (Origin{Kind: "hearsay"}).Check(); err == nil {
		t.Error("an unknown kind passed")
	}
	if err := Std("EN 673").Check(); err != nil {
		t.Error(err)
	}
}
