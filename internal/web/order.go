package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/owed"
	"freshshard/core/price"
	"freshshard/internal/bill"
	"freshshard/internal/buy"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

// OrderID is one order of a job.
type OrderID struct {
	BenchID
	Order int64 `path:"order" minimum:"1"`
}

func orderRoutes(v *Server, api huma.API) {
	orders := func(ctx context.Context, at BenchID, err error) (*out[buy.Orders], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		all, err := v.shop.Buy.Orders(ctx, at.bench(ctx))
		return &out[buy.Orders]{all}, reply.Of(ctx, err)
	}
	register(v, api, op("orders", http.MethodGet, "/api/jobs/{id}/orders",
		"What was ordered for a job, and what it lacks"),
		func(ctx context.Context, in *BenchID) (*out[buy.Orders], error) { return orders(ctx, *in, nil) })
	register(v, api, op("addOrder", http.MethodPost, "/api/jobs/{id}/orders", "Write an order"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[buy.NewOrder]
		}) (*out[buy.Orders], error) {
			return orders(ctx, in.BenchID, v.shop.Buy.AddOrder(ctx, who(ctx), in.Key, in.ID, in.Body, v.options.Zone))
		})
	register(v, api, op("moveOrder", http.MethodPut, "/api/jobs/{id}/orders/{order}/state",
		"It is sent, confirmed or cancelled"),
		func(ctx context.Context, in *struct {
			OrderID
			Body buy.OrderStep
		}) (*out[buy.Orders], error) {
			return orders(ctx, in.BenchID, v.shop.Buy.MoveOrder(ctx, who(ctx), in.bench(ctx), in.Order, in.Body))
		})
	register(v, api, op("orderCame", http.MethodPut, "/api/jobs/{id}/orders/{order}/came",
		"What came, and what goes back"),
		func(ctx context.Context, in *struct {
			OrderID
			Body buy.Came
		}) (*out[buy.Orders], error) {
			return orders(ctx, in.BenchID, v.shop.Buy.OrderCame(ctx, who(ctx), in.bench(ctx), in.Order, in.Body))
		})
	register(v, api, op("askSuppliers", http.MethodPost, "/api/jobs/{id}/offers/asked",
		"Ask whoever answers by themselves"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[struct{}]
		}) (*out[buy.Asked], error) {
			a, err := v.shop.Suppliers.AskSuppliers(ctx, who(ctx), in.Key, in.bench(ctx))
			return &out[buy.Asked]{a}, reply.Of(ctx, err)
		})
}

func supplierRoutes(v *Server, api huma.API) {
	all := func(ctx context.Context, err error) (*out[[]record.Supplier], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		list, err := v.shop.Suppliers.Suppliers(ctx)
		return &out[[]record.Supplier]{list}, reply.Of(ctx, err)
	}
	register(v, api, op("suppliers", http.MethodGet, "/api/suppliers", "Who answers by a call or a file"),
		func(ctx context.Context, _ *struct{}) (*out[[]record.Supplier], error) { return all(ctx, nil) })
	register(v, api, op("setSupplier", http.MethodPut, "/api/suppliers", "Put one in, or change the one of that name"),
		func(ctx context.Context, in *struct{ Body record.Supplier }) (*out[[]record.Supplier], error) {
			return all(ctx, v.shop.Suppliers.SetSupplier(ctx, who(ctx), in.Body))
		})
	register(v, api, op("dropSupplier", http.MethodDelete, "/api/suppliers/{id}", "Take one out"),
		func(ctx context.Context, in *struct {
			ID int64 `path:"id" minimum:"1"`
		}) (*out[[]record.Supplier], error) {
			return all(ctx, v.shop.Suppliers.DropSupplier(ctx, who(ctx), in.ID))
		})
}

func priceRoutes(v *Server, api huma.API) {
	priced := func(ctx context.Context, at BenchID, err error) (*out[bill.Priced], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		p, err := v.shop.Bill.Price(ctx, at.bench(ctx))
		return &out[bill.Priced]{p}, reply.Of(ctx, err)
	}
	register(v, api, op("price", http.MethodGet, "/api/jobs/{id}/price", "What a job costs the customer"),
		func(ctx context.Context, in *BenchID) (*out[bill.Priced], error) { return priced(ctx, *in, nil) })
	register(v, api, op("setPrice", http.MethodPut, "/api/jobs/{id}/price", "Change it by hand"),
		func(ctx context.Context, in *struct {
			BenchID
			Body price.Adjust
		}) (*out[bill.Priced], error) {
			return priced(ctx, in.BenchID, v.shop.Bill.SetPrice(ctx, who(ctx), in.ID, in.Body))
		})
	register(v, api, op("writePaper", http.MethodPost, "/api/jobs/{id}/bills", "Write a quote, an invoice or a credit"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[bill.Paper]
		}) (*out[bill.Priced], error) {
			return priced(ctx, in.BenchID, v.shop.Bill.Write(ctx, who(ctx), in.Key, in.ID, in.Body))
		})
	register(v, api, op("pay", http.MethodPost, "/api/jobs/{id}/payments", "Write down what was paid, or given back"),
		func(ctx context.Context, in *struct {
			BenchID
			Keyed[owed.Entry]
		}) (*out[bill.Priced], error) {
			return priced(ctx, in.BenchID, v.shop.Bill.Pay(ctx, who(ctx), in.Key, in.ID, in.Body))
		})
	assentRoutes(v, api, priced)
	register(v, api, op("setPayer", http.MethodPut, "/api/jobs/{id}/payer", "Who pays for it"),
		func(ctx context.Context, in *struct {
			BenchID
			Body record.Payer
		}) (*out[bill.Priced], error) {
			return priced(ctx, in.BenchID, v.shop.Bill.SetPayer(ctx, who(ctx), in.ID, in.Body))
		})
	register(v, api, op("owing", http.MethodGet, "/api/owing", "What is open, and what is to be given back"),
		func(ctx context.Context, _ *struct{}) (*out[[]record.Owing], error) {
			all, err := v.shop.Bill.Owing(ctx, who(ctx))
			return &out[[]record.Owing]{all}, reply.Of(ctx, err)
		})
	headRoutes(v, api)
}

// headRoutes are what the shop asks, and what stands on its papers.
func headRoutes(v *Server, api huma.API) {
	reads(v, api, op("letterhead", http.MethodGet, "/api/letterhead", "What stands on every paper"),
		v.shop.Bill.Letterhead)
	register(v, api, op("setLetterhead", http.MethodPut, "/api/letterhead", "Change it"),
		func(ctx context.Context, in *struct{ Body record.Letterhead }) (*out[record.Letterhead], error) {
			if err := v.shop.Bill.SetLetterhead(ctx, who(ctx), in.Body); err != nil {
				return nil, reply.Of(ctx, err)
			}
			l, err := v.shop.Bill.Letterhead(ctx)
			return &out[record.Letterhead]{l}, reply.Of(ctx, err)
		})
	reads(v, api, op("rates", http.MethodGet, "/api/rates", "Rates"), v.shop.Bill.Rates)
	register(v, api, op("setRates", http.MethodPut, "/api/rates", "Change it"),
		func(ctx context.Context, in *struct{ Body price.Rates }) (*out[price.Rates], error) {
			if err := v.shop.Bill.SetRates(ctx, who(ctx), in.Body); err != nil {
				return nil, reply.Of(ctx, err)
			}
			r, err := v.shop.Bill.Rates(ctx)
			return &out[price.Rates]{r}, reply.Of(ctx, err)
		})
}

// assentRoutes are how a customer says yes to a quote, and what the shop does about it.
func assentRoutes(v *Server, api huma.API,
	priced func(context.Context, BenchID, error) (*out[bill.Priced], error)) {
	register(v, api, op("askForYes", http.MethodPost, "/api/jobs/{id}/asked",
		"Make the page on which the customer says yes; the job waits for it"),
		func(ctx context.Context, in *BenchID) (*out[bill.Priced], error) {
			return priced(ctx, *in, v.shop.Bill.Yes.AskForYes(ctx, who(ctx), in.ID))
		})
	register(v, api, op("stopAsking", http.MethodDelete, "/api/jobs/{id}/asked",
		"Withdraw that page, and take back what was said on it"),
		func(ctx context.Context, in *BenchID) (*out[bill.Priced], error) {
			return priced(ctx, *in, v.shop.Bill.Yes.StopAsking(ctx, who(ctx), in.ID))
		})
	register(v, api, op("saidOnPaper", http.MethodPut, "/api/jobs/{id}/asked",
		"Write down what the customer said on paper or on the telephone"),
		func(ctx context.Context, in *struct {
			BenchID
			Body bill.Said
		}) (*out[bill.Priced], error) {
			return priced(ctx, in.BenchID, v.shop.Bill.Yes.Hear(ctx, who(ctx), in.ID, in.Body))
		})
	register(v, api, op("showOnQuote", http.MethodPut, "/api/jobs/{id}/asked/photos/{photo}",
		"Put a picture on the page behind the quote's code, or take it off"),
		func(ctx context.Context, in *struct {
			BenchID
			Photo int64 `path:"photo" minimum:"1"`
			Body  struct {
				Shown bool `json:"shown"`
			}
		}) (*out[bill.Priced], error) {
			return priced(ctx, in.BenchID, v.shop.Desk.Photos.ShowPhoto(ctx, who(ctx), in.ID, in.Photo, in.Body.Shown))
		})
	page := func(ctx context.Context, token string, f func(job int64) error) (*out[bill.QuotePage], error) {
		l, err := v.shop.Records.Opened(ctx, record.QuoteLink, token)
		if err == nil {
			err = f(l.Job)
		}
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		p, err := v.shop.Bill.Yes.QuotePage(ctx, l.Job)
		return &out[bill.QuotePage]{p}, reply.Of(ctx, err)
	}
	register(v, api, open(op("openQuote", http.MethodGet, "/api/quote/{token}", "A quote, by its address")),
		func(ctx context.Context, in *Token) (*out[bill.QuotePage], error) {
			return page(ctx, in.Token, func(int64) error { return nil })
		})
	register(v, api, open(op("answerQuote", http.MethodPut, "/api/quote/{token}/answer",
		"The customer says yes, or asks for a call")),
		func(ctx context.Context, in *struct {
			Token
			Body bill.Said
		}) (*out[bill.QuotePage], error) {
			return page(ctx, in.Token.Token, func(job int64) error {
				return v.shop.Bill.Yes.Hear(ctx, record.Account{}, job, in.Body)
			})
		})
}
