package web

import (
	"embed"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"

	"github.com/gin-gonic/gin"

	"freshshard/internal/reply"
)

//go:embed all:static
var files embed.FS

// static serves the built front end. Any address that is not a file is the
// page itself, which finds its own way. Whoever is known by a cookie is sent what the address will
// ask for with it.
func static(g *gin.Engine, known func(*http.Request) bool) {
	built, err := fs.Sub(files, "static/built")
	if err != nil {
		panic(err) // the path is a constant
	}
	server := http.FileServerFS(built)
	ahead := readAhead(built)
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
			if packed(c, built, p) {
				return
			}
			server.ServeHTTP(c.Writer, c.Request)
			return
		}
		page, err := fs.ReadFile(built, "index.html")
		if err != nil {
			c.String(http.StatusNotFound, "The front end has not been built: run make build.")
			return
		}
		c.Header("Cache-Control", "no-cache")
		c.Header("Vary", "Cookie")
		if known(c.Request) {
			page = ahead.in(page, c.Request.URL.Path)
		}
		c.Data(http.StatusOK, "text/html; charset=utf-8", page)
	})
}

// packed answers with what the build has compressed already, where there is such a file and the
// browser takes it.
func packed(c *gin.Context, built fs.FS, p string) bool {
	b, err := fs.ReadFile(built, p+".br")
	if err != nil {
		return false
	}
	c.Header("Vary", "Accept-Encoding")
	if !strings.Contains(c.GetHeader("Accept-Encoding"), "br") {
		return false
	}
	c.Header("Content-Encoding", "br")
	c.Data(http.StatusOK, mime.TypeByExtension(path.Ext(p)), b)
	return true
}
