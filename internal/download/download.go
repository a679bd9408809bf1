// Package download hands out what is kept or printed as a file: drawings, tickets, papers,
// calendars and pictures. Its calls are plain routes: what they give is no JSON.
package download

import (
	"context"
	"time"

	"github.com/gin-gonic/gin"

	"freshshard/internal/record"
	"freshshard/internal/shop"
)

// Files makes them.
type Files struct {
	Shop     *shop.Shop
	Zone     *time.Location                       // of printed moments
	SignedIn gin.HandlerFunc                      // lets nobody pass who is not signed in
	Who      func(context.Context) record.Account // who is
}

// Routes adds them all.
func (v *Files) Routes(g *gin.Engine) {
	fileRoutes(v, g)
	storeFileRoutes(v, g)
	paperRoutes(v, g)
	passportFiles(v, g)
	dayFiles(v, g)
	roundFile(v, g)
}
