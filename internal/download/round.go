package download

import (
	"context"
	"io"
	"strconv"

	"github.com/gin-gonic/gin"

	"freshshard/internal/exchange"
	"freshshard/internal/record"
)

// roundFile hands a round out on paper, with its load list.
func roundFile(v *Files, g *gin.Engine) {
	g.Group("/api", v.SignedIn).GET("/rounds/:id/sheet.pdf", func(c *gin.Context) {
		handOut(c, "round.pdf", "application/pdf", func(ctx context.Context, w io.Writer) error {
			id, err := strconv.ParseInt(c.Param("id"), 10, 64)
			if err != nil {
				return &record.NotFound{What: "this round"}
			}
			l, err := v.Shop.Rounds.RoundLoad(ctx, id)
			if err != nil {
				return err
			}
			s, err := v.Shop.Settings(ctx)
			if err != nil {
				return err
			}
			return exchange.RoundSheet(w, l, s, v.Zone)
		})
	})
}
