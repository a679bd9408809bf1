// Package reach opens the address under which a shop says that it is reached, and tells
// what stands there.
package reach

import (
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/url"
	"strings"
	"time"

	"freshshard/core/fault"
)

// Bounds of a look: nothing of a shop answers slower, or with more.
const (
	patience   = 6 * time.Second
	mostAnswer = 1 << 20
)

// Clean gives an address as it goes out: https://shop.example, without a path. Addresses of
// the machine itself lead nobody to it and are refused.
func Clean(field, text string) (string, error) {
	text = strings.TrimSpace(text)
	if text == "" {
		return "", nil
	}
	u, err := url.Parse(text)
	switch {
	case err != nil || u.Scheme != "https" && u.Scheme != "http" || u.Host == "":
		return "", fault.New(field, "this is no address of a page", "write it as https://shop.example")
	case u.User != nil || u.RawQuery != "" || u.Fragment != "" || strings.Trim(u.Path, "/") != "":
		return "", fault.New(field, "this leads to one page, not to the shop", "leave out what stands behind the name")
	case Own(u.Hostname()):
		return "", fault.New(field, "only this machine finds "+u.Hostname(),
			"give the address that a phone in the street opens")
	}
	return u.Scheme + "://" + strings.ToLower(u.Host), nil
}

// Own says that a host is the machine that asks.
func Own(host string) bool {
	host = strings.ToLower(host)
	return host == "localhost" || strings.HasSuffix(host, ".localhost") || host == "::1" || host == "0.0.0.0" ||
		strings.HasPrefix(host, "127.")
}

// Name opens an address and gives the name of the shop that answers there.
func Name(ctx context.Context, address string) (string, error) {
	ctx, cancel := context.WithTimeout(ctx, patience)
	defer cancel()
	q, err := http.NewRequestWithContext(ctx, http.MethodGet, address+"/api/session", nil)
	if err != nil {
		return "", err
	}
	client := http.Client{CheckRedirect: func(*http.Request, []*http.Request) error { return http.ErrUseLastResponse }}
	res, err := client.Do(q)
	if err != nil {
		return "", err
	}
	defer func() { _ = res.Body.Close() }()
	if res.StatusCode != http.StatusOK {
		return "", fmt.Errorf("it answers with %s", res.Status)
	}
	var v struct {
		Shop struct {
			Name string `json:"name"`
		} `json:"shop"`
	}
	if err := json.NewDecoder(io.LimitReader(res.Body, mostAnswer)).Decode(&v); err != nil || v.Shop.Name == "" {
		return "", fmt.Errorf("what answers there is not this program")
	}
	return v.Shop.Name, nil
}
