package localdb

import (
	"context"
	"log/slog"
	"time"
)

// Waits between tries to bring a server back, doubling: a full disk takes a
// while to be cleared.
const (
	firstRetry = 200 * time.Millisecond
	lastRetry  = 10 * time.Second
)

// watch brings the server back when it dies, at the same address, until ctx
// ends.
func (s *Server) watch(ctx context.Context) {
	for s.untilGone(ctx) {
		slog.ErrorContext(ctx, "the database has ended and is started again", "process", s.PID())
		for wait := firstRetry; ; wait = min(2*wait, lastRetry) {
			daemon, err := find("mariadbd", "/usr/sbin/mariadbd")
			if err == nil {
				err = s.launch(ctx, daemon)
			}
			if err == nil {
				slog.InfoContext(ctx, "the database is back", "process", s.PID())
				break
			}
			if ctx.Err() != nil {
				return
			}
			slog.ErrorContext(ctx, "the database could not be started again", "error", err, "next_try", wait)
			select {
			case <-ctx.Done():
				return
			case <-time.After(wait):
			}
		}
	}
}

// untilGone waits until the server has ended; false when ctx ended first.
func (s *Server) untilGone(ctx context.Context) bool {
	s.mu.Lock()
	exited := s.exited
	s.mu.Unlock()
	if exited != nil {
		select {
		case <-exited:
			return ctx.Err() == nil
		case <-ctx.Done():
			return false
		}
	}
	// An adopted server is no child: it has to be looked at.
	look := time.NewTicker(firstRetry)
	defer look.Stop()
	for {
		select {
		case <-ctx.Done():
			return false
		case <-look.C:
			if s.gone() {
				return true
			}
		}
	}
}
