package desk

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"slices"

	"freshshard/core/fault"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// MostPhotos is how many pictures a job holds.
const MostPhotos = 60

// AddPhoto keeps a picture of a job, of one entry of its strip log when entry
// is not empty. A retry with the same key keeps it once.
func (s *Photos) AddPhoto(ctx context.Context, by record.Account, key string, job int64, entry string,
	b []byte) error {
	p, err := s.photos.Take(ctx, b)
	if err != nil {
		return err
	}
	sum := sha256.Sum256(b)
	request := []any{job, entry, hex.EncodeToString(sum[:])}
	_, err = s.Create(ctx, by, key, "photo", request, func(t *store.Tx) (int64, error) {
		signed, err := t.Jobs.LockJob(ctx, job)
		if err != nil {
			return 0, err
		}
		if signed {
			return 0, &record.Conflict{Says: "This job is signed off; its pictures stay as they are."}
		}
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return 0, err
		}
		if len(j.Photos) >= MostPhotos {
			return 0, fault.New("photo", fmt.Sprintf("a job holds %d pictures", MostPhotos), "take one away first")
		}
		if _, ok := LogEntry(j, entry); entry != "" && !ok {
			return 0, &record.NotFound{What: "this entry"}
		}
		id, err := t.Photos.AddPhoto(ctx, job, entry, p, by.ID, "", s.Now())
		if err != nil {
			return 0, err
		}
		if err := t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "photo", Item: fmt.Sprint(id),
			Action: "taken", Said: "picture taken"}); err != nil {
			return 0, err
		}
		return id, t.Jobs.TouchJob(ctx, job)
	})
	return err
}

func LogEntry(j record.Job, id string) (record.StripEntry, bool) {
	for _, e := range j.Strip {
		if e.Entry.ID == id {
			return e, true
		}
	}
	return record.StripEntry{}, false
}

// DropPhoto takes a picture away.
func (s *Photos) DropPhoto(ctx context.Context, by record.Account, job, id int64) error {
	return s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		found, err := t.Photos.DropPhoto(ctx, job, id)
		if err == nil && !found {
			err = &record.NotFound{What: "this picture"}
		}
		return store.Change{Noun: "photo", Item: fmt.Sprint(id), Action: "taken away", Said: "picture taken away"}, err
	})
}

// Picture reads one picture of a job as JPEG, small or full.
func (s *Photos) Picture(ctx context.Context, job, id int64, small bool) ([]byte, error) {
	return s.Store.Photos.Picture(ctx, job, id, small)
}

// ShowPhoto puts a picture on the page behind the job's code, or takes it off. None stands
// there by itself: a picture may show more than whoever took it thought of.
func (s *Photos) ShowPhoto(ctx context.Context, by record.Account, job, id int64, shown bool) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.Photos.ShowPhoto(ctx, job, id, shown)
		if err == nil && !found {
			err = &record.NotFound{What: "this picture"}
		}
		if err != nil {
			return err
		}
		said := "picture put on its page"
		if !shown {
			said = "picture taken off its page"
		}
		return t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "photo", Item: fmt.Sprint(id),
			Action: "changed", Said: said})
	})
}

// ShownPicture reads a picture that stands on the page behind a job's code.
func (s *Photos) ShownPicture(ctx context.Context, job, id int64) ([]byte, error) {
	all, err := s.Store.Photos.ShownPhotos(ctx, job)
	if err != nil {
		return nil, err
	}
	if !slices.Contains(all, id) {
		return nil, &record.NotFound{What: "this picture"}
	}
	return s.Store.Photos.Picture(ctx, job, id, false)
}
