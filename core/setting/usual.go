package setting

// UsualSides are the fixings that are tightened where nobody has counted yet, by the kind of
// fixing; a ring springs in, and has none. Common practice, no source.
var UsualSides = map[string]Sides{
	"bracket": {Top: 2, Bottom: 2}, "bar": {Bottom: 3}, "nut": {Right: 2, Left: 2}, "bolt": {Bottom: 2},
	"screw": {Top: 2, Right: 2, Bottom: 2, Left: 2},
}
