package web

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"sync"
	"testing"
	"time"

	"freshshard/internal/jobview"
	"freshshard/internal/store/storetest"
)

// Of the shop that the benchmarks speak to.
const (
	largeJobs = 100_000
	largeOpen = 500
	callers   = 50
	pause     = 2 * time.Second
	lasting   = 20 * time.Second
)

// large serves a shop with a hundred thousand jobs and gives a person of it.
func large(b *testing.B) *client {
	b.Helper()
	c, st := stored(b)
	c.setUp()
	storetest.Fill(b, st.DB, largeJobs, largeOpen)
	return c
}

// kinds are the calls of a shop's day.
var kinds = map[string]func(*client, *rand.Rand) answer{
	"today":  func(c *client, _ *rand.Rand) answer { return c.call("GET", "/api/today", nil) },
	"jobs":   func(c *client, _ *rand.Rand) answer { return c.call("GET", "/api/jobs?state=open", nil) },
	"signed": func(c *client, _ *rand.Rand) answer { return c.call("GET", "/api/jobs?state=signed", nil) },
	"search": func(c *client, r *rand.Rand) answer {
		words := []string{"stove", "quill", "wheelhouse", "customer77", fmt.Sprintf("%d", 1+r.IntN(largeJobs)),
			"cracked%20holt", "nothing-like-it", "tarn%20oven"}
		return c.call("GET", "/api/jobs?words="+words[r.IntN(len(words))], nil)
	},
	"job": func(c *client, r *rand.Rand) answer {
		return c.call("GET", fmt.Sprintf("/api/jobs/%d", 200*(1+r.IntN(largeOpen))), nil)
	},
	"pulse": func(c *client, r *rand.Rand) answer {
		return c.call("GET", fmt.Sprintf("/api/jobs/%d/pulse", 1+r.IntN(largeJobs)), nil)
	},
	"tick": func(c *client, r *rand.Rand) answer {
		return c.call("PUT", fmt.Sprintf("/api/jobs/%d/steps/door-off", 200*(1+r.IntN(largeOpen))), body{"outcome": "done"})
	},
}

func p95(took []time.Duration) float64 {
	slices.Sort(took)
	return float64(took[len(took)*95/100].Microseconds()) / 1000
}

// Fifty people with two seconds between their calls, at a hundred thousand
// jobs; and each kind of call by itself.
func BenchmarkFiftyPeople(b *testing.B) {
	c := large(b)
	names := []string{}
	for n := range kinds {
		names = append(names, n)
	}
	slices.Sort(names)
	for b.Loop() {
		var mu sync.Mutex
		took := map[string][]time.Duration{}
		all := []time.Duration{}
		var wg sync.WaitGroup
		end := time.Now().Add(lasting)
		for n := range callers {
			wg.Go(func() {
				r := rand.New(rand.NewPCG(uint64(n), 3))
				time.Sleep(time.Duration(r.Int64N(int64(pause))))
				o := &client{t: c.t, url: c.url, cookie: c.cookie}
				for time.Now().Before(end) {
					kind := names[r.IntN(len(names))]
					start := time.Now()
					a := kinds[kind](o, r)
					d := time.Since(start)
					if a.status != 200 && a.status != 409 {
						b.Errorf("%s: %d %.200s", kind, a.status, a.body)
					}
					mu.Lock()
					took[kind], all = append(took[kind], d), append(all, d)
					mu.Unlock()
					time.Sleep(pause)
				}
			})
		}
		wg.Wait()
		b.ReportMetric(p95(all), "p95-ms")
		for _, n := range names {
			b.ReportMetric(p95(took[n]), n+"-p95-ms")
		}
	}
}

func BenchmarkLists(b *testing.B) {
	c := large(b)
	for _, kind := range []string{"today", "jobs", "signed", "search", "job"} {
		b.Run(kind, func(b *testing.B) {
			r := rand.New(rand.NewPCG(1, 2))
			took := []time.Duration{}
			kinds[kind](c, r) // the first one reckons what nobody has asked before
			for b.Loop() {
				start := time.Now()
				if a := kinds[kind](c, r); a.status != 200 {
					b.Fatalf("%d %.200s", a.status, a.body)
				}
				took = append(took, time.Since(start))
			}
			b.ReportMetric(p95(took), "p95-ms")
		})
	}
}

// An object of sixty panes, each with its readings: the view, one drawing, the
// ticket.
func BenchmarkSixtyPanes(b *testing.B) {
	c := serve(b).setUp()
	made := ok[Made](c, "POST", "/api/jobs", body{"name": "Oda Marl", "object": "Greenhouse", "exposure": "weather",
		"family": "putty-points", "place": "site",
		"layout": body{"across": 10, "down": 6, "behind": false}}, "Idempotency-Key", "sixty-panes")
	job := fmt.Sprintf("/api/jobs/%d", made.ID)
	v := ok[jobview.View](c, "GET", job, nil)
	for _, p := range v.Panes {
		for place, text := range map[string]string{"width_top": "500", "width_bottom": "501", "height_left": "700",
			"height_right": "699.5"} {
			ok[jobview.View](c, "PUT", fmt.Sprintf("%s/readings/%s?pane=%d", job, place, p.ID),
				body{"text": text, "instrument": "tape", "version": 0})
		}
	}
	for _, k := range []struct{ name, path string }{{"view", ""}, {"drawing", "/drawing.svg"}, {"ticket", "/ticket.pdf"}} {
		b.Run(k.name, func(b *testing.B) {
			for b.Loop() {
				if a := c.call("GET", job+k.path, nil); a.status != 200 {
					b.Fatalf("%d %.200s", a.status, a.body)
				}
			}
		})
	}
}
