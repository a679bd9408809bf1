package cutting

// Plan is how the pieces come out of the stock.
type Plan struct {
	Sheets []Sheet `json:"sheets"`
	Left   []Left  `json:"left" doc:"Pieces that no stock is left for"`
	Cost   float64 `json:"cost" doc:"Of the stock that is cut into, less what kept offcuts are worth"`
	Bound  float64 `json:"bound" doc:"No plan of all pieces can cost less; 0 where nothing is known"`
	Yield  float64 `json:"yield" doc:"Area of the pieces of that of the stock that is cut into"`
	Useful float64 `json:"useful" doc:"The same with offcuts that are kept"`
	Cuts   int     `json:"cuts"`
	Proved bool    `json:"proved" doc:"No plan needs less stock"`
}

// Sheet is one piece of stock with its cuts.
type Sheet struct {
	Stock string  `json:"stock"`
	Copy  int     `json:"copy" doc:"Which of several alike, from 1"`
	W     float64 `json:"w"`
	H     float64 `json:"h"`
	Root  Node    `json:"root"`
}

// Left is a piece without a place, with why.
type Left struct {
	Piece string `json:"piece"`
	Count int    `json:"count"`
	Why   string `json:"why"`
}

// What a node is.
const (
	IsCut    = "cut"    // cut edge to edge into A and B
	IsPiece  = "piece"  // a pane that was wanted
	IsOffcut = "offcut" // worth its place in the rack
	IsWaste  = "waste"
)

// Node is a rectangle of stock, from its sheet's lower left corner, mm. A cut node is
// cut through from edge to edge: A is left of it or below, B right or above, and a saw
// takes its kerf between them.
type Node struct {
	Kind   string  `json:"kind" enum:"cut,piece,offcut,waste"`
	X      float64 `json:"x"`
	Y      float64 `json:"y"`
	W      float64 `json:"w"`
	H      float64 `json:"h"`
	Up     bool    `json:"up,omitempty" doc:"Runs upwards, At from the node's left edge; else along, from its lower"`
	At     float64 `json:"at,omitempty" doc:"From the node's left or lower edge, mm"`
	Trim   bool    `json:"trim,omitempty" doc:"A damaged edge comes off, with the running pliers"`
	A      *Node   `json:"a,omitempty"`
	B      *Node   `json:"b,omitempty"`
	Piece  string  `json:"piece,omitempty"`
	Turned bool    `json:"turned,omitempty" doc:"The piece lies on its side"`
}

// Cut is one cut of a sheet in the order in which they are made.
type Cut struct {
	Number int    `json:"number"`
	Node   *Node  `json:"node" doc:"What is cut, with both halves"`
	Path   string `json:"path" doc:"Way to it from the sheet: a and b at each cut"`
}

// Order is the order in which the cuts of a sheet are made: whatever is in hand is cut
// before the next is taken up, the trim first.
func (s *Sheet) Order() []Cut {
	var out []Cut
	var walk func(n *Node, path string)
	walk = func(n *Node, path string) {
		if n == nil || n.Kind != IsCut {
			return
		}
		out = append(out, Cut{Number: len(out) + 1, Node: n, Path: path})
		walk(n.A, path+"a")
		walk(n.B, path+"b")
	}
	walk(&s.Root, "")
	return out
}

// Leaves are the rectangles that are not cut any more.
func (n *Node) Leaves() []*Node {
	if n == nil {
		return nil
	}
	if n.Kind != IsCut {
		return []*Node{n}
	}
	return append(n.A.Leaves(), n.B.Leaves()...)
}

// Find is the node at a path; nil where there is none.
func (n *Node) Find(path string) *Node {
	for _, c := range path {
		if n == nil || n.Kind != IsCut {
			return nil
		}
		if c == 'a' {
			n = n.A
		} else {
			n = n.B
		}
	}
	return n
}

// Holds counts the pieces within a node, by their names.
func (n *Node) Holds() map[string]int {
	out := map[string]int{}
	for _, l := range n.Leaves() {
		if l.Kind == IsPiece {
			out[l.Piece]++
		}
	}
	return out
}
