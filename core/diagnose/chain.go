package diagnose

import (
	"fmt"
	"slices"
	"strings"

	"freshshard/core/family"
	"freshshard/core/fault"
)

// Root is a cause that can stand behind another.
type Root struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Because string `json:"because" doc:"How it leads to the one before it"`
	Seen    bool   `json:"seen" doc:"Something that was noted speaks for it"`
}

// Link is one cause of a settled chain, with what may stand behind it.
type Link struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Because string `json:"because,omitempty" doc:"How it led to the one before it; empty for the first"`
	May     []Root `json:"may" doc:"What can stand behind it, held like this, and is not there yet, likeliest first"`
}

// longest is how far a chain goes back: what broke it, and three behind one
// another. Nobody asks further at a bench.
const longest = 4

// Chain is the settled cause and what stood behind it, nearest first. It
// returns a *fault.Error for a cause that there is not, and for one that cannot
// lead to the one before it. An empty cause has no chain. Common practice, no
// source.
func Chain(cause string, behind []string, e Evidence, held family.Sizing) ([]Link, error) {
	if cause == "" {
		if len(behind) > 0 {
			return nil, fault.New("behind", "something stands behind a cause that nobody chose", "choose first what broke it")
		}
		return []Link{}, nil
	}
	if _, err := Changes(cause); err != nil {
		return nil, err
	}
	ids := append([]string{cause}, behind...)
	if len(ids) > longest {
		return nil, fault.New("behind", fmt.Sprintf("a chain of %d causes is longer than anybody can tell", len(ids)),
			fmt.Sprintf("keep the %d nearest to the break", longest))
	}
	ranked := rank(questions, possible(held), e)
	out := make([]Link, 0, len(ids))
	for i, id := range ids {
		l := Link{ID: id, Name: NameOf(id)}
		if i > 0 {
			from := find(causes, ids[i-1])
			l.Because = from.From[id]
			if l.Because == "" || slices.Contains(ids[:i], id) {
				return nil, fault.New("behind", fmt.Sprintf("%s does not stand behind %s", orID(l.Name, id), lower(from.Name)),
					"choose one of those that can")
			}
		}
		l.May = roots(find(causes, id), ranked, ids)
		out = append(out, l)
	}
	return out, nil
}

func orID(name, id string) string {
	if name == "" {
		return fmt.Sprintf("%q", id)
	}
	return name
}

// roots are what can stand behind a cause, in the order of what was seen.
func roots(of entry, ranked []Ranked, without []string) []Root {
	out := []Root{}
	for _, r := range ranked {
		why, ok := of.From[r.ID]
		if ok && !slices.Contains(without, r.ID) {
			out = append(out, Root{ID: r.ID, Name: r.Name, Because: why, Seen: len(r.For) > 0 && r.Score > 0})
		}
	}
	return out
}

// behind is what probably stood behind the first: at each link the one that most
// speaks for, as long as anything does.
func behind(first Ranked, ranked []Ranked) []Root {
	out := []Root{}
	for chain := []string{first.ID}; len(chain) < longest; {
		next := roots(find(causes, chain[len(chain)-1]), ranked, chain)
		if len(next) == 0 || !next[0].Seen {
			break
		}
		out, chain = append(out, next[0]), append(chain, next[0].ID)
	}
	return out
}

// Told is a chain in words: "A fixing too tight, because of a seal that shrank
// or perished".
func Told(chain []Link) string {
	names := make([]string, len(chain))
	for i, l := range chain {
		if names[i] = l.Name; i > 0 {
			names[i] = lower(l.Name)
		}
	}
	return strings.Join(names, ", because of ")
}

// ChangesOf are what the plan must contain for all of a chain.
func ChangesOf(chain []Link) []Change {
	var out []Change
	for _, l := range chain {
		for _, c := range find(causes, l.ID).Changes {
			c.Key = l.ID + "-" + c.Key
			out = append(out, c)
		}
	}
	return out
}
