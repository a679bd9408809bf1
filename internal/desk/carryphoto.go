package desk

import (
	"context"
	"fmt"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/photo"
	"freshshard/internal/record"
	"freshshard/internal/typed"
)

// CarriedPhoto is a picture of a carried job.
type CarriedPhoto struct {
	Entry string    `json:"entry,omitempty" doc:"Entry of the strip log that it shows; empty for none"`
	By    string    `json:"by"`
	At    time.Time `json:"at"`
	JPEG  []byte    `json:"jpeg" doc:"Base64"`
}

// carriedPhotos reads the pictures of a job with their points.
func (s *Photos) carriedPhotos(ctx context.Context, j record.Job) ([]CarriedPhoto, error) {
	var out []CarriedPhoto
	for _, p := range j.Photos {
		b, err := s.Store.Photos.Picture(ctx, j.ID, p.ID, false)
		if err != nil {
			return nil, err
		}
		out = append(out, CarriedPhoto{Entry: p.Entry, By: p.By, At: p.At, JPEG: b})
	}
	return out, nil
}

// takePhotos holds the pictures against their job. Each is decoded and written
// anew, as if it had just been taken: a document may come from anywhere.
func (s *Photos) takePhotos(ctx context.Context, c Carried) ([]photo.Photo, error) {
	if len(c.Photos) > MostPhotos {
		return nil, fault.New("photos", fmt.Sprintf("a job holds %d pictures", MostPhotos), "leave some out")
	}
	all := make([][]byte, 0, len(c.Photos))
	for i, p := range c.Photos {
		at := fmt.Sprintf("photos[%d]", i)
		if _, ok := LogEntry(c.Job, p.Entry); p.Entry != "" && !ok {
			return nil, fault.New(at+".entry", "the strip log has no such entry", "use an entry's id, or leave it empty")
		}
		if _, err := typed.Text(at+".by", p.By, 80, true); err != nil {
			return nil, err
		}
		all = append(all, p.JPEG)
	}
	taken, at, err := s.photos.TakeAll(ctx, all)
	if f := fault.Of(err); f != nil {
		return nil, fault.New(fmt.Sprintf("photos[%d].jpeg", at), f.Why, f.Cure)
	}
	return taken, err
}
