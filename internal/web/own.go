package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/catalogue"
	"freshshard/internal/reply"
)

// OwnAt names one value of the book.
type OwnAt struct {
	Kind string `path:"kind" enum:"material,family,frame,exposure,cutter,stock,touch,usual"`
	ID   string `path:"id" maxLength:"60"`
	Item string `path:"item" maxLength:"40"`
}

// OwnIn is a value of the shop's own. Version is that on the screen, 0 while
// the book's holds.
type OwnIn struct {
	V       float64 `json:"v"`
	Sheet   string  `json:"sheet"`
	Version int     `json:"version"`
}

func (a OwnAt) value(version int) catalogue.Value {
	return catalogue.Value{Kind: a.Kind, ID: a.ID, Item: a.Item, Version: version}
}

// Revision changes whenever the shop's own values do.
type Revision struct {
	Revision string `json:"revision"`
}

func ownRoutes(v *Server, api huma.API) {
	owns := func(ctx context.Context, err error) (*out[catalogue.Values], error) {
		if err != nil {
			return nil, reply.Of(ctx, err)
		}
		vs, err := v.shop.Records.Book.Own(ctx)
		return &out[catalogue.Values]{vs}, reply.Of(ctx, err)
	}
	register(v, api, op("bookRevision", http.MethodGet, "/api/book/revision",
		"Whether a value of the shop's own has changed"), func(ctx context.Context, _ *struct{}) (*out[Revision], error) {
		r, err := v.shop.Records.Book.BookRevision(ctx)
		return &out[Revision]{Revision{r}}, reply.Of(ctx, err)
	})
	register(v, api, op("setOwn", http.MethodPut, "/api/book/{kind}/{id}/{item}",
		"Lay a value of the shop's own over the book's"), func(ctx context.Context, in *struct {
		OwnAt
		Body OwnIn
	}) (*out[catalogue.Values], error) {
		o := in.value(in.Body.Version)
		o.V, o.Sheet = in.Body.V, in.Body.Sheet
		return owns(ctx, v.shop.Records.Book.SetOwn(ctx, who(ctx), o))
	})
	register(v, api, op("dropOwn", http.MethodDelete, "/api/book/{kind}/{id}/{item}", "Let the book's value hold again"),
		func(ctx context.Context, in *struct {
			OwnAt
			Version int `query:"version"`
		}) (*out[catalogue.Values], error) {
			return owns(ctx, v.shop.Records.Book.DropOwn(ctx, who(ctx), in.value(in.Version)))
		})
}
