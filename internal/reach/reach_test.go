package reach

import (
	"context"
	"net/http"
	"net/http/httptest"
	"testing"

	"freshshard/core/fault"
)

// What goes out as an address, and what never does.
func TestClean(t *testing.T) {
	for text, want := range map[string]string{"": "", " https://Lantern.Example/ ": "https://lantern.example",
		"http://192.0.2.7:8080": "http://192.0.2.7:8080", "lantern.example": "!", "ftp://lantern.example": "!",
		"https://":                     "!",
		"https://lantern.example/jobs": "!", "https://a:b@lantern.example": "!", "https://lantern.example?x=1": "!",
		"http://127.0.0.1:8080": "!", "http://localhost": "!", "http://[::1]:80": "!", "http://127.9.9.9": "!"} {
		got, err := Clean("address", text)
		if f := fault.Of(err); (f != nil) != (want == "!") || f != nil && (f.Field != "address" || f.Cure == "") ||
			err == nil && got != want {
			t.Errorf("%q: %q, %v", text, got, err)
		}
	}
}

// A shop that answers says its name; another program, an error and nothing at all do not.
func TestName(t *testing.T) {
	for body, want := range map[string]string{`{"setup":false,"shop":{"name":"Lantern Yard"}}`: "Lantern Yard", `{}`: "",
		`<p>`: "",
		"404": ""} {
		s := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
			if body == "404" {
				w.WriteHeader(http.StatusNotFound)
			}
			_, _ = w.Write([]byte(body))
		}))
		if got, err := Name(context.Background(), s.URL); got != want || (err == nil) != (want != "") {
			t.Errorf("%s: %q, %v", body, got, err)
		}
		s.Close()
		if _, err := Name(context.Background(), s.URL); err == nil {
			t.Error("nobody is there, and has a name")
		}
	}
}
