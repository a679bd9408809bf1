package fit

import "math"

// slideStops is how many stops lie on each side of where the pane is set.
const slideStops = 4

// slide is the way from the coldest over the room to the hottest.
func (s doubting) slide(w, h axis, r Result) []Stop {
	p := s.p
	out := make([]Stop, 0, 2*slideStops+1)
	for i := -slideStops; i <= slideStops; i++ {
		t := math.Abs(float64(i)) / slideStops
		toPane, toFrame := p.Exposure.Steady, p.Exposure.FrameHot
		if i < 0 {
			toPane, toFrame = p.Exposure.Coldest, p.Exposure.Coldest
		}
		st := Stop{Pane: p.Exposure.Room + t*(toPane-p.Exposure.Room), Frame: p.Exposure.Room + t*(toFrame-p.Exposure.Room)}
		gw, gh := p.growth(w.Nominal, st.Pane, st.Frame), p.growth(h.Nominal, st.Pane, st.Frame)
		st.Gap, st.Shift = r.Gap.W+gw, gw
		if r.Gap.H+gh < st.Gap {
			st.Gap, st.Shift = r.Gap.H+gh, gh
		}
		limit := p.Limits.Binds.V
		if i == 0 {
			limit = p.Limits.GoesIn.V
		}
		st.GapLow = st.Gap < limit-1e-9
		if reach, ok := s.reach(); ok {
			st.Bite = reach.Value - p.seated() - math.Max(r.Gap.W+gw, r.Gap.H+gh)
			over := math.Min(bounding(s).cover(w, r.Order.W, reach.Value, gw),
				bounding(s).cover(h, r.Order.H, reach.Value, gh))
			st.BiteLow = over < p.Limits.Stays.V-1e-9
		}
		out = append(out, st)
	}
	return out
}
