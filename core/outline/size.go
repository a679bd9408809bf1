package outline

// Size is width × height in mm.
type Size struct {
	W float64 `json:"w"`
	H float64 `json:"h"`
}
