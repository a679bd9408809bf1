package reply

import (
	"errors"
	"net/http"
	"net/http/httptest"
	"testing"
	"time"
)

// deadlined is a connection that notes its deadlines, and stops taking anything
// after a number of writes.
type deadlined struct {
	*httptest.ResponseRecorder
	writes    []int
	deadlines []time.Time
	most      int
}

func (d *deadlined) SetWriteDeadline(t time.Time) error {
	d.deadlines = append(d.deadlines, t)
	return nil
}

func (d *deadlined) Write(p []byte) (int, error) {
	if len(d.writes) == d.most {
		return 0, errors.New("nobody reads")
	}
	d.writes = append(d.writes, len(p))
	return len(p), nil
}

// A long answer goes out in pieces, each with a time of its own; a reader that
// reads nothing more ends it.
func TestReadersThatDoNotRead(t *testing.T) {
	d := &deadlined{ResponseRecorder: httptest.NewRecorder(), most: 100}
	w := &steadyWriter{d, http.NewResponseController(d)}
	long := make([]byte, 3*mostChunk+5)
	if n, err := w.Write(long); n != len(long) || err != nil || len(d.writes) != 4 || d.writes[3] != 5 ||
		len(d.deadlines) != 4 {
		t.Fatalf("%d, %v, %v, %d deadlines", n, err, d.writes, len(d.deadlines))
	}
	for _, at := range d.deadlines {
		if left := time.Until(at); left > stillWriting || left < stillWriting-5*time.Second {
			t.Errorf("a piece has %v", left)
		}
	}
	d = &deadlined{ResponseRecorder: httptest.NewRecorder(), most: 2}
	if n, err := (&steadyWriter{d, http.NewResponseController(d)}).Write(long); n != 2*mostChunk || err == nil {
		t.Errorf("%d, %v", n, err)
	}
}
