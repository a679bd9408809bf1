package web

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io/fs"
	"slices"
	"strings"
)

// builtFile is what the build says of a file: where it lies and what it needs beside itself.
type builtFile struct {
	File    string   `json:"file"`
	Imports []string `json:"imports"`
	Entry   bool     `json:"isEntry"`
}

// ahead has, by the source of a screen, the tags that let a browser load it beside the page's own
// script: on a slow line each wait that does not come after another is one less.
type ahead map[string][]byte

// Screens that are opened by their address, with what they ask first.
const (
	todaySource = "src/screens/today/TodayScreen.tsx"
	jobSource   = "src/screens/job/JobScreen.tsx"
)

// readAhead makes the tags from the build's list; without one there are none.
func readAhead(built fs.FS) ahead {
	out := ahead{}
	list, err := fs.ReadFile(built, "manifest.json")
	if err != nil {
		return out
	}
	var all map[string]builtFile
	if json.Unmarshal(list, &all) != nil {
		return out
	}
	had := map[string]bool{}
	for name, f := range all {
		if f.Entry {
			needs(all, name, had)
		}
	}
	for _, screen := range []string{todaySource, jobSource} {
		files := map[string]bool{}
		needs(all, screen, files)
		var names []string
		for name := range files {
			if f := all[name].File; !had[name] && f != "" {
				names = append(names, f)
			}
		}
		slices.Sort(names)
		var tags bytes.Buffer
		for _, f := range names {
			fmt.Fprintf(&tags, "<link rel=\"modulepreload\" crossorigin href=\"/%s\">", f)
		}
		out[screen] = tags.Bytes()
	}
	return out
}

// needs adds a file and all that it needs.
func needs(all map[string]builtFile, name string, seen map[string]bool) {
	if seen[name] {
		return
	}
	seen[name] = true
	for _, more := range all[name].Imports {
		needs(all, more, seen)
	}
}

// in is the page with what its address will ask for.
func (a ahead) in(page []byte, address string) []byte {
	var tags []byte
	switch p := address; {
	case p == "/":
		tags = slices.Concat(a[todaySource],
			[]byte(`<link rel="preload" href="/api/today" as="fetch" crossorigin="anonymous">`))
	case strings.HasPrefix(p, "/jobs/"):
		tags = a[jobSource]
	}
	return bytes.Replace(page, []byte("</head>"), slices.Concat(tags, []byte("</head>")), 1)
}
