package main

import (
	"fmt"
	"runtime/debug"

	"freshshard/internal/database"
)

// version is what the program says of itself: from which state of its source it
// was built, with which Go, and which schema it brings a database to.
func version() (string, error) {
	schema, err := database.Latest()
	if err != nil {
		return "", err
	}
	built, at, changed, with := "from a source without history", "", "", ""
	if info, ok := debug.ReadBuildInfo(); ok {
		with = info.GoVersion
		for _, s := range info.Settings {
			switch s.Key {
			case "vcs.revision":
				built = "from " + s.Value[:min(12, len(s.Value))]
			case "vcs.time":
				at = " of " + s.Value
			case "vcs.modified":
				if s.Value == "true" {
					changed = ", changed since"
				}
			}
		}
	}
	return fmt.Sprintf("Fresh Shard, built %s%s%s with %s; schema %d", built, at, changed, with, schema), nil
}
