// Package web serves the API and the built front end. Handlers are thin: they
// decode, call a use case and encode; the rules are in package shop.
package web

import (
	"encoding/json"
	"log/slog"
	"net/http"
	"path"
	"reflect"
	"strings"
	"time"

	"github.com/alexedwards/scs/mysqlstore"
	"github.com/alexedwards/scs/v2"
	"github.com/danielgtaylor/huma/v2"
	"github.com/danielgtaylor/huma/v2/adapters/humagin"
	"github.com/gin-gonic/gin"
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
}

// Server is the program's web side.
type Server struct {
	shop     *shop.Shop
	sessions *scs.SessionManager
	options  Options
}

const (
	sessionLife = 14 * 24 * time.Hour
	sessionIdle = 3 * 24 * time.Hour
)

// New makes the handler for everything. Sessions live in the database, so any
// number of processes can serve the same shop.
func New(s *shop.Shop, o Options) http.Handler {
	if o.Zone == nil {
		o.Zone = time.Local
	}
	m := scs.New()
	if s.Store != nil {
		m.Store = mysqlstore.New(s.Store.DB)
	}
	m.Lifetime, m.IdleTimeout = sessionLife, sessionIdle
	m.Cookie.Name, m.Cookie.HttpOnly, m.Cookie.SameSite, m.Cookie.Secure = "fresh_shard", true, http.SameSiteStrictMode, !o.PlainHTTP
	m.ErrorFunc = func(w http.ResponseWriter, r *http.Request, err error) {
		write(w, said(r.Context(), err).(*Problem))
	}
	v := &Server{shop: s, sessions: m, options: o}
	gin.SetMode(gin.ReleaseMode)
	g := gin.New()
	g.Use(gin.CustomRecoveryWithWriter(nil, func(c *gin.Context, err any) {
		slog.ErrorContext(c.Request.Context(), "a call broke", "error", err)
		write(c.Writer, problem(http.StatusInternalServerError, "failed", "The program made a mistake. Nothing was lost; try again."))
		c.Abort()
	}))
	v.routes(g)
	origin := http.NewCrossOriginProtection()
	origin.SetDenyHandler(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		write(w, problem(http.StatusForbidden, "origin", "This call came from another site and was not carried out."))
	}))
	packed := gzhttp.GzipHandler(origin.Handler(m.LoadAndSave(g)))
	// A stream goes out line by line, past what packs and buffers answers.
	plain := m.LoadAndSave(http.HandlerFunc(v.stream))
	return headers(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.URL.Path == streamPath && r.Method == http.MethodGet {
			plain.ServeHTTP(w, r)
			return
		}
		packed.ServeHTTP(w, r)
	}))
}

func (v *Server) routes(g *gin.Engine) {
	v.api(g)
	v.fileRoutes(g)
	static(g)
}

// api registers every call of the contract.
func (v *Server) api(g *gin.Engine) huma.API {
	c := huma.DefaultConfig("Fresh Shard", "1")
	c.OpenAPIPath, c.DocsPath, c.SchemasPath = "/api/openapi", "", "/api/schemas"
	// Two packages may use one noun, so a type is named with its package.
	c.Components.Schemas = huma.NewMapRegistry("#/components/schemas/", func(t reflect.Type, hint string) string {
		name := huma.DefaultSchemaNamer(t, hint)
		for t.Kind() == reflect.Pointer {
			t = t.Elem()
		}
		if pkg := path.Base(t.PkgPath()); t.Name() != "" && strings.HasPrefix(t.PkgPath(), "freshshard/") && !strings.Contains(t.Name(), "[") {
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
	return api
}

// OpenAPI is the contract as JSON, made without a database.
func OpenAPI() ([]byte, error) {
	gin.SetMode(gin.ReleaseMode)
	v := &Server{shop: &shop.Shop{}, sessions: scs.New()}
	g := gin.New()
	api := v.api(g)
	return json.MarshalIndent(api.OpenAPI(), "", "  ")
}

func write(w http.ResponseWriter, p *Problem) {
	w.Header().Set("Content-Type", "application/problem+json")
	w.WriteHeader(p.Status)
	_ = json.NewEncoder(w).Encode(p) // the caller may be gone
}

// headers keep the page to its own scripts and out of other sites' frames.
func headers(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		h := w.Header()
		// Radix places its layers with inline styles.
		h.Set("Content-Security-Policy", "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; frame-ancestors 'none'; base-uri 'self'; form-action 'self'")
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("Referrer-Policy", "same-origin")
		next.ServeHTTP(w, r)
	})
}
