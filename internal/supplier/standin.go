package supplier

import (
	"context"
	"encoding/json"
	"errors"
	"hash/fnv"
	"io"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"time"

	"freshshard/internal/record"
)

// maker is how one of the made-up suppliers answers.
type maker struct {
	record.Supplier
	each     int64 // cents for a tenth of a square metre and millimetre
	flat     int64
	carriage int64
	days     int
	odd      uint32 // one request in so many gets an odd answer
	lacks    string
	missing  int64
	back     bool
	mark     bool
}

// makers are the suppliers that ship with the program: none of them is real. Lists are
// made up.
var makers = []maker{
	{record.Supplier{Name: "Quay glass cutters", Kind: "cutter", Way: "http", Address: "quay"}, 190, 1800, 0, 2, 6, "", 0,
		false, true},
	{record.Supplier{Name: "Fennel Lane parts", Kind: "parts", Way: "http", Address: "fennel"}, 260, 2600, 650, 4, 4,
		"seal", 1450, true, true},
	{record.Supplier{Name: "Marsh post panes", Kind: "post", Way: "file", Address: "marsh"}, 120, 900, 1250, 6, 5, "seal",
		1450, false, false},
}

// Odd is what can be odd about an answer.
type Odd int

// What can be odd.
const (
	Plain   Odd = iota
	Late        // it takes longer than anybody waits
	Wrong       // for another thickness
	Refused     // they do not make it
	Partial     // without its seal
)

// odd tells which requests get which odd answer: the same one always the same.
func (m maker) oddness(r Request) Odd {
	h := fnv.New32a()
	_, _ = io.WriteString(h, m.Address+"/"+r.Ref)
	sum := h.Sum32()
	if sum%m.odd != 0 {
		return Plain
	}
	return Odd(sum/m.odd%4) + 1
}

// answer is what a made-up supplier says.
func (m maker) answer(r Request, odd Odd) Answer {
	a := Answer{Ref: r.Ref, Material: r.Material, Thickness: r.Thickness, Carriage: m.carriage, Days: m.days,
		Lacks:   m.lacks,
		Missing: m.missing, Back: m.back, Mark: m.mark}
	tenths := int64(r.W*r.H/100_000) + 1
	a.Price = m.flat + m.each*tenths*int64(r.Thickness+0.5)
	switch {
	case odd == Refused || r.W > 3000 || r.H > 3000 || r.Material == "mica":
		return Answer{Ref: r.Ref, Refused: "not made here"}
	case odd == Wrong:
		a.Thickness++
	case odd == Partial:
		a.Lacks, a.Missing = "seal and clips", m.missing+900
	case odd == Late:
		a.Days += 7
	}
	return a
}

// StandIns are the suppliers that ship with the program, those by call at base.
func StandIns(base string) []record.Supplier {
	out := make([]record.Supplier, 0, len(makers))
	for _, m := range makers {
		v := m.Supplier
		if v.Way == "http" {
			v.Address = base + "/" + v.Address
		}
		out = append(out, v)
	}
	return out
}

// Handler answers for the suppliers by call: POST /NAME with a Request.
func Handler() http.Handler {
	mux := http.NewServeMux()
	for _, m := range makers {
		if m.Way != "http" {
			continue
		}
		mux.HandleFunc("POST /"+m.Address, func(w http.ResponseWriter, q *http.Request) {
			var r Request
			if err := json.NewDecoder(io.LimitReader(q.Body, mostAnswer)).Decode(&r); err != nil {
				http.Error(w, "a request in JSON is expected", http.StatusBadRequest)
				return
			}
			w.Header().Set("Content-Type", "application/json")
			_ = json.NewEncoder(w).Encode(m.answer(r, m.oddness(r)))
		})
	}
	return mux
}

// AnswerFiles answers what lies in the folders of those by file, once; each request has
// one answer.
func AnswerFiles(folder string) error {
	for _, m := range makers {
		if m.Way != "file" {
			continue
		}
		asks, err := filepath.Glob(filepath.Join(folder, m.Address, "ask-*.json"))
		if err != nil {
			return err
		}
		for _, name := range asks {
			if err := m.answerFile(name); err != nil {
				return err
			}
		}
	}
	return nil
}

func (m maker) answerFile(name string) error {
	to := filepath.Join(filepath.Dir(name), "answer-"+strings.TrimPrefix(filepath.Base(name), "ask-"))
	if _, err := os.Stat(to); err == nil {
		return nil
	}
	b, err := os.ReadFile(name)
	if err != nil {
		return err
	}
	var r Request
	if json.Unmarshal(b, &r) != nil {
		return nil // nobody there can read it
	}
	if b, err = json.MarshalIndent(m.answer(r, m.oddness(r)), "", "  "); err != nil {
		return err
	}
	if err := os.WriteFile(to+".part", b, 0o600); err != nil {
		return err
	}
	return os.Rename(to+".part", to)
}

// fileEvery is how often the made-up suppliers look into their folders.
const fileEvery = 500 * time.Millisecond

// ServeFiles answers files until the context ends.
func ServeFiles(ctx context.Context, folder string) error {
	tick := time.NewTicker(fileEvery)
	defer tick.Stop()
	for {
		select {
		case <-ctx.Done():
			return nil
		case <-tick.C:
			if err := AnswerFiles(folder); err != nil && !errors.Is(err, os.ErrNotExist) {
				return err
			}
		}
	}
}
