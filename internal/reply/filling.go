package reply

// Filled is how far a made-up shop is filled: so many of its jobs.
type Filled struct {
	Done int `json:"done"`
	Of   int `json:"of"`
}

// Over says whether nothing is left to be filled.
func (f Filled) Over() bool { return f.Done >= f.Of }
