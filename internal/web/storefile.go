package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/exchange"
	"freshshard/internal/reply"
)

// StockFile is a stores file to take in.
type StockFile struct {
	File []byte `json:"file" maxLength:"2000000" doc:"CSV: a header row, then one row an item"`
}

// Brought is what came of a file: what was taken in, or what is wrong with which row.
// Nothing is taken in of a file with a wrong row.
type Brought struct {
	Added int                 `json:"added"`
	Rows  []exchange.RowError `json:"rows"`
}

// bringRoutes take a file in.
func bringRoutes(v *Server, api huma.API) {
	register(v, api, op("bringStock", http.MethodPost, "/api/stores/file", "Take in what a CSV file lists"),
		func(ctx context.Context, in *Keyed[StockFile]) (*out[Brought], error) {
			items, wrong, err := exchange.ReadStock(in.Body.File)
			if err != nil {
				return nil, reply.Of(ctx, err)
			}
			got := Brought{Rows: wrong}
			if len(wrong) == 0 {
				bad, err := v.shop.Stock.AddStocks(ctx, who(ctx), in.Key, items)
				if err != nil {
					return nil, reply.Of(ctx, err)
				}
				if bad == nil {
					got.Added = len(items)
				} else {
					got.Rows = append(got.Rows, exchange.RowError{Row: bad.At + 2, Field: bad.Err.Field, Why: bad.Err.Why,
						Cure: bad.Err.Cure})
				}
			}
			return &out[Brought]{got}, nil
		})
}
