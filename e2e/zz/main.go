// throwaway
package main

import (
	"context"
	"fmt"
	"os"
	"strconv"
	"strings"
	"time"

	"github.com/chromedp/cdproto/emulation"
	"github.com/chromedp/cdproto/page"
	"github.com/chromedp/cdproto/runtime"
	"github.com/chromedp/chromedp"
)

// usage: zz URL user pass W H path=out.png [click:selector] ...
func main() {
	a := os.Args[1:]
	url, user, pass := a[0], a[1], a[2]
	w, _ := strconv.Atoi(a[3])
	h, _ := strconv.Atoi(a[4])
	exe := "/usr/bin/chromium-headless-shell"
	if _, err := os.Stat("/usr/bin/chromium"); err == nil { exe = "/usr/bin/chromium" }
	opts := append(chromedp.DefaultExecAllocatorOptions[:], chromedp.NoSandbox, chromedp.ExecPath(exe), chromedp.WindowSize(w, h))
	ctx, c := chromedp.NewExecAllocator(context.Background(), opts...)
	defer c()
	ctx, c2 := chromedp.NewContext(ctx)
	defer c2()
	ctx, c3 := context.WithTimeout(ctx, 150*time.Second)
	defer c3()
	chromedp.ListenTarget(ctx, func(ev any) {
		switch e := ev.(type) {
		case *runtime.EventExceptionThrown:
			fmt.Println("EXC", e.ExceptionDetails.Error())
		case *runtime.EventConsoleAPICalled:
			for _, v := range e.Args { fmt.Println("CONSOLE", e.Type, string(v.Value)) }
		}
	})
	run := func(x ...chromedp.Action) {
		if err := chromedp.Run(ctx, x...); err != nil { fmt.Println("ERR", err) }
	}
	run(emulation.SetDeviceMetricsOverride(int64(w), int64(h), 1, w < 600), chromedp.Navigate(url+"/"), chromedp.Sleep(time.Second))
	if user != "-" {
		run(chromedp.Evaluate(fmt.Sprintf(`fetch('/api/session',{method:'POST',headers:{'content-type':'application/json'},body:JSON.stringify({login:%q,password:%q})}).then(r=>r.status)`, user, pass), nil, func(p *runtime.EvaluateParams) *runtime.EvaluateParams { return p.WithAwaitPromise(true) }))
	}
	for _, s := range a[5:] {
		switch {
		case strings.HasPrefix(s, "click:"):
			run(chromedp.Click(s[6:], chromedp.ByQuery), chromedp.Sleep(700*time.Millisecond))
		case strings.HasPrefix(s, "js:"):
			var out any
			run(chromedp.Evaluate(s[3:], &out, func(p *runtime.EvaluateParams) *runtime.EvaluateParams { return p.WithAwaitPromise(true) }), chromedp.Sleep(700*time.Millisecond))
			fmt.Println(s[3:min(len(s), 60)], "=>", out)
		case strings.HasPrefix(s, "type:"):
			p := strings.SplitN(s[5:], "=", 2)
			run(chromedp.SendKeys(p[0], p[1], chromedp.ByQuery), chromedp.Sleep(700*time.Millisecond))
		case strings.HasPrefix(s, "shot:"):
			var b []byte
			run(chromedp.CaptureScreenshot(&b))
			os.WriteFile(s[5:], b, 0o644)
		case strings.HasPrefix(s, "pdf:"):
			run(chromedp.ActionFunc(func(ctx context.Context) error {
				b, _, err := page.PrintToPDF().WithPrintBackground(false).Do(ctx)
				if err == nil { os.WriteFile(s[4:], b, 0o644) }
				return err
			}))
		default:
			fmt.Println("->", s)
			run(chromedp.Navigate(url+s), chromedp.Sleep(1500*time.Millisecond))
		}
	}
}
