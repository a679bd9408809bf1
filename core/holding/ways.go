package holding

import "freshshard/core/family"

// all are the ways by the name under which their families ask for them.
var all = map[family.Sizing]*Rule{}

func init() {
	for _, r := range []*Rule{&clip, &rebate, &channel, &pack, &groove, &bonded, &run, &ring, &hinge, &port, &tube,
		&track, &panel} {
		all[r.Sizing] = r
	}
}

// none is the rule of a way that nobody knows: nothing follows from it.
var none Rule

// Of is the rule of a way of holding. One that is unknown has no facts.
func Of(s family.Sizing) *Rule {
	if r := all[s]; r != nil {
		return r
	}
	return &none
}
