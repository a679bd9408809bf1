package demo

import (
	"context"
	"net"
	"net/http"
	"slices"
	"time"

	"freshshard/internal/record"
	"freshshard/internal/shop"
	"freshshard/internal/supplier"
)

// StandIns starts the made-up suppliers on loopback and puts them into the shop at the
// address that they have this time. They answer until the context ends; done waits for
// that. folder is where those by file have theirs.
func StandIns(ctx context.Context, s *shop.Shop, folder string) (done func(), err error) {
	l, err := (&net.ListenConfig{}).Listen(ctx, "tcp", "127.0.0.1:0")
	if err != nil {
		return nil, err
	}
	s.Suppliers.SuppliersIn(folder)
	had, err := s.Suppliers.Suppliers(ctx)
	if err != nil {
		_ = l.Close()
		return nil, err
	}
	for _, v := range supplier.StandIns("http://" + l.Addr().String()) {
		if i := slices.IndexFunc(had, func(h record.Supplier) bool { return h.Name == v.Name }); i >= 0 {
			had[i].Kind, had[i].Way, had[i].Address = v.Kind, v.Way, v.Address
			v = had[i]
		}
		if err := s.Suppliers.SetSupplier(ctx, record.Account{Role: record.Owner}, v); err != nil {
			_ = l.Close()
			return nil, err
		}
	}
	server := &http.Server{Handler: supplier.Handler(), ReadHeaderTimeout: time.Second}
	ended := make(chan struct{}, 2)
	go func() { _ = server.Serve(l); ended <- struct{}{} }()
	go func() { _ = supplier.ServeFiles(ctx, folder); _ = server.Close(); ended <- struct{}{} }()
	return func() { <-ended; <-ended }, nil
}
