// Package web serves the API and the built front end. Handlers are thin: they decode, call a
// use case and encode; the rules are in the rooms and the core.
package web

import (
	"context"
	"encoding/json"
	"net/http"
	"path"
	"reflect"
	"strings"
	"sync"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humagin"
	"github.com/gin-gonic/gin"
	"github.com/klauspost/compress/gzhttp"

	"freshshard/internal/download"
	"freshshard/internal/reply"
	"freshshard/internal/shop"
)

// Options are what a server can be told.
type Options struct {
	// PlainHTTP lets the session cookie travel without TLS, for a shop's own
	// network without certificates. Browsers treat loopback as safe anyway.
	PlainHTTP bool
	// Zone is the time zone of printed tickets.
	Zone *time.Location
	// Hosts are names under which the shop is reached, beside the machine's
	// own and its addresses by number.
	Hosts []string
	// BehindProxy takes the caller's address from the proxy's header.
	BehindProxy bool
	// Backup makes a backup now; nil where none is kept.
	Backup func(context.Context) error
	// Filled says how far a made-up shop is filled; nil where there is nothing to fill.
	Filled func() reply.Filled
	// Closing ends the streams when it is closed; nil never does.
	Closing <-chan struct{}
}

// Server is the program's web side.
type Server struct {
	shop    *shop.Shop
	options Options
	streams streams
}

// New makes the handler for everything. Sessions live in the database, so any
// number of processes can serve the same shop.
func New(s *shop.Shop, o Options) http.Handler {
	if o.Zone == nil {
		o.Zone = time.Local
	}
	s.Zone = o.Zone
	v := &Server{shop: s, options: o, streams: streams{open: map[int64]int{}}}
	gin.SetMode(gin.ReleaseMode)
	g := gin.New()
	g.Use(reply.Recovered, keyed)
	routes(v, g)
	origin := http.NewCrossOriginProtection()
	origin.SetDenyHandler(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		reply.Write(w, reply.New(http.StatusForbidden, "origin", "This call came from another site and was not carried out."))
	}))
	packed := gzhttp.GzipHandler(origin.Handler(g))
	return v.logs(v.guard(v.untilFilled(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		switch {
		case r.URL.Path == healthPath:
			v.health(w, r)
		case r.URL.Path == streamPath && r.Method == http.MethodGet:
			// A stream goes out line by line, past what packs answers.
			v.stream(w, r)
		case r.URL.Path == pulsePath && r.Method == http.MethodGet:
			v.pulse(w, r)
		default:
			packed.ServeHTTP(w, r)
		}
	}))))
}

func routes(v *Server, g *gin.Engine) {
	api := v.api(g)
	g.GET("/api/openapi.json", v.person, v.contract(api))
	files := download.Files{Shop: v.shop, Zone: v.options.Zone, SignedIn: v.person, Who: who}
	files.Routes(g)
	static(g, func(r *http.Request) bool {
		_, err := r.Cookie(v.cookieName())
		return err == nil
	})
}

// contract hands the API's description to whoever is signed in.
func (v *Server) contract(api huma.API) gin.HandlerFunc {
	b := sync.OnceValues(func() ([]byte, error) { return json.Marshal(api.OpenAPI()) })
	return func(c *gin.Context) {
		body, err := b()
		if err != nil {
			reply.Write(c.Writer, reply.Of(c.Request.Context(), err).(*reply.Problem))
			return
		}
		c.Data(http.StatusOK, "application/vnd.oai.openapi+json", body)
	}
}

// api registers every call of the contract.
func (v *Server) api(g *gin.Engine) huma.API {
	c := huma.DefaultConfig("Fresh Shard", "1")
	// The contract is for people who are signed in; see contract.
	c.OpenAPIPath, c.DocsPath, c.SchemasPath = "", "", ""
	c.Formats = map[string]huma.Format{"application/json": reply.Format, "json": reply.Format}
	// Two packages may use one noun, so a type is named with its package.
	c.Components.Schemas = huma.NewMapRegistry("#/components/schemas/", func(t reflect.Type, hint string) string {
		name := huma.DefaultSchemaNamer(t, hint)
		for t.Kind() == reflect.Pointer {
			t = t.Elem()
		}
		if pkg := path.Base(t.PkgPath()); t.Name() != "" && strings.HasPrefix(t.PkgPath(), "freshshard/") &&
			!strings.Contains(t.Name(), "[") {
			return reply.Upper(pkg) + name
		}
		return name
	})
	// No $schema links in answers: a job carried as JSON stays what it was.
	c.CreateHooks = nil
	api := humagin.New(g, c)
	api.UseMiddleware(v.signedIn(api))
	accountRoutes(v, api)
	jobRoutes(v, api)
	workRoutes(v, api)
	stripRoutes(v, api)
	photoRoutes(v, api)
	instrumentRoutes(v, api)
	sumRoutes(v, api)
	catalogueRoutes(v, api)
	ownRoutes(v, api)
	storeRoutes(v, api)
	backupRoutes(v, api)
	return api
}

// OpenAPI is the contract as JSON, made without a database.
func OpenAPI() ([]byte, error) {
	gin.SetMode(gin.ReleaseMode)
	v := &Server{shop: shop.New(nil)}
	g := gin.New()
	api := v.api(g)
	return json.MarshalIndent(api.OpenAPI(), "", "  ")
}
