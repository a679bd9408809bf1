package price

import (
	"fmt"

	"freshshard/core/fault"
	"freshshard/core/money"
)

// Check refuses rates that cannot be; errors name the field.
func (r Rates) Check() error {
	for _, f := range []struct {
		name string
		v    int64
	}{{"hour", r.Hour}, {"call_out", r.CallOut}, {"disposal", r.Disposal}, {"least", r.Least}} {
		if f.v < 0 || f.v > money.Most {
			return fault.New(f.name, "a price from 0 up is expected", "type it as 12.50")
		}
	}
	for _, f := range []struct {
		name string
		v    int
		most int
	}{{"margin", r.Margin, 30_000}, {"tax", r.Tax, 10_000}, {"deposit", r.Deposit, 10_000}} {
		if f.v < 0 || f.v > f.most {
			return fault.New(f.name, fmt.Sprintf("from 0 to %d in 100 is expected", f.most/100), "type it as 20")
		}
	}
	switch {
	case r.Behind < 0 || r.Behind > 300:
		return fault.New("behind", "from 0 to 300 in 100 is expected", "40 is usual")
	case r.Days < 1 || r.Days > 365:
		return fault.New("days", "from 1 to 365 days are expected", "30 is usual")
	case r.Terms < 0 || r.Terms > 365:
		return fault.New("terms", "from 0 to 365 days are expected", "14 is usual; 0 asks for it at once")
	}
	return nil
}

// Check refuses changes that cannot be; errors name the field.
func (a Adjust) Check() error {
	for k, m := range a.Minutes {
		if m < 0 || m > 100_000 {
			return fault.New("minutes."+k, "from 0 to 100 000 minutes are expected", "type what it took, in minutes")
		}
	}
	for k, p := range a.Prices {
		if p < 0 || p > money.Most {
			return fault.New("prices."+k, "a price from 0 up is expected", "type it as 12.50")
		}
	}
	for i, o := range a.Own {
		field := fmt.Sprintf("own[%d].", i)
		switch {
		case o.Text == "":
			return fault.New(field+"text", "this is empty", "say what it is for")
		case o.Milli <= 0 || o.Milli > 1e9:
			return fault.New(field+"milli", "a quantity above 0 is expected", "type how many")
		case o.Each < -money.Most || o.Each > money.Most:
			return fault.New(field+"each", "a price is expected", "type it as 12.50")
		}
	}
	if a.Discount < 0 || a.Discount > 10_000 {
		return fault.New("discount", "from 0 to 100 in 100 is expected", "type it as 10")
	}
	return nil
}
