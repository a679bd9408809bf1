package web

import (
	"embed"
	"io/fs"
	"net/http"
	"path"
	"strings"

	"github.com/gin-gonic/gin"

	"freshshard/internal/reply"
)

//go:embed all:static
var files embed.FS

// static serves the built front end. Any address that is not a file is the
// page itself, which finds its own way.
func static(g *gin.Engine) {
	built, err := fs.Sub(files, "static/built")
	if err != nil {
		panic(err) // the path is a constant
	}
	server := http.FileServerFS(built)
	g.NoRoute(func(c *gin.Context) {
		p := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
		if strings.HasPrefix(p, "api/") || p == "api" {
			reply.Write(c.Writer, reply.New(http.StatusNotFound, "not-found", "There is nothing at this address."))
			return
		}
		if c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead {
			reply.Write(c.Writer, reply.New(http.StatusMethodNotAllowed, "method", "This address can only be read."))
			return
		}
		if f, err := fs.Stat(built, p); err == nil && p != "" && !f.IsDir() {
			// Built files carry a hash of their content in their names.
			c.Header("Cache-Control", "public, max-age=31536000, immutable")
			server.ServeHTTP(c.Writer, c.Request)
			return
		}
		page, err := fs.ReadFile(built, "index.html")
		if err != nil {
			c.String(http.StatusNotFound, "The front end has not been built: run make build.")
			return
		}
		c.Header("Cache-Control", "no-cache")
		c.Data(http.StatusOK, "text/html; charset=utf-8", page)
	})
}
