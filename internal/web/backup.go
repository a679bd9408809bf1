package web

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/internal/records"
	"freshshard/internal/reply"
)

func backupRoutes(v *Server, api huma.API) {
	reads(v, api, op("backup", http.MethodGet, "/api/backup", "The last good backup"), v.shop.Records.LastBackup)
	register(v, api, op("backUp", http.MethodPost, "/api/backup", "Make a backup now"),
		func(ctx context.Context, _ *struct{}) (*out[records.Backup], error) {
			b, err := v.shop.Records.BackUp(ctx, who(ctx), v.options.Backup)
			return &out[records.Backup]{b}, reply.Of(ctx, err)
		})
}
