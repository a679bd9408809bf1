// Package reply has how calls are answered: problems with their fields, the log of calls, and
// connections that may not stand still.
package reply
