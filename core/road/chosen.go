package road

import (
	"fmt"
	"slices"
	"strings"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/holding"
)

// Chosen is the road of one pane as somebody said it, with its part where one
// is bought. The zero value is a broken pane that is made new to size.
type Chosen struct {
	ID   string `json:"id,omitempty" enum:",size,part,window,stays,kept,other" doc:"Nothing said is a pane made to size"`
	How  string `json:"how,omitempty" enum:",opening,copied,pattern,stick,seal,nip,upgrade,clean,watch,board,mesh,plate"`
	Came Came   `json:"came,omitempty" enum:",broken,whole,unbroken" doc:"How the pane arrived; nothing said is broken"`
	Part Part   `json:"part" doc:"What is bought"`
}

// Part is a part as it comes.
type Part struct {
	Number string `json:"number,omitempty" maxLength:"80"`
	Seen   string `json:"seen,omitempty" enum:",object,plate,list,old,inside" doc:"Where it was seen; inside: not yet"`
	// Box is what is in its box.
	Box   []string `json:"box,omitempty" maxItems:"8" unique:"true" enum:"seal,pads,mouldings,clips,frame,screws,tape,instructions"`
	Asked []Asked  `json:"asked,omitempty" maxItems:"6" doc:"Where its price was asked"`
}

// Asked is one answer to a request for a price, in the seller's words.
type Asked struct {
	Where string `json:"where" maxLength:"80"`
	Says  string `json:"says" maxLength:"120" doc:"Price, days, what else was said"`
}

// seenSaid is where a part was seen, in words.
var seenSaid = map[string]string{"object": "off the object", "plate": "off its plate", "list": "out of a parts list",
	"old": "off the old part"}

// Says is the part in words; empty while nobody noted one.
func (p Part) Says() string {
	s := p.Number
	if where := seenSaid[p.Seen]; where != "" {
		s = strings.TrimPrefix(s+", "+where, ", ")
	}
	return s
}

// Inside is a part whose number can be read only when the object is open.
const Inside = "inside"

// Noted says whether anybody could buy it: by a number, or as it was seen.
func (p Part) Noted() bool { return p.Number != "" || p.Seen != "" && p.Seen != Inside }

// BoughtFirst says whether what goes in is bought before the object is opened: a part or a whole
// window, unless what has to be read lies inside.
func (c Chosen) BoughtFirst() bool {
	return (c.ID == "part" || c.ID == "window") && c.Part.Seen != Inside
}

// Check refuses a road that the way of holding does not have. Fields are named as
// in a pane: "road.how".
func (c Chosen) Check(f family.Family) error {
	r, h, err := Of(c.ID, c.How)
	if err != nil {
		return err
	}
	way := holding.Of(f.Sizing)
	switch {
	case h.Needs == "adhesive" && !slices.Contains(f.Facts, "adhesive"):
		return fault.New("road.how", "nothing is glued where a pane is held by "+lower(f.Name),
			"choose another way, or another way of holding")
	case h.Needs == "tightened" && f.Tightening == "" && f.Fixing != "nut":
		return fault.New("road.how", "nothing is tightened where a pane is held by "+lower(f.Name),
			"choose another way, or another way of holding")
	case (r.ID == "stays" || r.ID == "kept") && (c.Came == "" || c.Came == Broken):
		return fault.New("road.came", "a broken pane does not stay", "say that it came off whole, or that nothing broke it")
	case way.Tube() && (r.ID == "stays" && h.ID != "nip" || h.ID == "clean"):
		return fault.New("road.id", "a gauge tube that was out is renewed, never kept", "choose a new one, or nip its nuts")
	case r.Part && way.Tube():
		return fault.New("road.id", "a tube holds by how deep it stands in its sockets, cut here or bought",
			"make it to size: read faces and stops")
	case h.Copies && !way.Copied:
		return fault.New("road.how", "such a pane is sized where it goes: an old one does not tell its seat",
			"read it there, or buy it as a part")
	case r.ID == "other" && way.Tube():
		return fault.New("road.id", "nothing but a tube goes between two sockets", "choose another road")
	}
	for i, a := range c.Part.Asked {
		if strings.TrimSpace(a.Where) == "" {
			return fault.New(fmt.Sprintf("road.part.asked[%d].where", i), "nobody was asked", "say where, or take the line out")
		}
	}
	return nil
}

func lower(s string) string { return strings.ToLower(s[:1]) + s[1:] }
