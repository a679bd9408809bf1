package people

import (
	"context"
	"errors"
	"strings"
	"sync"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/internal/change"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

const home, abroad = "192.0.2.7", "198.51.100.9"

// clock stops a shop's time and moves it on.
func clock(s *Service) func(time.Duration) {
	now := time.Date(2026, 3, 2, 9, 0, 0, 0, time.UTC)
	s.Now = func() time.Time { return now }
	return func(d time.Duration) { now = now.Add(d) }
}

func wrong(t *testing.T, s *Service, login, from string) {
	t.Helper()
	if _, err := s.SignIn(ctx, login, "not the password", from); fault.Of(err) == nil {
		t.Fatalf("%s from %s: %v", login, from, err)
	}
}

func TestSignInSlowsDown(t *testing.T) {
	s, _, tor := open(t)
	later := clock(s)
	for range pairLimit.free {
		wrong(t, s, "tor", home)
	}
	var slow *record.Slow
	if _, err := s.SignIn(ctx, "tor", "four plain words here", home); !errors.As(err, &slow) || slow.Seconds != 5 {
		t.Fatalf("after %d failures: %v", pairLimit.free, err)
	}
	later(5 * time.Second)
	a, err := s.SignIn(ctx, "TOR ", "four plain words here", home)
	if err != nil || a.ID != tor.ID {
		t.Errorf("%v, %v", a, err)
	}
	if _, err := s.SignIn(ctx, "nobody", "four plain words here", home); fault.Of(err) == nil {
		t.Errorf("a stranger: %v", err)
	}
	for n, want := range map[int]time.Duration{4: 0, 5: 5 * time.Second, 6: 10 * time.Second, 100: 15 * time.Minute} {
		if got := pairLimit.after(n); got != want {
			t.Errorf("after %d failures %v, want %v", n, got, want)
		}
	}
}

// However a name is spelled, its wrong passwords are counted as one's: accents, full width,
// capitals and signs that nobody sees give no guess more. It signs in all the same.
func TestSpellingsOfANameAreOne(t *testing.T) {
	s, _, tor := open(t)
	later := clock(s)
	spellings := []string{"tor", "tòr", "ťōř", "ＴＯＲ", "t\u200bor", "TOR", " t\u00f6r"}
	tried := 0
	for n := range 40 {
		_, err := s.SignIn(ctx, spellings[n%len(spellings)], "not the password", home)
		var slow *record.Slow
		if !errors.As(err, &slow) {
			tried++
		}
	}
	if tried != pairLimit.free {
		t.Errorf("%d guesses were looked at, and %d are let pass", tried, pairLimit.free)
	}
	later(time.Hour)
	for _, login := range spellings {
		if a, err := s.SignIn(ctx, login, "four plain words here", home); err != nil || a.ID != tor.ID {
			t.Errorf("%q: %v, %v", login, a.ID, err)
		}
	}
	word, err := (&OneTime{s}).GiveWordTo(ctx, "ＴÒＲ")
	if err != nil {
		t.Fatal(err)
	}
	for n := range pairLimit.free {
		_, err := (&OneTime{s}).ResetPassword(ctx, Reset{Login: spellings[n%len(spellings)], Word: "no word",
			Password: "five plain words are here"}, abroad)
		if fault.Of(err) == nil {
			t.Fatal(err)
		}
	}
	var slow *record.Slow
	if _, err := (&OneTime{s}).ResetPassword(ctx, Reset{Login: "tör", Word: word, Password: "five plain words are here"},
		abroad); !errors.As(err, &slow) {
		t.Errorf("a sixth word under another spelling: %v", err)
	}
}

// Strangers at the door, three hundred at once, hold no more connections than it has places:
// somebody who is in is answered meanwhile.
func TestStrangersKeepNobodyWaiting(t *testing.T) {
	s, mira, _ := open(t)
	begun, done := make(chan struct{}, 300), make(chan struct{})
	for range 300 {
		go func() {
			begun <- struct{}{}
			_, _ = s.SignIn(ctx, "stranger", "not the password", abroad)
			done <- struct{}{}
		}()
	}
	for range 300 {
		<-begun
	}
	most := 0
	for over := 0; over < 300; {
		select {
		case <-done:
			over++
		default:
			most = max(most, s.Store.DB.Stats().InUse)
			if _, err := s.Store.Days.Weeks(ctx); err != nil || mira.ID == 0 {
				t.Fatal(err)
			}
		}
	}
	if most > atTheDoor+1 {
		t.Errorf("%d connections were in use, and %d may be", most, atTheDoor+1)
	}
}

// Of sixty at once no more are looked at than five one after the other.
func TestManyGuessesAtOnce(t *testing.T) {
	s, _, _ := open(t)
	clock(s)
	var wg sync.WaitGroup
	var mu sync.Mutex
	looked, told := 0, 0
	for range 60 {
		wg.Go(func() {
			_, err := s.SignIn(ctx, "tor", "not the password", home)
			var slow *record.Slow
			mu.Lock()
			defer mu.Unlock()
			switch {
			case errors.As(err, &slow):
				told++
			case fault.Of(err) != nil:
				looked++
			default:
				t.Errorf("%v", err)
			}
		})
	}
	wg.Wait()
	if looked != pairLimit.free || told != 60-pairLimit.free {
		t.Errorf("%d were looked at, %d told to wait", looked, told)
	}
}

// A stranger who guesses neither locks the person out at home, nor the shop
// that sits behind one address with them.
func TestNobodyIsLockedOutByAStranger(t *testing.T) {
	s, _, _ := open(t)
	later := clock(s)
	in := func(login, password, from string) error {
		_, err := s.SignIn(ctx, login, password, from)
		return err
	}
	if err := in("tor", "four plain words here", home); err != nil {
		t.Fatal(err)
	}
	for range loginLimit.free {
		wrong(t, s, "tor", abroad)
		later(20 * time.Minute) // past the wait for the name from there
	}
	var slow *record.Slow
	if err := in("tor", "not the password", "203.0.113.50"); fault.Of(err) == nil {
		t.Errorf("a first try from another address: %v", err)
	}
	if err := in("tor", "not the password", "203.0.113.51"); !errors.As(err, &slow) {
		t.Errorf("a name that is guessed from everywhere: %v", err)
	}
	if err := in("tor", "four plain words here", home); err != nil {
		t.Errorf("Tor at home: %v", err)
	}
	// Somebody at the shop tries many names; who has signed in from there goes on.
	for i := range addressLimit.free {
		wrong(t, s, "guess"+strings.Repeat("x", i+1), home)
	}
	if err := in("another", "not the password", home); !errors.As(err, &slow) {
		t.Errorf("an address that guesses: %v", err)
	}
	if err := in("tor", "four plain words here", home); err != nil {
		t.Errorf("Tor at the same address: %v", err)
	}
}

func TestHashingWaitsItsTurn(t *testing.T) {
	h := newHashing()
	busy, done := make(chan struct{}), make(chan struct{})
	var wg sync.WaitGroup
	for range hashesAtOnce {
		wg.Go(func() { _ = h.do(ctx, func() { busy <- struct{}{}; <-done }) })
		<-busy
	}
	gone, cancel := context.WithCancel(ctx)
	waiting := make(chan error, mostWaiting)
	for range mostWaiting - hashesAtOnce {
		wg.Go(func() { waiting <- h.do(gone, func() { t.Error("it was not its turn") }) })
	}
	for h.waiting.Load() < mostWaiting {
		time.Sleep(time.Millisecond)
	}
	var slow *record.Slow
	if err := h.do(ctx, func() {}); !errors.As(err, &slow) {
		t.Errorf("one more than may wait: %v", err)
	}
	cancel()
	for range mostWaiting - hashesAtOnce { // all of them are gone before there is room
		if err := <-waiting; !errors.Is(err, context.Canceled) {
			t.Errorf("whoever went away: %v", err)
		}
	}
	close(done)
	wg.Wait()
}

// What anybody tries first is no password.
func TestEasyPasswords(t *testing.T) {
	s := New(nil)
	for _, p := range []string{"1234567890", "0987654321", "Password123", "P.a.s.s.w.o.r.d 1234", "qwertyuiop",
		"iloveyou 2024", "aaaaaaaaaaaa", "abababababab", "abcdefghijklm", "zyxwvutsrqpo", "torvanning1", "tor vanning",
		"lantern yard", "short", strings.Repeat("long words ", 20)} {
		if f := fault.Of(s.checkPassword(p, "tor.vanning", "Tor Vanning", "Lantern Yard")); f == nil ||
			f.Field != "password" || f.Cure == "" {
			t.Errorf("%q was taken", p)
		}
	}
	for _, p := range []string{"three plain words", "lantern yard glass", "four plain words here", "gJ3!kd92mx",
		"ten ferries to hollin"} {
		if err := s.checkPassword(p, "tor.vanning", "Tor Vanning", "Lantern Yard"); err != nil {
			t.Errorf("%q: %v", p, err)
		}
	}
}

func TestPasswordHash(t *testing.T) {
	h, err := hashPassword("three plain words")
	if err != nil {
		t.Fatal(err)
	}
	if !samePassword("three plain words", h) || samePassword("three plain word", h) || samePassword("x", "") ||
		samePassword("x", "$argon2id$v=19$m=1,t=0,p=0$a$b") {
		t.Error("a password and its hash do not go together as they should")
	}
}

func enter(t *testing.T, s *Service, a record.Account, device string) string {
	t.Helper()
	token, err := s.Enter(ctx, a, device, home)
	if err != nil {
		t.Fatal(err)
	}
	return token
}

func in(s *Service, token string) bool {
	_, _, err := s.Who(ctx, token)
	return err == nil
}

func TestSessions(t *testing.T) {
	s, mira, tor := open(t)
	later := clock(s)
	bench, phone, owner := enter(t, s, tor, "bench"), enter(t, s, tor, "phone\x00\n"), enter(t, s, mira, "counter")
	var kept string
	if err := s.Store.DB.QueryRow("SELECT GROUP_CONCAT(HEX(digest)) FROM session").Scan(&kept); err != nil ||
		strings.Contains(kept, bench) || len(kept) != 3*65-1 {
		t.Errorf("the table holds %q, %v", kept, err)
	}
	_, here, err := s.Who(ctx, bench)
	if err != nil {
		t.Fatal(err)
	}
	list, err := s.Sessions(ctx, tor, here.ID)
	if err != nil || len(list) != 2 || list[0].Device != "phone" || !list[1].Here || list[0].Here {
		t.Fatalf("%+v, %v", list, err)
	}
	// Another's cannot be ended, one's own can, twice.
	if err := s.Leave(ctx, mira, list[0].ID); err != nil || !in(s, phone) {
		t.Errorf("somebody else ended it: %v", err)
	}
	for range 2 {
		if err := s.Leave(ctx, tor, list[0].ID); err != nil || in(s, phone) {
			t.Errorf("it goes on: %v", err)
		}
	}
	// Whatever was on its way when it ended does not bring it back.
	if err := s.Store.Write(ctx, func(t *store.Tx) error {
		return t.People.SeeSession(ctx, list[0].ID,
			s.Now())
	}); err != nil ||
		in(s, phone) {
		t.Errorf("a session came back: %v", err)
	}
	// Used now and then it lasts, but not for ever.
	for range 6 {
		later(2*24*time.Hour + time.Hour)
		if !in(s, bench) {
			t.Fatal("a session that is used ended early")
		}
	}
	later(2 * 24 * time.Hour)
	if in(s, bench) {
		t.Error("a session outlived its time")
	}
	if in(s, owner) {
		t.Error("a session that nobody used goes on")
	}
	if in(s, "") || in(s, strings.Repeat("x", 500)) {
		t.Error("a token that is none opens the shop")
	}
}

// A new password, or being shut out, ends what was open before.
func TestSessionsEndWithTheirReason(t *testing.T) {
	s, mira, tor := open(t)
	bench, phone := enter(t, s, tor, "bench"), enter(t, s, tor, "phone")
	_, here, _ := s.Who(ctx, bench)
	if err := s.SetOwnPassword(ctx, tor, here.ID, home, "four plain words here", "a ferry and a lantern"); err != nil {
		t.Fatal(err)
	}
	if !in(s, bench) || in(s, phone) {
		t.Errorf("here %v, elsewhere %v", in(s, bench), in(s, phone))
	}
	tor.Version++
	out, err := s.SetPerson(ctx, mira, tor.ID, record.Technician, false, tor.Version)
	if err != nil || out.Active {
		t.Fatalf("%+v, %v", out, err)
	}
	if _, err := s.SetPerson(ctx, mira, tor.ID, record.Technician, true, out.Version); err != nil {
		t.Fatal(err)
	}
	if in(s, bench) {
		t.Error("let in again, an old session works")
	}
}

// Wrong old passwords are counted like wrong ones at the door.
func TestOldPasswordsAreCounted(t *testing.T) {
	s, _, tor := open(t)
	clock(s)
	for range pairLimit.free {
		if err := s.SetOwnPassword(ctx, tor, 0, home, "not the password",
			"a ferry and a lantern"); fault.Of(err).Field != "old" {
			t.Fatalf("%v", err)
		}
	}
	var slow *record.Slow
	if err := s.SetOwnPassword(ctx, tor, 0, home, "four plain words here", "a ferry and a lantern"); !errors.As(err,
		&slow) {
		t.Errorf("%v", err)
	}
	if err := s.SetOwnPassword(ctx, tor, 0, home, "four plain words here", "1234567890"); fault.Of(err) == nil ||
		fault.Of(err).Field != "new" {
		t.Errorf("%v", err)
	}
}

func TestOneTimeWord(t *testing.T) {
	s, mira, tor := open(t)
	later := clock(s)
	var denied *record.Denied
	if _, err := (&OneTime{s}).GiveWord(ctx, tor, mira.ID); !errors.As(err, &denied) {
		t.Errorf("a technician made a word: %v", err)
	}
	word, err := (&OneTime{s}).GiveWord(ctx, mira, tor.ID)
	if err != nil || len(word) != 14 {
		t.Fatalf("%q, %v", word, err)
	}
	bench := enter(t, s, tor, "bench")
	set := func(login, word, password string) error {
		_, err := (&OneTime{s}).ResetPassword(ctx, Reset{login, word, password}, home)
		return err
	}
	for name, err := range map[string]error{"another's name": set("mira", word, "a ferry and a lantern"),
		"another word": set("tor", "aaaa-bbbb-cccc", "a ferry and a lantern"),
		"nobody":       set("nobody", word, "a ferry and a lantern")} {
		if f := fault.Of(err); f == nil || f.Field != "word" {
			t.Errorf("%s: %v", name, err)
		}
	}
	if f := fault.Of(set("tor", word, "short")); f == nil || f.Field != "password" {
		t.Errorf("%v", f)
	}
	if err := set(" TOR", strings.ToUpper(strings.ReplaceAll(word, "-", " ")), "a ferry and a lantern"); err != nil {
		t.Fatal(err)
	}
	if in(s, bench) {
		t.Error("the old session goes on")
	}
	if err := set("tor", word, "a lantern and a ferry"); fault.Of(err) == nil {
		t.Error("a word was used twice")
	}
	if _, err := s.SignIn(ctx, "tor", "a ferry and a lantern", home); err != nil {
		t.Error(err)
	}
	lost, err := (&OneTime{s}).GiveWordTo(ctx, "Mira")
	if err != nil {
		t.Fatal(err)
	}
	later(wordLife)
	if err := set("mira", lost, "a ferry and a lantern"); fault.Of(err) == nil {
		t.Error("a word outlived its day")
	}
}

func TestPeople(t *testing.T) {
	s, mira, tor := open(t)
	var denied *record.Denied
	if _, err := s.AddPerson(ctx, tor, "", Person{}); !errors.As(err, &denied) {
		t.Errorf("a technician added somebody: %v", err)
	}
	if _, err := s.SetPerson(ctx, mira, mira.ID, record.Technician, true, mira.Version); fault.Of(err) == nil {
		t.Errorf("the last owner stepped down: %v", err)
	}
	if _, err := s.SetPerson(ctx, mira, tor.ID, record.Technician, false, tor.Version); err != nil {
		t.Fatal(err)
	}
	if _, err := s.SignIn(ctx, "tor", "four plain words here", home); err == nil {
		t.Error("somebody who was shut out signed in")
	}
	// A name is counted in characters, not in bytes.
	long := strings.Repeat("ø", mostLogin)
	if _, err := s.AddPerson(ctx, mira, "", Person{Name: "Øyvor", Login: long, Password: "a ferry and a lantern",
		Role: record.Technician}); err != nil {
		t.Fatal(err)
	}
	if _, err := s.SignIn(ctx, long, "a ferry and a lantern", home); err != nil {
		t.Error(err)
	}
	var c *record.Conflict
	if _, err := s.Setup(ctx, record.Shop{Name: "Other", Unit: length.MM},
		Person{Name: "X", Login: "x", Password: "a ferry and a lantern"}); !errors.As(err, &c) {
		t.Errorf("a second first start: %v", err)
	}
}

func TestTidy(t *testing.T) {
	s, mira, tor := open(t)
	later := clock(s)
	enter(t, s, tor, "bench")
	wrong(t, s, "tor", home)
	if _, err := s.AddPerson(ctx, mira, "a-key",
		Person{Name: "Ebbe", Login: "ebbe", Password: "five plain words here", Role: record.Technician}); err != nil {
		t.Fatal(err)
	}
	if _, err := (&OneTime{s}).GiveWord(ctx, mira, tor.ID); err != nil {
		t.Fatal(err)
	}
	left := func() (n int) {
		t.Helper()
		for _, table := range []string{"session", "sign_in_attempt", "idempotency", "reset_word"} {
			var k int
			if err := s.Store.DB.QueryRow("SELECT COUNT(*) FROM " + table).Scan(&k); err != nil {
				t.Fatal(err)
			}
			n += k
		}
		return n
	}
	before := left()
	if err := s.Tidy(ctx); err != nil || left() != before {
		t.Errorf("what is not over went: %d of %d, %v", left(), before, err)
	}
	later(change.KeysKept + time.Second)
	if err := s.Tidy(ctx); err != nil || left() != 0 {
		t.Errorf("%d rows are left, %v", left(), err)
	}
}
