package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/records"
)

func (v *Server) backupRoutes(api huma.API) {
	register(v, api, op("backup", http.MethodGet, "/api/backup", "The last good backup"),
		func(ctx context.Context, _ *struct{}) (*out[records.Backup], error) {
			b, err := v.shop.Records.LastBackup(ctx)
			return &out[records.Backup]{b}, said(ctx, err)
		})
	register(v, api, op("backUp", http.MethodPost, "/api/backup", "Make a backup now"),
		func(ctx context.Context, _ *struct{}) (*out[records.Backup], error) {
			b, err := v.shop.Records.BackUp(ctx, who(ctx), v.options.Backup)
			return &out[records.Backup]{b}, said(ctx, err)
		})
}
