// Package web serves the API and the built front end. Handlers are thin: they
// decode, call a use case and encode; the rules are in package shop.
package web

import (
	"context"
	"encoding/json"
	"io"
	"net/http"
	"path"
	"reflect"
	"runtime/debug"
	"strconv"
	"strings"
	"sync"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humagin"
	"github.com/gin-gonic/gin"
	jsonv2 "github.com/go-json-experiment/json"
	jsonv1 "github.com/go-json-experiment/json/v1"
	"github.com/klauspost/compress/gzhttp"

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
	Filled func() Filled
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
	g.Use(recovered)
	v.routes(g)
	origin := http.NewCrossOriginProtection()
	origin.SetDenyHandler(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		write(w, problem(http.StatusForbidden, "origin", "This call came from another site and was not carried out."))
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

// recovered answers for a call that broke and keeps where it did.
func recovered(c *gin.Context) {
	defer func() {
		err := recover()
		if err == nil {
			return
		}
		if err == http.ErrAbortHandler {
			panic(err)
		}
		ctx := c.Request.Context()
		if ctx.Err() == nil {
			logged(ctx).ErrorContext(ctx, "a call broke", "error", err, "stack", string(debug.Stack()))
		}
		if !c.Writer.Written() {
			write(c.Writer, problem(http.StatusInternalServerError, "failed",
				"The program made a mistake. Nothing was lost; try again."))
		}
		c.Abort()
	}()
	c.Next()
}

func (v *Server) routes(g *gin.Engine) {
	api := v.api(g)
	g.GET("/api/openapi.json", v.person, v.contract(api))
	v.fileRoutes(g)
	v.storeFileRoutes(g)
	v.paperRoutes(g)
	v.passportFiles(g)
	v.dayFiles(g)
	v.roundFile(g)
	static(g)
}

// whole writes an answer as JSON, all of it or none: a value that JSON cannot
// say becomes a problem of its own instead of half an answer. No list is null: a
// screen that goes through one must not fall for it.
var whole = huma.Format{
	Marshal: func(w io.Writer, v any) error {
		b, err := jsonv2.Marshal(v, jsonv1.DefaultOptionsV1(), jsonv2.FormatNilSliceAsNull(false))
		if err == nil {
			_, err = w.Write(append(b, '\n'))
			return err
		}
		g, ok := w.(gin.ResponseWriter)
		if !ok || g.Written() {
			return err
		}
		write(g, problem(http.StatusUnprocessableEntity, "field",
			"With these values the sums give no number; look for one that is far too small or far too large."))
		return nil
	},
	Unmarshal: huma.DefaultJSONFormat.Unmarshal,
}

// contract hands the API's description to whoever is signed in.
func (v *Server) contract(api huma.API) gin.HandlerFunc {
	b := sync.OnceValues(func() ([]byte, error) { return json.Marshal(api.OpenAPI()) })
	return func(c *gin.Context) {
		body, err := b()
		if err != nil {
			write(c.Writer, said(c.Request.Context(), err).(*Problem))
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
	c.Formats = map[string]huma.Format{"application/json": whole, "json": whole}
	// Two packages may use one noun, so a type is named with its package.
	c.Components.Schemas = huma.NewMapRegistry("#/components/schemas/", func(t reflect.Type, hint string) string {
		name := huma.DefaultSchemaNamer(t, hint)
		for t.Kind() == reflect.Pointer {
			t = t.Elem()
		}
		if pkg := path.Base(t.PkgPath()); t.Name() != "" && strings.HasPrefix(t.PkgPath(), "freshshard/") &&
			!strings.Contains(t.Name(), "[") {
			return upper(pkg) + name
		}
		return name
	})
	// No $schema links in answers: a job carried as JSON stays what it was.
	c.CreateHooks = nil
	api := humagin.New(g, c)
	api.UseMiddleware(v.signedIn(api))
	v.accountRoutes(api)
	v.jobRoutes(api)
	v.workRoutes(api)
	v.stripRoutes(api)
	v.photoRoutes(api)
	v.instrumentRoutes(api)
	v.sumRoutes(api)
	v.catalogueRoutes(api)
	v.ownRoutes(api)
	v.storeRoutes(api)
	v.backupRoutes(api)
	return api
}

// OpenAPI is the contract as JSON, made without a database.
func OpenAPI() ([]byte, error) {
	gin.SetMode(gin.ReleaseMode)
	v := &Server{shop: &shop.Shop{}}
	g := gin.New()
	api := v.api(g)
	return json.MarshalIndent(api.OpenAPI(), "", "  ")
}

func write(w http.ResponseWriter, p *Problem) {
	w.Header().Set("Content-Type", "application/problem+json")
	if p.RetryAfter > 0 {
		w.Header().Set("Retry-After", strconv.Itoa(p.RetryAfter))
	}
	w.WriteHeader(p.Status)
	_ = json.NewEncoder(w).Encode(p) // the caller may be gone
}
