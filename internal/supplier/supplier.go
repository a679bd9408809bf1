// Package supplier asks those who answer by themselves: by a call over HTTP on this
// machine, or by files in a folder. The formats are in docs/formats.md. The suppliers
// that ship with the program are made up and stand in for real ones.
package supplier

import (
	"bytes"
	"cmp"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"net"
	"net/http"
	"net/url"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"time"
	"unicode/utf8"

	"freshshard/core/fault"
	"freshshard/core/money"
	"freshshard/internal/record"
)

// Request is what somebody is asked for: one pane. Lengths in mm.
type Request struct {
	Ref       string  `json:"ref"`
	Text      string  `json:"text"`
	Material  string  `json:"material"`
	Thickness float64 `json:"thickness"`
	W         float64 `json:"w"`
	H         float64 `json:"h"`
	Mark      bool    `json:"mark"` // a mark is asked for
}

// Answer is what they say. Money in cents.
type Answer struct {
	Ref       string  `json:"ref"`
	Refused   string  `json:"refused,omitempty"` // why they do not make it
	Material  string  `json:"material"`
	Thickness float64 `json:"thickness"`
	Price     int64   `json:"price"`
	Carriage  int64   `json:"carriage"`
	Days      int     `json:"days"`
	Lacks     string  `json:"lacks,omitempty"` // what is not in the box
	Missing   int64   `json:"missing,omitempty"`
	Back      bool    `json:"back"`
	Mark      bool    `json:"mark"`
}

// ErrLate says that no answer has come yet.
var ErrLate = errors.New("no answer yet")

// mostWait is how long somebody is waited for.
const mostWait = 2 * time.Second

// mostAnswer is more than any answer needs, bytes.
const mostAnswer = 64 << 10

// Check refuses an answer that does not belong to what was asked, or cannot be.
func (a Answer) Check(r Request) error {
	switch {
	case a.Ref != r.Ref:
		return fmt.Errorf("answered for %q", a.Ref)
	case a.Refused != "":
		return nil
	case a.Material != r.Material || a.Thickness != r.Thickness:
		return fmt.Errorf("answered for %g mm %s, asked for %g mm %s", a.Thickness, a.Material, r.Thickness, r.Material)
	case a.Price <= 0 || a.Price > money.Most || a.Carriage < 0 || a.Carriage > money.Most || a.Missing < 0 ||
		a.Missing > money.Most:
		return errors.New("its price cannot be")
	case a.Days < 0 || a.Days > 365:
		return errors.New("its days cannot be")
	case utf8.RuneCountInString(a.Lacks) > mostText:
		return errors.New("what is not in its box is a text too long")
	}
	return nil
}

// mostText is how long a text of an answer is, in characters; why somebody does not make it
// is shown up to there.
const mostText = 120

// answerOf reads an answer to a request.
func answerOf(b []byte, r Request) (Answer, error) {
	var a Answer
	if err := json.Unmarshal(b, &a); err != nil {
		return a, errors.New("its answer is no JSON that anybody could read")
	}
	if said := []rune(a.Refused); len(said) > mostText {
		a.Refused = string(said[:mostText]) + " …"
	}
	return a, a.Check(r)
}

// folderName is a folder below the suppliers' own.
var folderName = regexp.MustCompile(`^[a-z0-9][a-z0-9-]{0,39}$`)

// Check refuses an address that does not stay on this machine; errors name the field.
func Check(v record.Supplier) error {
	switch v.Way {
	case "person":
		return nil
	case "file":
		if !folderName.MatchString(v.Address) {
			return fault.New("address", "the name of a folder is expected",
				"small letters, figures and dashes, such as north-quay")
		}
		return nil
	case "http":
		u, err := url.Parse(v.Address)
		if err != nil || u.Scheme != "http" || u.User != nil {
			return fault.New("address", "an address is expected", "type it as http://127.0.0.1:8090/name")
		}
		if ip := net.ParseIP(u.Hostname()); ip == nil || !ip.IsLoopback() {
			return fault.New("address", "only stand-ins on this machine are called", "type it as http://127.0.0.1:8090/name")
		}
		return nil
	}
	return fault.New("way", "a person, a call or a file is expected", "choose one of the three")
}

// asked refuses who does not answer by themselves.
func asked(v record.Supplier) error {
	if !v.Asks() {
		return fault.New("way", v.Name+" is asked by telephone or mail", "call them")
	}
	return nil
}

// client follows no redirect: an answer from here does not lead elsewhere.
var client = &http.Client{Timeout: mostWait, CheckRedirect: func(*http.Request, []*http.Request) error {
	return http.ErrUseLastResponse
}}

// Ask asks one supplier. folder is where those by file have theirs. ErrLate says that
// there is no answer yet; asked again, it may be there.
func Ask(ctx context.Context, v record.Supplier, folder string, r Request) (Answer, error) {
	if err := cmp.Or(Check(v), asked(v)); err != nil {
		return Answer{}, err
	}
	read := call
	if v.Way == "file" {
		read = drop
	}
	b, err := read(ctx, v, folder, r)
	if err != nil {
		return Answer{}, err
	}
	return answerOf(b, r)
}

func call(ctx context.Context, v record.Supplier, _ string, r Request) ([]byte, error) {
	body, err := json.Marshal(r)
	if err != nil {
		return nil, err
	}
	q, err := http.NewRequestWithContext(ctx, http.MethodPost, v.Address, bytes.NewReader(body))
	if err != nil {
		return nil, err
	}
	q.Header.Set("Content-Type", "application/json")
	res, err := client.Do(q)
	if err != nil {
		var late net.Error
		if errors.As(err, &late) && late.Timeout() {
			return nil, ErrLate
		}
		return nil, errors.New("nobody answers at its address")
	}
	defer func() { _ = res.Body.Close() }()
	if res.StatusCode != http.StatusOK {
		return nil, fmt.Errorf("it answers with %d", res.StatusCode)
	}
	return io.ReadAll(io.LimitReader(res.Body, mostAnswer))
}

// AskFile and AnswerFile are the names of the two files of a request.
func AskFile(ref string) string    { return "ask-" + ref + ".json" }
func AnswerFile(ref string) string { return "answer-" + ref + ".json" }

func drop(_ context.Context, v record.Supplier, folder string, r Request) ([]byte, error) {
	if strings.ContainsAny(r.Ref, `/\.`) {
		return nil, errors.New("this reference is no name of a file")
	}
	dir := filepath.Join(folder, v.Address)
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return nil, err
	}
	f, err := os.Open(filepath.Join(dir, AnswerFile(r.Ref)))
	if err == nil {
		defer func() { _ = f.Close() }()
		return io.ReadAll(io.LimitReader(f, mostAnswer))
	}
	if !errors.Is(err, fs.ErrNotExist) {
		return nil, err
	}
	body, err := json.MarshalIndent(r, "", "  ")
	if err != nil {
		return nil, err
	}
	// Written beside and moved: who reads it never sees half of it.
	name := filepath.Join(dir, AskFile(r.Ref))
	if err := os.WriteFile(name+".part", body, 0o600); err != nil {
		return nil, err
	}
	if err := os.Rename(name+".part", name); err != nil {
		return nil, err
	}
	return nil, ErrLate
}
