// Package jobview says how a job stands: its panes as they are reckoned, what is done, what is
// open, what it waits for. It reads a record and a clock, and no database.
package jobview

import "time"

// Reader works jobs out as they stand now. Now is the clock; tests and the demo set it.
type Reader struct{ Now func() time.Time }
