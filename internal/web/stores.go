package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/cutting"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/reply"
	"freshshard/internal/stock"
)

// StockID is one thing in the stores.
type StockID struct {
	ID int64 `path:"id" minimum:"1"`
}

// PlanID is one plan of the cut room.
type PlanID struct {
	ID int64 `path:"id" minimum:"1"`
}

// CutGlass is the glass that a plan is wanted of, with what is held where.
type CutGlass struct {
	stock.Glass
	Pins []stock.Pin `json:"pins,omitempty" maxItems:"500"`
}

func storeRoutes(v *Server, api huma.API) {
	stores := func(ctx context.Context, err error) (*out[stock.Stores], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		all, err := v.shop.Stock.Stores(ctx)
		return &out[stock.Stores]{all}, reply.Of(ctx, err)
	}
	register(v, api, op("stores", http.MethodGet, "/api/stores", "What is in the stores, what is low first"),
		func(ctx context.Context, _ *struct{}) (*out[stock.Stores], error) { return stores(ctx, nil) })
	register(v, api, op("addStock", http.MethodPost, "/api/stores", "Take something into the stores"),
		func(ctx context.Context, in *Keyed[record.StockItem]) (*out[stock.Stores], error) {
			_, err := v.shop.Stock.AddStock(ctx, who(ctx), in.Key, in.Body)
			return stores(ctx, err)
		})
	register(v, api, op("setStock", http.MethodPut, "/api/stores/{id}", "Change what is said of it"),
		func(ctx context.Context, in *struct {
			StockID
			Body record.StockItem
		}) (*out[stock.Stores], error) {
			in.Body.ID = in.ID
			return stores(ctx, v.shop.Stock.SetStock(ctx, who(ctx), in.Body))
		})
	register(v, api, op("moveStock", http.MethodPost, "/api/stores/{id}/moves", "Book what came or went"),
		func(ctx context.Context, in *struct {
			StockID
			Keyed[stock.Moved]
		}) (*out[stock.Stores], error) {
			return stores(ctx, v.shop.Stock.MoveStock(ctx, who(ctx), in.Key, in.ID, in.Body))
		})
	register(v, api, op("stockMoves", http.MethodGet, "/api/stores/{id}/moves", "What came and went, newest first"),
		func(ctx context.Context, in *StockID) (*out[[]record.StockMove], error) {
			list, err := v.shop.Stock.StockMoves(ctx, in.ID)
			return &out[[]record.StockMove]{list}, reply.Of(ctx, err)
		})
	bringRoutes(v, api)
	offerRoutes(v, api)
	orderRoutes(v, api)
	holdRoutes(v, api)
	supplierRoutes(v, api)
	priceRoutes(v, api)
	passportRoutes(v, api)
	dayRoutes(v, api)
	roundRoutes(v, api)
	cutRoutes(v, api)
}

func cutRoutes(v *Server, api huma.API) {
	room := func(ctx context.Context, err error) (*out[stock.CutRoom], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		r, err := v.shop.Stock.CutRoom(ctx)
		return &out[stock.CutRoom]{r}, reply.Of(ctx, err)
	}
	register(v, api, op("cutRoom", http.MethodGet, "/api/cut-room", "What waits to be cut, and the open plans"),
		func(ctx context.Context, _ *struct{}) (*out[stock.CutRoom], error) { return room(ctx, nil) })
	register(v, api, op("planCuts", http.MethodPost, "/api/cut-room/plans", "Plan what waits of one glass"),
		func(ctx context.Context, in *struct{ Body CutGlass }) (*out[stock.CutRoom], error) {
			return room(ctx, v.shop.Stock.PlanCuts(ctx, who(ctx), in.Body.Glass, in.Body.Pins))
		})
	type at struct {
		PlanID
		Body stock.CutAt
	}
	register(v, api, op("cut", http.MethodPut, "/api/cut-room/plans/{id}/cut", "The next cut is made"),
		func(ctx context.Context, in *at) (*out[stock.CutRoom], error) {
			return room(ctx, v.shop.Stock.Cut(ctx, who(ctx), in.ID, in.Body))
		})
	register(v, api, op("broke", http.MethodPut, "/api/cut-room/plans/{id}/broke", "What was in hand broke"),
		func(ctx context.Context, in *at) (*out[stock.CutRoom], error) {
			return room(ctx, v.shop.Stock.Broke(ctx, who(ctx), in.ID, in.Body))
		})
	register(v, api, op("undoCut", http.MethodPut, "/api/cut-room/plans/{id}/undo", "Take the last cut back"),
		func(ctx context.Context, in *struct {
			PlanID
			Body struct {
				Version int `json:"version"`
			}
		}) (*out[stock.CutRoom], error) {
			return room(ctx, v.shop.Stock.UndoCut(ctx, who(ctx), in.ID, in.Body.Version))
		})
	register(v, api, op("cutHere", http.MethodPut, "/api/jobs/{id}/cut",
		"The pane is cut here by hand, and sized for that"),
		func(ctx context.Context, in *BenchID) (*out[jobview.View], error) {
			return v.show(ctx, *in, v.shop.Stock.CutHere(ctx, who(ctx), in.bench(ctx)))
		})
	register(v, api, op("cutAgain", http.MethodDelete, "/api/jobs/{id}/cut", "Let a pane wait to be cut once more"),
		func(ctx context.Context, in *BenchID) (*out[jobview.View], error) {
			at := in.bench(ctx)
			return v.show(ctx, *in, v.shop.Stock.CutAgain(ctx, who(ctx), at.Job, at.Pane))
		})
	register(v, api, op("spares", http.MethodGet, "/api/cut-room/spares", "How many blanks to cut for one good pane"),
		func(ctx context.Context, in *struct {
			Material string  `query:"material" maxLength:"40"`
			Shaped   bool    `query:"shaped"`
			Sure     float64 `query:"sure" minimum:"0" maximum:"1" default:"0.95"`
		}) (*out[cutting.Spares], error) {
			s, err := v.shop.Stock.SparesFor(ctx, who(ctx), in.Material, in.Shaped, in.Sure)
			return &out[cutting.Spares]{s}, reply.Of(ctx, err)
		})
}
