package bill

import (
	"testing"
	"time"

	"freshshard/core/price"
	"freshshard/internal/record"
)

// The last quote is the one that counts: an invoice ends it, one that is taken back leaves it ended,
// a newer quote begins anew, and what was said to an earlier one is not said to it.
func TestLastQuote(t *testing.T) {
	until := time.Date(2027, 4, 1, 12, 0, 0, 0, time.UTC)
	paper := func(id int64, k price.Kind) record.Bill {
		return record.Bill{ID: id, Until: &until, Bill: price.Bill{Kind: k}}
	}
	quote, newer := paper(1, price.Quote), paper(4, price.Quote)
	invoice, credit := paper(2, price.Invoice), paper(3, price.Credit)
	replies := []record.Reply{{Bill: 1, Yes: false, Name: "Oda"}, {Bill: 1, Yes: true, Name: "Wren", Withdrawn: &until}}
	for _, c := range []struct {
		papers []record.Bill
		dead   bool
		last   int64 // 0 for none
		want   price.Assent
	}{
		{nil, false, 0, ""}, {[]record.Bill{invoice}, false, 0, ""},
		{[]record.Bill{quote}, false, 1, price.Call}, {[]record.Bill{quote}, true, 1, price.Replaced},
		{[]record.Bill{quote, invoice}, false, 1, price.Replaced},
		{[]record.Bill{quote, invoice, credit}, false, 1, price.Replaced},
		{[]record.Bill{quote, invoice, credit, newer}, false, 4, price.Waiting},
		{[]record.Bill{quote, newer}, false, 4, price.Waiting},
	} {
		last, q := quoteOf(c.papers, replies, true, c.dead)
		if c.last == 0 {
			if last != nil {
				t.Errorf("%+v: %+v", c.papers, last)
			}
			continue
		}
		if got, _ := q.Stands(until.Add(-time.Hour)); last == nil || last.ID != c.last || got != c.want {
			t.Errorf("%d papers, closed %v: %+v stands %s, want %s", len(c.papers), c.dead, last, got, c.want)
		}
	}
}
