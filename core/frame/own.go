package frame

import "freshshard/core/catalogue"

// Fields are the values of a frame that a shop may lay over. Common practice,
// no source.
var Fields = []catalogue.Field{{Item: "alpha", Name: "growth", Unit: "10⁻⁶/K", Least: 0, Most: 150}}

// Own is a value of the frame as it stands; nil where it has none.
func (m Material) Own(item string) *float64 {
	if item != "alpha" || m.ID == "" {
		return nil
	}
	return &m.Alpha
}

// with is the frame with the shop's own growth over the book's.
func (m Material) with(vs catalogue.Values) Material {
	if v, ok := vs.Laid(catalogue.Frame, m.ID, "alpha"); ok {
		m.Alpha, m.Origin = v.V, v.Origin
	}
	return m
}

// CheckOwn refuses a value that cannot be.
func CheckOwn(v catalogue.Value) error {
	_, err := Book.ByID(v.ID)
	return v.Check(Fields, err)
}
