package supplier

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/record"
)

var ask = Request{Ref: "job-1-pane-2", Text: "a pane", Material: "toughened", Thickness: 4, W: 300, H: 200}

func TestCheck(t *testing.T) {
	for _, c := range []struct {
		way, address, field string
	}{
		{"http", "http://127.0.0.1:8090/quay", ""}, {"http", "http://[::1]:8090/quay", ""}, {"file", "north-quay", ""},
		{"http", "https://127.0.0.1/x", "address"}, {"http", "http://192.168.1.4/x", "address"},
		{"http", "http://localhost.example/x", "address"}, {"http", "http://u:p@127.0.0.1/x", "address"},
		{"http", "://", "address"}, {"file", "../quay", "address"}, {"file", "", "address"}, {"file", "Quay", "address"},
		{"post", "x", "way"},
	} {
		err := Check(record.Supplier{Way: c.way, Address: c.address})
		if f := fault.Of(err); (f == nil) != (c.field == "") || f != nil && f.Field != c.field {
			t.Errorf("%s %q: %v", c.way, c.address, err)
		}
	}
}

// The answers of the made-up suppliers by their oddness: what is wrong is not taken, and
// the same request has the same answer.
func TestStandIns(t *testing.T) {
	seen := map[string]bool{}
	for _, m := range makers {
		for n := range 400 {
			r := ask
			r.Ref = fmt.Sprint(n)
			odd := m.oddness(r)
			a := m.answer(r, odd)
			if b := m.answer(r, m.oddness(r)); a != b {
				t.Fatalf("%+v, %+v", a, b)
			}
			err := a.Check(r)
			seen[fmt.Sprint(m.Name, odd)] = true
			switch {
			case odd == Wrong && (err == nil || !strings.Contains(err.Error(), "answered for 5 mm toughened, asked for 4 mm")),
				odd != Wrong && err != nil, odd == Refused && a.Refused == "", odd == Partial &&
					!strings.Contains(a.Lacks, "clips"),
				odd == Late && a.Days != m.days+7, odd == Plain && (a.Price <= m.flat || a.Days != m.days):
				t.Fatalf("%s, %d: %+v, %v", m.Name, odd, a, err)
			}
		}
	}
	if len(seen) != 5*len(makers) {
		t.Errorf("only %v", seen)
	}
	if a := makers[0].answer(Request{W: 3001, H: 10}, Plain); a.Refused == "" {
		t.Errorf("%+v", a)
	}
}

func TestAskByCall(t *testing.T) {
	s := httptest.NewServer(Handler())
	defer s.Close()
	all := StandIns(s.URL)
	a, err := Ask(context.Background(), all[0], "", ask)
	if err != nil && !strings.Contains(err.Error(), "answered for") || a.Ref != ask.Ref {
		t.Errorf("%+v, %v", a, err)
	}
	for name, h := range map[string]http.HandlerFunc{
		"no JSON":  func(w http.ResponseWriter, _ *http.Request) { _, _ = w.Write([]byte("<p>")) },
		"with 500": func(w http.ResponseWriter, _ *http.Request) { w.WriteHeader(500) },
		"with 302": func(w http.ResponseWriter, q *http.Request) {
			http.Redirect(w, q, "http://192.0.2.1/", http.StatusFound)
		},
		`answered for`: func(w http.ResponseWriter, _ *http.Request) { _, _ = w.Write([]byte(`{"ref":"other"}`)) },
		"price cannot": func(w http.ResponseWriter, _ *http.Request) {
			_, _ = w.Write([]byte(`{"ref":"job-1-pane-2","material":"toughened","thickness":4,"price":-1}`))
		},
		"days cannot": func(w http.ResponseWriter, _ *http.Request) {
			_, _ = w.Write([]byte(`{"ref":"job-1-pane-2","material":"toughened","thickness":4,"price":1,"days":366}`))
		},
	} {
		bad := httptest.NewServer(h)
		_, err := Ask(context.Background(), record.Supplier{Way: "http", Address: bad.URL}, "", ask)
		bad.Close()
		if err == nil || !strings.Contains(err.Error(), name) {
			t.Errorf("%s: %v", name, err)
		}
	}
	late := httptest.NewServer(http.HandlerFunc(func(_ http.ResponseWriter, q *http.Request) {
		_, _ = io.Copy(io.Discard, q.Body) // else nobody notices that the caller went away
		<-q.Context().Done()
	}))
	defer late.Close()
	ctx, cancel := context.WithTimeout(context.Background(), 50*time.Millisecond)
	defer cancel()
	if _, err := Ask(ctx, record.Supplier{Way: "http", Address: late.URL}, "", ask); !errors.Is(err, ErrLate) {
		t.Errorf("%v", err)
	}
	if _, err := Ask(context.Background(), record.Supplier{Way: "http", Address: "http://127.0.0.1:1/x"}, "",
		ask); err == nil ||
		!strings.Contains(err.Error(), "nobody answers") {
		t.Errorf("%v", err)
	}
}

func TestAskByFile(t *testing.T) {
	dir := t.TempDir()
	post := StandIns("")[2]
	for range 2 { // asked twice before anybody looked
		if _, err := Ask(context.Background(), post, dir, ask); !errors.Is(err, ErrLate) {
			t.Fatalf("%v", err)
		}
	}
	for range 2 {
		if err := AnswerFiles(dir); err != nil {
			t.Fatal(err)
		}
	}
	a, err := Ask(context.Background(), post, dir, ask)
	if err != nil && !strings.Contains(err.Error(), "answered for") || a.Ref != ask.Ref {
		t.Errorf("%+v, %v", a, err)
	}
	if files, _ := filepath.Glob(filepath.Join(dir, "marsh", "*")); len(files) != 2 {
		t.Errorf("%v", files)
	}
	bad := ask
	bad.Ref = "../x"
	if _, err := Ask(context.Background(), post, dir, bad); err == nil {
		t.Error("a reference led out of its folder")
	}
	if err := os.WriteFile(filepath.Join(dir, "marsh", "ask-broken.json"), []byte("{"), 0o600); err != nil {
		t.Fatal(err)
	}
	if err := AnswerFiles(dir); err != nil {
		t.Errorf("half a file stops the others: %v", err)
	}
}

// Whatever somebody answers: what is taken belongs to what was asked, costs what can be paid,
// and has texts that can be kept.
func FuzzAnswer(f *testing.F) {
	r := Request{Ref: "1-1", Material: "toughened", Thickness: 4}
	f.Add([]byte(`{"ref":"1-1","material":"toughened","thickness":4,"price":100,"days":3,"lacks":"seal"}`))
	f.Add([]byte(`{"ref":"1-1","refused":"too large"}`))
	f.Add([]byte(`[`))
	f.Fuzz(func(t *testing.T, b []byte) {
		a, err := answerOf(b, r)
		if err != nil {
			return
		}
		if a.Ref != r.Ref || a.Refused == "" && (a.Price <= 0 || a.Days < 0 || a.Material != r.Material) ||
			len([]rune(a.Lacks)) > mostText || len([]rune(a.Refused)) > mostText+2 {
			t.Errorf("%+v", a)
		}
	})
}
