package e2e

import (
	"context"
	"io"
	"net"
	"net/url"
	"sync"
	"testing"
	"time"
)

// line is a slow line to the program: how long a byte is on its way, and how many come down it in
// a second, all connections together.
type line struct {
	way    time.Duration
	second int
	mu     sync.Mutex
	free   time.Time
}

// takes is when a number of bytes has come down the line, one after another.
func (l *line) takes(n int) time.Time {
	l.mu.Lock()
	defer l.mu.Unlock()
	if now := time.Now(); l.free.Before(now) {
		l.free = now
	}
	l.free = l.free.Add(time.Duration(n) * time.Second / time.Duration(l.second))
	return l.free
}

// carry brings what comes in at one end out at the other, each piece when it has come so far.
func carry(to, from net.Conn, due func(n int) time.Time) {
	type piece struct {
		b  []byte
		at time.Time
	}
	under := make(chan piece, 4096)
	go func() {
		defer close(under)
		for {
			b := make([]byte, 4096)
			n, err := from.Read(b)
			if n > 0 {
				under <- piece{b[:n], due(n)}
			}
			if err != nil {
				return
			}
		}
	}()
	for p := range under {
		time.Sleep(time.Until(p.at))
		if _, err := to.Write(p.b); err != nil {
			break
		}
	}
	_ = to.Close()
	for range under {
		continue
	}
}

// slow is the program's address at the end of a line.
func slow(b *testing.B, program string, l *line) string {
	b.Helper()
	at, err := url.Parse(program)
	if err != nil {
		b.Fatal(err)
	}
	var listen net.ListenConfig
	door, err := listen.Listen(context.Background(), "tcp", "127.0.0.1:0")
	if err != nil {
		b.Fatal(err)
	}
	b.Cleanup(func() { _ = door.Close() })
	go func() {
		for {
			near, err := door.Accept()
			if err != nil {
				return
			}
			go func() {
				time.Sleep(2 * l.way) // to shake hands
				far, err := new(net.Dialer).DialContext(context.Background(), "tcp", at.Host)
				if err != nil {
					_ = near.Close()
					return
				}
				go carry(far, near, func(int) time.Time { return time.Now().Add(l.way) })
				carry(near, far, func(n int) time.Time { return l.takes(n).Add(l.way) })
				_, _ = io.Copy(io.Discard, near)
			}()
		}
	}()
	return "http://" + door.Addr().String()
}

// A browser that was never here, on a line of 400 ms there and back and 50 kB a second: until Today
// is there, and then, once it has been read, until each of some other screens is, in ms.
func BenchmarkSlowLine(b *testing.B) {
	p := start(b, "demo")
	var first, next, n, m float64
	for b.Loop() {
		g := open(b, p)
		g.signIn("mira")
		g.url = slow(b, p.url, &line{way: 200 * time.Millisecond, second: 50_000})
		began := time.Now()
		g.goTo("/")
		g.until("today", `document.querySelector("[data-first]")`)
		first, n = first+float64(time.Since(began).Milliseconds()), n+1
		time.Sleep(5 * time.Second) // somebody reads what there is to do
		for _, to := range []struct{ path, there string }{
			{"/jobs/1/measure", `document.querySelector("[data-order]")`},
			{"/jobs/1/set", `document.querySelector("main [data-step]")`},
			{"/jobs", `document.querySelector("[data-listed]")`},
			{"/stores", `document.querySelector("[data-stock]")`},
		} {
			began := time.Now()
			g.moveTo(to.path)
			g.until(to.path, to.there)
			next, m = max(next, float64(time.Since(began).Milliseconds())), m+1
		}
	}
	b.ReportMetric(first/n, "first-ms")
	b.ReportMetric(next, "next-ms")
}
