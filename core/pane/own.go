package pane

import (
	"fmt"
	"slices"
	"strings"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/value"
)

// Fields are the values of a material that a shop's data sheets may say
// otherwise. The bounds hold everything that is made. Common practice, no source.
var Fields = []catalogue.Field{
	{Item: "steady", Name: "steady heat", Unit: "°C", Least: 20, Most: 1500},
	{Item: "peak", Name: "heat for minutes", Unit: "°C", Least: 20, Most: 1600},
	{Item: "sudden", Name: "sudden change", Unit: "K", Least: 5, Most: 1500},
	{Item: "strength", Name: "bending strength", Unit: "MPa", Least: 1, Most: 500},
	{Item: "design", Name: "what it carries for good", Unit: "MPa", Least: 0.5, Most: 300},
	{Item: "alpha", Name: "growth", Unit: "10⁻⁶/K", Least: -1, Most: 150},
	{Item: "e", Name: "stiffness", Unit: "GPa", Least: 0.5, Most: 250},
	{Item: "lambda", Name: "what it conducts", Unit: "W/mK", Least: 0.05, Most: 400},
	{Item: "emissivity", Name: "emissivity", Least: 0.01, Most: 1},
	{Item: "density", Name: "density", Unit: "kg/m³", Least: 500, Most: 9000},
	{Item: "clearance", Name: "the edge clearance that it asks for", Unit: "mm", Least: 0, Most: 30},
	{Item: "hot_clearance", Name: "the clearance that it keeps when it has grown", Unit: "mm", Least: 0, Most: 30},
	{Item: "bite", Name: "the bite that it asks for", Unit: "mm", Least: 0.5, Most: 60},
	{Item: lifeItem + "*", Name: "hours that it lasts at a heat", Unit: "h", Least: 1, Most: 200000},
}

// lifeItem begins the item of a row of the life table; its °C follow.
const lifeItem = "life_"

// lifeAt is the row of the life table that an item names, by its place; −1 when
// it names none.
func (m Material) lifeAt(item string) int {
	c, ok := strings.CutPrefix(item, lifeItem)
	if !ok {
		return -1
	}
	return slices.IndexFunc(m.Life, func(l Life) bool { return fmt.Sprintf("%g", l.C) == c })
}

// at is where a value lies; of a value that the material may lack, the pointer
// to it.
func (m *Material) at(item string) (plain *value.Value, may **value.Value) {
	switch item {
	case "steady":
		return &m.Steady, nil
	case "peak":
		return nil, &m.Peak
	case "sudden":
		return nil, &m.Sudden
	case "strength":
		return &m.Strength, nil
	case "design":
		return nil, &m.Design
	case "alpha":
		return &m.Alpha, nil
	case "e":
		return &m.E, nil
	case "lambda":
		return &m.Lambda, nil
	case "emissivity":
		return &m.Emissivity, nil
	case "density":
		return &m.Density, nil
	case "clearance":
		return nil, &m.Limits.Clearance
	case "hot_clearance":
		return nil, &m.Limits.HotClearance
	case "bite":
		return nil, &m.Limits.Bite
	}
	return nil, nil
}

// Own is a value of the material as it stands; nil where it has none.
func (m Material) Own(item string) *float64 {
	if n := m.lifeAt(item); n >= 0 {
		v := m.Life[n].Hours
		return &v
	}
	plain, may := m.at(item)
	if may != nil {
		plain = *may
	}
	if plain == nil {
		return nil
	}
	v := plain.V
	return &v
}

// with is the material with the shop's own values laid over it.
func (m Material) with(vs catalogue.Values) Material {
	m.Life = slices.Clone(m.Life)
	for i, l := range m.Life {
		if v, ok := vs.Laid(catalogue.Material, m.ID, fmt.Sprintf("%s%g", lifeItem, l.C)); ok {
			m.Life[i].Hours, m.Life[i].Origin = v.V, v.Origin
		}
	}
	for _, f := range Fields {
		v, ok := vs.Laid(catalogue.Material, m.ID, f.Item)
		if !ok {
			continue
		}
		if plain, may := m.at(f.Item); may != nil {
			*may = &v
		} else if plain != nil {
			*plain = v
		}
	}
	return m
}

// CheckOwn refuses a value that cannot be, alone or beside the others.
func CheckOwn(vs catalogue.Values, v catalogue.Value) error {
	if err := v.Check(Fields, nil); err != nil {
		return err
	}
	m, err := Book.With(append(catalogue.Values{v}, vs...), v.ID)
	if err != nil {
		return err
	}
	if strings.HasPrefix(v.Item, lifeItem) {
		return m.checkLife(v.Item)
	}
	if v.Item == "design" && !m.Plastic {
		return fault.New("item", "what it carries for good is a plastic's value", "of a glass, set the bending strength")
	}
	if m.Peak != nil && m.Peak.V < m.Steady.V {
		return fault.New("v", "for minutes a material stands at least what it stands for good",
			"set the other of the two first")
	}
	return nil
}

// checkLife refuses a row that is not of the table, and hours that do not fall
// as the heat rises.
func (m Material) checkLife(item string) error {
	n := m.lifeAt(item)
	if n < 0 {
		return fault.New("item", "its life table has no such row", "choose one of the page")
	}
	h := m.Life[n].Hours
	if n > 0 && h > m.Life[n-1].Hours || n+1 < len(m.Life) && h < m.Life[n+1].Hours {
		return fault.New("v", "a hotter pane never lasts longer: these hours do not lie between the rows beside them",
			"set the row beside it first")
	}
	return nil
}
