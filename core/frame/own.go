package frame

import "freshshard/core/own"

// Fields are the values of a frame that a shop may lay over. Common practice,
// no source.
var Fields = []own.Field{{Item: "alpha", Name: "growth", Unit: "10⁻⁶/K", Least: 0, Most: 150}}

// Own is a value of the frame as it stands; nil where it has none.
func (m Material) Own(item string) *float64 {
	if item != "alpha" || m.ID == "" {
		return nil
	}
	return &m.Alpha
}

// with is the frame with the shop's own growth over the book's.
func (m Material) with(vs own.Values) Material {
	if v, ok := vs.Laid(own.Frame, m.ID, "alpha"); ok {
		m.Alpha, m.Origin = v.V, v.Origin
	}
	return m
}

// Laid lists the frames with the shop's own values over the book's.
func Laid(vs own.Values) []Material { return own.Laid(all, vs, Material.with) }

// With finds a frame with the shop's own values over the book's.
func With(vs own.Values, id string) (Material, error) {
	return own.Find(id, vs, ByID, Material.with)
}

// CheckOwn refuses a value that cannot be.
func CheckOwn(v own.Value) error {
	_, err := ByID(v.ID)
	return v.Check(Fields, err)
}
