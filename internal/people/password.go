package people

import (
	"context"
	"crypto/rand"
	"crypto/subtle"
	_ "embed"
	"encoding/base64"
	"fmt"
	"runtime"
	"strings"
	"sync"
	"sync/atomic"
	"unicode"
	"unicode/utf8"

	"golang.org/x/crypto/argon2"

	"freshshard/core/fault"
	"freshshard/internal/record"
)

// argon2id: 19 MiB, two passes, one lane: the least that the OWASP password
// storage cheat sheet asks for (from memory).
const (
	argonMemory = 19 * 1024
	argonPasses = 2
	argonLanes  = 1
	argonKey    = 32
	argonSalt   = 16
)

const (
	passwordLeast = 10
	passwordMost  = 200
)

// Of passwords that are hashed at once, and of people at the door, each takes its 19 MiB, a
// core and a connection only when it is its turn: strangers use up nothing that those need
// who are in. Whoever signs in holds a place at the door and one of the hashing.
const (
	atTheDoor   = 3
	mostWaiting = 60
)

// hashesAtOnce leave half of the cores to those who are in.
var hashesAtOnce = max(1, min(2, runtime.NumCPU()/2))

// turns bounds how many do something at once.
type turns struct {
	turn    chan struct{}
	waiting atomic.Int64
}

func newTurns(atOnce int) *turns { return &turns{turn: make(chan struct{}, atOnce)} }

// hashing bounds the passwords that are hashed at once.
type hashing struct{ *turns }

func newHashing() *hashing { return &hashing{newTurns(hashesAtOnce)} }

// do runs f when it is its turn. Whoever comes when too many wait is told to
// come back.
func (h *turns) do(ctx context.Context, f func()) error {
	if h.waiting.Add(1) > mostWaiting {
		h.waiting.Add(-1)
		return &record.Slow{Seconds: 3}
	}
	defer h.waiting.Add(-1)
	select {
	case h.turn <- struct{}{}:
	case <-ctx.Done():
		return ctx.Err()
	}
	defer func() { <-h.turn }()
	f()
	return nil
}

func (h *hashing) hash(ctx context.Context, p string) (out string, err error) {
	if e := h.do(ctx, func() { out, err = hashPassword(p) }); e != nil {
		return "", e
	}
	return out, err
}

func (h *hashing) same(ctx context.Context, p, hash string) (same bool, err error) {
	err = h.do(ctx, func() { same = samePassword(p, hash) })
	return same, err
}

//go:embed commonest.txt
var commonestFile string

// commonest are passwords that are tried first, one a line, without capitals.
var commonest = sync.OnceValue(func() map[string]bool {
	m := map[string]bool{}
	for _, l := range strings.Fields(commonestFile) {
		m[l] = true
	}
	return m
})

// leastDifferent is how many different characters a password has.
const leastDifferent = 5

// checkPassword refuses what is short and what is guessed first. A person's
// own names are taken with it.
func (s *Service) checkPassword(p string, names ...string) error {
	switch n := utf8.RuneCountInString(p); {
	case n < passwordLeast:
		return fault.New("password", fmt.Sprintf("a password has %d characters or more", passwordLeast),
			"three or four plain words do well")
	case n > passwordMost:
		return fault.New("password", fmt.Sprintf("a password has up to %d characters", passwordMost),
			"three or four plain words do well")
	}
	bare := bareWord(p)
	easy := commonest()[bare] || commonest()[strings.TrimRightFunc(bare, unicode.IsDigit)] || isRun(bare)
	different := map[rune]bool{}
	for _, r := range bare {
		different[r] = true
	}
	easy = easy || len(different) < leastDifferent
	for _, n := range names {
		if w := bareWord(n); len(w) > 3 && strings.Contains(bare, w) && len(bare)-len(w) < 4 {
			easy = true
		}
	}
	if easy {
		return fault.New("password", "this is among the first that anybody tries",
			"take three or four plain words that have nothing to do with each other")
	}
	return nil
}

// bareWord drops capitals and everything that is neither letter nor digit.
func bareWord(s string) string {
	return strings.Map(func(r rune) rune {
		if unicode.IsLetter(r) || unicode.IsDigit(r) {
			return unicode.ToLower(r)
		}
		return -1
	}, s)
}

// isRun says whether each character follows the one before it by the same
// step, as in 1234567890 or zyxwvu.
func isRun(s string) bool {
	r := []rune(s)
	steps := map[rune]int{}
	for i := 1; i < len(r); i++ {
		steps[r[i]-r[i-1]]++
	}
	for step, n := range steps {
		if step >= -2 && step <= 2 && n*10 >= len(r)*8 {
			return true
		}
	}
	return false
}

func hashPassword(p string) (string, error) {
	salt := make([]byte, argonSalt)
	if _, err := rand.Read(salt); err != nil {
		return "", err
	}
	return encode(salt, argonMemory, argonPasses, argonLanes, key(p, salt, argonMemory, argonPasses, argonLanes)), nil
}

func key(p string, salt []byte, memory, passes uint32, lanes uint8) []byte {
	return argon2.IDKey([]byte(p), salt, passes, memory, lanes, argonKey)
}

func encode(salt []byte, memory, passes uint32, lanes uint8, k []byte) string {
	b := base64.RawStdEncoding
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, memory, passes, lanes,
		b.EncodeToString(salt), b.EncodeToString(k))
}

// samePassword holds a password against its hash, with the costs that the hash
// was made with.
func samePassword(p, hash string) bool {
	parts := strings.Split(hash, "$")
	var memory, passes uint32
	var lanes uint8
	if len(parts) != 6 || parts[1] != "argon2id" {
		return false
	}
	if _, err := fmt.Sscanf(parts[3], "m=%d,t=%d,p=%d", &memory, &passes, &lanes); err != nil || lanes == 0 ||
		passes == 0 {
		return false
	}
	salt, err1 := base64.RawStdEncoding.DecodeString(parts[4])
	want, err2 := base64.RawStdEncoding.DecodeString(parts[5])
	if err1 != nil || err2 != nil {
		return false
	}
	return subtle.ConstantTimeCompare(key(p, salt, memory, passes, lanes), want) == 1
}
