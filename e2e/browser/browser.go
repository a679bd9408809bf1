// Package browser starts Debian's headless Chromium for the walks through the
// real program and for the pictures in the documentation.
package browser

import (
	"context"
	"errors"
	"os"
	"os/exec"

	"github.com/chromedp/chromedp"
)

// names under which the browser may be installed.
var names = []string{"chromium-headless-shell", "chromium", "chromium-browser", "google-chrome"}

// Shown looks for the usual build first: the headless one leaves out frames in which a
// drawing learns its size, and a picture of it is bare.
func Shown() { names = append([]string{"chromium"}, names...) }

// Find looks the browser up.
func Find() (string, error) {
	for _, n := range names {
		if p, err := exec.LookPath(n); err == nil {
			return p, nil
		}
	}
	return "", errors.New("no Chromium is installed: install Debian's package chromium, or run make test, which does")
}

// Start brings a browser up with a profile of its own; end closes it.
func Start(ctx context.Context, width, height int) (browser context.Context, end func(), err error) {
	path, err := Find()
	if err != nil {
		return nil, nil, err
	}
	dir, err := os.MkdirTemp("", "fsweb")
	if err != nil {
		return nil, nil, err
	}
	opts := append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.ExecPath(path), chromedp.UserDataDir(dir), chromedp.WindowSize(width, height),
		chromedp.Flag("no-sandbox", true), chromedp.Flag("disable-gpu", true), chromedp.Flag("disable-quic", true),
		chromedp.Flag("disable-background-networking", true), chromedp.Flag("no-first-run", true),
		chromedp.Flag("disable-component-update", true), chromedp.Flag("disable-sync", true),
		chromedp.Flag("hide-scrollbars", true),
	)
	alloc, stopAlloc := chromedp.NewExecAllocator(ctx, opts...)
	browser, stop := chromedp.NewContext(alloc)
	end = func() {
		stop()
		stopAlloc()
		_ = os.RemoveAll(dir)
	}
	if err := chromedp.Do(browser); err != nil {
		end()
		return nil, nil, err
	}
	return browser, end, nil
}
