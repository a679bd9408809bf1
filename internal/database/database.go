// Package database connects to MariaDB, brings its tables up to date, and tells what an error
// of it means: gone, raced, or taken already.
package database
