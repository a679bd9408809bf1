package reply

import (
	"context"
	"errors"
	"net/http"
	"regexp"
	"strconv"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"freshshard/core/fault"
	"freshshard/core/prove"
	"freshshard/internal/change"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/typed"
)

// Problem is every error that the API gives, as application/problem+json
// (RFC 9457). Errors point at the fields.
type Problem struct {
	Type       string            `json:"type,omitempty" doc:"A word for the kind of problem"`
	Title      string            `json:"title"`
	Status     int               `json:"status"`
	Detail     string            `json:"detail"`
	Errors     []FieldError      `json:"errors,omitempty"`
	Hindrances []prove.Hindrance `json:"hindrances,omitempty" doc:"What keeps a job from being signed off"`
	RetryAfter int               `json:"retry_after,omitempty" doc:"Seconds"`
	Filled     *Filled           `json:"filled,omitempty" doc:"How far a made-up shop is filled"`
}

// FieldError says what is wrong with one field and what would be right.
type FieldError struct {
	Field string `json:"field"`
	Why   string `json:"why"`
	Cure  string `json:"cure,omitempty"`
	At    *int   `json:"at,omitempty" doc:"The character that is wrong, from 0"`
}

func (p *Problem) Error() string { return p.Detail }

// GetStatus is what huma sends.
func (p *Problem) GetStatus() int { return p.Status }

// GetHeaders are what huma sends with it.
func (p *Problem) GetHeaders() http.Header {
	h := http.Header{}
	if p.RetryAfter > 0 {
		h.Set("Retry-After", strconv.Itoa(p.RetryAfter))
	}
	return h
}

// ContentType is what huma sends it as.
func (p *Problem) ContentType(string) string { return "application/problem+json" }

// init makes the contract's own errors (a missing field, a number that is no
// number) the same type as ours.
func init() {
	// Go's slices here are never nil in an answer.
	huma.DefaultArrayNullable = false
	huma.NewError = func(status int, msg string, errs ...error) huma.StatusError {
		// A body that cannot be read to its end was sent broken.
		if status == http.StatusInternalServerError && msg == "cannot read request body" {
			status = http.StatusBadRequest
		}
		p := &Problem{Status: status, Title: http.StatusText(status), Detail: msg}
		for _, err := range errs {
			var d *huma.ErrorDetail
			if errors.As(err, &d) {
				field := strings.TrimPrefix(strings.TrimPrefix(strings.TrimPrefix(d.Location, "body."), "path."), "query.")
				p.Errors = append(p.Errors, FieldError{Field: field, Why: plainWords(d.Message)})
			} else if err != nil && status < 500 {
				p.Errors = append(p.Errors, FieldError{Why: plainWords(err.Error())})
			}
		}
		if len(p.Errors) > 0 && msg == "validation failed" {
			p.Detail = p.Errors[0].Field + ": " + p.Errors[0].Why
		}
		return p
	}
}

// What the libraries say of a value that cannot be read names types of the program; people
// are told what is expected.
var (
	wrongKind = regexp.MustCompile(`cannot unmarshal (\w+)|Go (struct field|value)|of type `)
	wrongTime = regexp.MustCompile(`parsing time|cannot parse .* as "`)
)

func plainWords(says string) string {
	switch {
	case wrongTime.MatchString(says):
		return "this is no time; write it as 2026-12-24T15:30:00Z"
	case wrongKind.MatchString(says):
		return "this is not the kind of value that is expected here"
	}
	return says
}

func New(status int, kind, detail string, fields ...FieldError) *Problem {
	return &Problem{Type: kind, Title: http.StatusText(status), Status: status, Detail: detail, Errors: fields}
}

// Of turns an error of the rules into a problem. What it does not know is
// logged and told as a fault of the program, without its text.
func Of(ctx context.Context, err error) error {
	var (
		at       *typed.At
		missing  *record.NotFound
		conflict *record.Conflict
		denied   *record.Denied
		slow     *record.Slow
		reused   *record.Reused
		open     *records.Open
	)
	switch {
	case err == nil:
		return nil
	case errors.As(err, &at):
		return New(http.StatusUnprocessableEntity, "field", at.Err.Why+"; "+at.Err.Cure,
			FieldError{at.Field, at.Err.Why, at.Err.Cure, &at.Position})
	case errors.As(err, &missing):
		return New(http.StatusNotFound, "not-found", Upper(missing.Error())+".")
	case errors.As(err, &conflict):
		p := New(http.StatusConflict, "conflict", conflict.Says)
		if conflict.Field != "" {
			p.Errors = []FieldError{{Field: conflict.Field, Why: conflict.Says}}
		}
		return p
	case errors.As(err, &denied):
		return New(http.StatusForbidden, "denied", denied.Why)
	case errors.As(err, &slow):
		p := New(http.StatusTooManyRequests, "slow", Upper(slow.Error())+".")
		p.RetryAfter = slow.Seconds
		return p
	case errors.As(err, &reused):
		return New(http.StatusUnprocessableEntity, "reused-key", Upper(reused.Error())+".")
	case errors.As(err, &open):
		p := New(http.StatusConflict, "open", open.Error())
		p.Hindrances = open.Hindrances
		return p
	case ctx.Err() == context.Canceled, errors.Is(err, context.Canceled):
		return New(499, "gone", "The caller went away.")
	}
	if all := fault.All(err); len(all) > 0 {
		p := New(http.StatusUnprocessableEntity, "field", all[0].Why+"; "+all[0].Cure)
		for _, f := range all {
			p.Errors = append(p.Errors, FieldError{f.Field, f.Why, f.Cure, nil})
		}
		return p
	}
	Log(ctx).ErrorContext(ctx, "a call failed", "error", err)
	var broken *record.Broken
	switch {
	case errors.As(err, &broken):
		return New(http.StatusServiceUnavailable, "check", broken.What+", and its own check refused it: "+broken.Why+
			". That is a fault of the program. Nothing was changed.")
	case change.Unreachable(err):
		return New(http.StatusServiceUnavailable, "failed",
			"The shop's records cannot be reached just now. Nothing was lost; try again in a moment.")
	}
	return New(http.StatusServiceUnavailable, "mistake",
		"The program made a mistake here. Nothing was changed by it. If it comes again, say the number of this call: "+
			CallOf(ctx))
}

func Upper(s string) string {
	if s == "" {
		return s
	}
	return strings.ToUpper(s[:1]) + s[1:]
}
