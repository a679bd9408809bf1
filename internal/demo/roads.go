package demo

import (
	"context"
	_ "embed"

	"freshshard/core/round"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/shop"
)

//go:embed sandholm.ics
var sandholm string

// roads are those of Hollin Ferry: the yard, the quay, both sides of the water.
var roads = record.RoadMap{Home: "Lantern Yard", Legs: []round.Leg{
	{A: "Lantern Yard", B: "Ferry quay", Minutes: 6}, {A: "Lantern Yard", B: "Bakery row", Minutes: 9},
	{A: "Bakery row", B: "Ferry quay", Minutes: 5}, {A: "Lantern Yard", B: "Smokehouse point", Minutes: 22},
	{A: "Smokehouse point", B: "Highmere", Minutes: 18}, {A: "Lantern Yard", B: "Highmere", Minutes: 31},
	{A: "Lantern Yard", B: "Fenland", Minutes: 26}, {A: "Sandholm landing", B: "Saltmarsh", Minutes: 11},
}, Ferries: []record.Timetable{{Name: "Sandholm ferry", Text: sandholm}}}

// sites is where customers have their things, and when somebody is in.
var sites = map[string]record.Site{
	"Brindle & Daughters, bakery": {Place: "Bakery row", InFrom: "10:00"}, "Saltmarsh nursery": {Place: "Saltmarsh"},
	"Pell's smokehouse": {Place: "Smokehouse point", InFrom: "08:00", InTo: "15:00"},
	"Ferry company":     {Place: "Ferry quay"},
	"Ferry town museum": {Place: "Ferry quay", InFrom: "09:00", InTo: "16:00"},
}

// fillRoads says where everything is.
func fillRoads(ctx context.Context, s *shop.Shop, by record.Account) error {
	if err := s.Days.Calendar.SetRoadMap(ctx, by, roads); err != nil {
		return err
	}
	all, err := s.Today.Find(ctx, "", "open", 0, 200)
	if err != nil {
		return err
	}
	for _, j := range all {
		site, ok := sites[j.Customer]
		v, err := s.Work(ctx, jobview.First(j.ID))
		if err != nil {
			return err
		}
		if !ok || v.Job.Place != "site" {
			continue
		}
		site.Job = j.ID
		if err := s.Days.Calendar.SetSite(ctx, by, site); err != nil {
			return err
		}
	}
	return nil
}
