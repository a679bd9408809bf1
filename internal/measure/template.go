package measure

import (
	"context"
	"fmt"
	"strings"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/perspective"
	"freshshard/core/reading"
	"freshshard/core/reckon"
	"freshshard/core/value"
	"freshshard/core/working"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// PhotoOut is the outline of a marked photo with what follows from it.
type PhotoOut struct {
	perspective.Out
	Drawing drawing.Drawing  `json:"drawing"`
	Figures []working.Figure `json:"figures"`
}

// PhotoTemplate takes the perspective out of a marked photo. The photo itself
// stays where it is: the marks are enough.
func (s *Service) PhotoTemplate(ctx context.Context, in perspective.In) (PhotoOut, error) {
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return PhotoOut{}, err
	}
	t, err := perspective.Template(in)
	if err != nil {
		return PhotoOut{}, err
	}
	out := PhotoOut{Out: t, Drawing: drawing.OfOutline(t.Outline, nil)}
	doubt := working.Figure{Key: "photo_doubt", Value: t.Doubt, Unit: "mm", Verdict: working.Note,
		Sentence: fmt.Sprintf("is how far its least sure corner, point %d, may be off", t.Worst),
		Working: working.Of("√Σ (shift of the corner by each mark moved {e} px)²", t.Doubt, "mm",
			working.In("e", "marking error", in.Error, "px", value.Custom())).
			With("Each mark and the point itself is moved by the error, across and down, and the shifts are added as squares. " +
				"Lay a larger sheet nearer to the outline, or mark a second sheet, and it falls.")}
	figures := []working.Figure{doubt}
	if t.Rms > 0 {
		figures = append(figures, working.Figure{Key: "photo_rms", Value: t.Rms, Unit: "px", Verdict: working.Note,
			Sentence: "is how far the marks disagree among themselves",
			Working: working.Of("√(Σ d² / {n})", t.Rms, "px", working.In("n", "marks", float64(4+len(in.More)), "",
				value.Read("")))})
	}
	out.Figures = append(reckon.Present(figures, shop.Unit), figuresOf(t.Outline, shop.Unit)...)
	return out, nil
}

// AddSash solves a sash and lays its lights on the panes of a job that stand in
// the same columns and rows. Panes whose width or height was read keep it. It
// tells how many panes got a size.
func (s *Service) AddSash(ctx context.Context, by record.Account, job int64, in SashIn) (int, error) {
	across, down, err := s.Sums.Sash(ctx, in)
	if err != nil {
		return 0, err
	}
	for _, way := range []SashOut{across, down} {
		if way.Odd != nil {
			return 0, fault.New("sash", "the sash says stop: "+way.Odd.Sentence,
				"put its readings right before you lay its lights on a job")
		}
	}
	laid := 0
	err = s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		laid = 0
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		columns, rows := len(across.Lights), len(down.Lights)
		if len(j.Panes) != columns*rows {
			return store.Change{}, fault.New("job", fmt.Sprintf("the job has %d panes, the sash %d × %d lights", len(j.Panes),
				columns, rows), "lay out the panes of the job as the sash stands")
		}
		for i, p := range j.Panes {
			n, err := s.addLight(ctx, t, by, p, across.Lights[i%columns], down.Lights[i/columns])
			if err != nil {
				return store.Change{}, err
			}
			laid += n
		}
		if laid == 0 {
			return store.Change{}, nil
		}
		return store.Change{Noun: "sash", Item: fmt.Sprint(laid), Action: "laid",
			Said: fmt.Sprintf("the sash gave %d lights their size", laid)}, nil
	})
	return laid, err
}

// addLight writes the four readings that a light's size stands for.
func (s *Service) addLight(ctx context.Context, t *store.Tx, by record.Account, p record.Pane, w, h SashPart) (int,
	error) {
	if !w.Known || !h.Known || p.Shape.Kind != "" {
		return 0, nil
	}
	read := map[reading.Place]bool{}
	for _, r := range p.Readings {
		read[r.Place] = true
	}
	done := 0
	for _, x := range []struct {
		place reading.Place
		part  SashPart
	}{{reading.WidthTop, w}, {reading.WidthBottom, w}, {reading.HeightLeft, h}, {reading.HeightRight, h}} {
		if _, err := PlaceOf(p.Held, x.place); err != nil || read[x.place] {
			continue
		}
		r := length.Reading{Value: x.part.Value, Doubt: x.part.Doubt,
			Text: strings.ReplaceAll(fmt.Sprintf("%s ±%s mm", working.Num(x.part.Value, 1), working.Num(x.part.Doubt, 1)),
				"−", "-")}
		if err := x.place.Check(r); err != nil {
			return 0, err
		}
		last, err := t.Panes.LastReadingVersion(ctx, p.ID, x.place)
		if err != nil {
			return 0, err
		}
		if err := t.Panes.AddReading(ctx, p.ID,
			record.Reading{Place: x.place, Reading: r, Instrument: length.Tape, ByID: by.ID,
				At: s.Now(), Version: last + 1}); err != nil {
			return 0, err
		}
		done = 1
	}
	return done, nil
}
