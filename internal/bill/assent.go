package bill

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/price"
	"freshshard/internal/change"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Assents has what the customer says to a quote.
type Assents struct{ *change.Keeper }

// Asked is how the last quote of a job stands with its customer.
type Asked struct {
	Stands  price.Assent   `json:"stands" enum:"unasked,waiting,yes,call,over,replaced"`
	Says    string         `json:"says"`
	Link    *record.Link   `json:"link,omitempty" doc:"The page for the customer; nothing where there is none"`
	Replies []record.Reply `json:"replies" doc:"What was said to the last quote"`
	Photos  []int64        `json:"photos" doc:"Pictures that were put on the page"`
}

// QuotePage is what a customer reads before a yes. It says nothing of other work of theirs, of what
// things cost the shop, or of who they are: whoever has its address sees it.
type QuotePage struct {
	Shop   string       `json:"shop"`
	Town   string       `json:"town"`
	Phone  string       `json:"phone,omitempty" doc:"Of the shop"`
	Mail   string       `json:"mail,omitempty"`
	Coin   string       `json:"currency,omitempty"`
	Object string       `json:"object"`
	Number int64        `json:"number"`
	At     time.Time    `json:"at"`
	Until  *time.Time   `json:"until,omitempty"`
	Ahead  int64        `json:"ahead,omitempty" doc:"Asked before the work begins, cents"`
	Free   string       `json:"tax_free,omitempty"`
	Bill   price.Bill   `json:"bill"`
	Photos []int64      `json:"photos" doc:"Pictures that were put on the page"`
	Stands price.Assent `json:"stands" enum:"unasked,waiting,yes,call,over,replaced"`
	Says   string       `json:"says"`
}

// quoteOf is the last quote among papers, and what tells how it stands; nil where there is none. dead is
// that the job is closed.
func quoteOf(papers []record.Bill, replies []record.Reply, asked, dead bool) (*record.Bill, price.Quoted) {
	q := price.Quoted{Asked: asked, Replaced: dead}
	var last *record.Bill
	for i, p := range papers {
		switch p.Kind {
		case price.Quote:
			last, q.Replaced = &papers[i], dead
		case price.Invoice:
			q.Replaced = true
		}
	}
	if last == nil {
		return nil, q
	}
	if last.Until != nil {
		q.Until = *last.Until
	}
	for _, r := range replies {
		if r.Bill == last.ID && r.Withdrawn == nil {
			q.Replies = append(q.Replies, price.Reply{Yes: r.Yes, Name: r.Name, At: r.At})
		}
	}
	return last, q
}

// asked is how the last quote of a job stands; nothing where there is none.
func (s *Assents) asked(ctx context.Context, job int64, papers []record.Bill, dead bool) (*Asked, error) {
	link, err := s.Store.Passports.LinkOf(ctx, record.QuoteLink, job)
	if err != nil {
		return nil, err
	}
	replies, err := s.Store.Bills.Replies(ctx, job)
	if err != nil {
		return nil, err
	}
	last, q := quoteOf(papers, replies, link != nil, dead)
	if last == nil {
		return nil, nil
	}
	of := func(r record.Reply) bool { return r.Bill != last.ID }
	a := &Asked{Link: link, Replies: slices.DeleteFunc(replies, of)}
	a.Stands, a.Says = q.Stands(s.Now().In(s.TimeZone()))
	a.Photos, err = s.Store.Photos.ShownPhotos(ctx, job)
	return a, err
}

// What a job waits for while its customer has not said yes, and when they want to be called. No name
// is in it: one that is put right must not leave a wait behind.
const (
	theYes  = "the customer's yes"
	theCall = "a call to the customer, who asks for one"
)

// AskForYes makes the page on which the customer says yes to the last quote: the job waits for that.
func (s *Assents) AskForYes(ctx context.Context, by record.Account, job int64) error {
	papers, err := s.Store.Bills.OfJob(ctx, job)
	if err != nil {
		return err
	}
	if last, _ := quoteOf(papers, nil, false, false); last == nil {
		return &record.Conflict{Says: "There is no quote yet. Write one first."}
	}
	return s.aboutYes(ctx, job, func(t *store.Tx, _ bool) error {
		if err := s.AddLink(ctx, t, by, record.QuoteLink, job); err != nil {
			return err
		}
		return t.Panes.WaitFor(ctx, job, "", theYes)
	})
}

// anew has a job wait for the yes to a quote that was just written, where there is a page for it.
func (s *Assents) anew(ctx context.Context, t *store.Tx, job int64) error {
	link, err := t.Passports.LinkOf(ctx, record.QuoteLink, job)
	if err != nil || link == nil {
		return err
	}
	return s.waits(ctx, t, job, theYes, "", theCall)
}

// waits has the panes of a job wait for a thing, those that wait for one of others, or for nothing.
func (s *Assents) waits(ctx context.Context, t *store.Tx, job int64, is string, was ...string) error {
	for _, w := range was {
		if err := t.Panes.WaitFor(ctx, job, w, is); err != nil {
			return err
		}
	}
	return t.Jobs.TouchJob(ctx, job)
}

// StopAsking ends the page, and takes back what was said on it: the shop may at any time.
func (s *Assents) StopAsking(ctx context.Context, by record.Account, job int64) error {
	return s.aboutYes(ctx, job, func(t *store.Tx, _ bool) error {
		if err := t.Passports.WithdrawLinks(ctx, record.QuoteLink, job, s.Now()); err != nil {
			return err
		}
		if err := t.Bills.WithdrawReplies(ctx, job, s.Now()); err != nil {
			return err
		}
		if err := s.waits(ctx, t, job, "", theYes, theCall); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "quote", Action: "withdrawn",
			Said: "the page for the customer's yes was withdrawn, with what was said on it"})
	})
}

// aboutYes changes what a job waits for, with the job locked and its change counted. f hears whether
// the job is signed.
func (s *Assents) aboutYes(ctx context.Context, job int64, f func(*store.Tx, bool) error) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		signed, err := t.Jobs.LockJob(ctx, job)
		if err != nil {
			return err
		}
		if err := f(t, signed); err != nil {
			return err
		}
		return t.Jobs.TouchJob(ctx, job)
	})
}

// Said is what somebody says to a quote.
type Said struct {
	Yes   bool   `json:"yes" doc:"Else a call is asked for"`
	Name  string `json:"name" maxLength:"120"`
	Words string `json:"words,omitempty" maxLength:"500"`
}

// Hear keeps what a customer says to the last quote of a job, with the moment: on the page, where by
// is nobody, or on paper, written down by somebody. The same said twice is kept once.
func (s *Assents) Hear(ctx context.Context, by record.Account, job int64, in Said) error {
	var err error
	if in.Name, err = typed.Text("name", in.Name, 120, true); err != nil {
		return err
	}
	if in.Words, err = typed.Text("words", in.Words, 500, false); err != nil {
		return err
	}
	return s.aboutYes(ctx, job, func(t *store.Tx, signed bool) error {
		papers, err := t.Bills.OfJob(ctx, job)
		if err != nil {
			return err
		}
		replies, err := t.Bills.Replies(ctx, job)
		if err != nil {
			return err
		}
		last, q := quoteOf(papers, replies, true, signed)
		if last == nil {
			return &record.Conflict{Says: "There is no quote yet. Write one first."}
		}
		if slices.ContainsFunc(replies, func(r record.Reply) bool {
			return r.Bill == last.ID && r.Withdrawn == nil && in == Said{r.Yes, r.Name, r.Words}
		}) {
			return nil
		}
		now := s.Now().In(s.TimeZone())
		if err := q.Hear(price.Reply{Yes: in.Yes, Name: in.Name}, now); err != nil {
			return err
		}
		return s.heard(ctx, t, by, job, record.Reply{Bill: last.ID, Yes: in.Yes, Name: in.Name, Words: in.Words, At: s.Now()})
	})
}

// heard writes down what was said, and what the job waits for from now on.
func (s *Assents) heard(ctx context.Context, t *store.Tx, by record.Account, job int64, v record.Reply) error {
	if err := t.Bills.AddReply(ctx, v, by.ID); err != nil {
		return err
	}
	was, is, said := []string{theYes, theCall}, "", v.Name+" said yes to the quote"
	if !v.Yes {
		was, is, said = []string{"", theYes}, theCall, v.Name+" asks for a call"
	}
	if err := s.waits(ctx, t, job, is, was...); err != nil {
		return err
	}
	return t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "quote",
		Item: fmt.Sprint(v.Bill), Action: "answered", Said: said, After: v})
}

// QuotePage is the page behind a quote's address.
func (s *Assents) QuotePage(ctx context.Context, job int64) (QuotePage, error) {
	j, err := s.Store.Jobs.Job(ctx, job)
	if err != nil {
		return QuotePage{}, err
	}
	papers, err := s.Store.Bills.OfJob(ctx, job)
	if err != nil {
		return QuotePage{}, err
	}
	replies, err := s.Store.Bills.Replies(ctx, job)
	if err != nil {
		return QuotePage{}, err
	}
	last, q := quoteOf(papers, replies, true, j.Signed || j.Withdrawn != nil)
	if last == nil {
		return QuotePage{}, &record.NotFound{What: "what this address opened"}
	}
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return QuotePage{}, err
	}
	out := QuotePage{Shop: shop.Name, Town: shop.Town, Object: last.Object, Number: last.Number, At: last.At,
		Until: last.Until, Ahead: last.Ahead, Bill: last.Bill}
	if l := last.From; l != nil {
		out.Phone, out.Mail, out.Coin = l.Phone, l.Mail, l.Currency
	}
	if last.Payer != nil {
		out.Free = last.Payer.TaxFree
	}
	out.Stands, out.Says = q.Stands(s.Now().In(s.TimeZone()))
	out.Says = strings.Replace(out.Says, "the customer's yes", "your yes", 1)
	out.Photos, err = s.Store.Photos.ShownPhotos(ctx, job)
	return out, err
}
