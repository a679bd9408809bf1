// Shoot takes pictures of the running demo for the documentation:
//
//	shoot [-url http://127.0.0.1:8080] [-out docs/screenshots] [-size 1280x800] [-theme light] [-do SCRIPT] NAME=PATH …
//
// Without names it takes the whole set of the README.
package main

import (
	"context"
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"time"

	"github.com/chromedp/chromedp"

	"freshshard/e2e/browser"
	"freshshard/internal/demo"
)

// shot is one picture: where, how large, in which light, and what to do first.
type shot struct {
	name, path, theme, do string
	draft                 string // half-filled take-in to start from
	slow                  bool   // its script takes a while
	sash                  string // half-read sash to start from
	w, h                  int
	beside                []string // further paths of the same size, in the one picture
}

// stoveDraft is a take-in with its first questions answered.
const stoveDraft = `{"key":"a-key-for-a-picture","customer":null,"name":"Oda Marl","phone":"",
	"object":"Sauna stove, door pane","exposure":"fire","steady":"","power":false,"gas":false,"vehicle":false,
	"water":false,"layout":{"across":1,"down":1,"behind":false},"old":true,"strike":false,"stamp":"","family":"",
	"like":"glass-ceramic","story":"","place":"bench","promised":""}`

// sashDraft is a sash whose second column is broken.
const sashDraft = `{"across":{"lights":["250; 250.4","","25.1cm"],"bars":["20",""],"first":"50","last":"50",
	"whole":"890","alike":true},"down":{"lights":["180","9 13/16","181"],"bars":["20",""],"first":"55","last":"",
	"whole":"","alike":true},"instrument":"tape"}`

// screwsCounted lays a pane in and counts two screws of the second pass off.
const screwsCounted = `(async () => {
  const put = (path, body) => fetch("/api/jobs/2/" + path, {method: "PUT",
  headers: {"Content-Type": "application/json"},
  body: JSON.stringify(body)});
  for (const s of ["gasket-on", "pane-in"]) await put("steps/" + s, {outcome: "done"});
  const v = await (await fetch("/api/jobs/2")).json();
  await put("screws", {counted: 8, version: v.pane.version});
})()`

// waits is a helper of the scripts: what is looked for, as soon as it is there.
const waits = `const wait = (f) => new Promise((done) => { const t = setInterval(() => { const e = f(); if (e) {
	clearInterval(t); done(e); } }, 50); });`

// cutTwice plans what waits of a glass and makes the first two cuts.
const cutTwice = `(async () => {
  (await wait(() => [...document.querySelectorAll("button")].find((b) => b.innerText === "Plan the cuts"))).click();
  for (let n = 0; n < 2; n++) {
    const was = await wait(() => document.querySelector("[data-cut-line]")?.dataset.cutLine);
    (await wait(() => document.querySelector("[data-cut-done]:not([disabled])"))).click();
    await wait(() => document.querySelector("[data-cut-line]")?.dataset.cutLine !== was);
  }
})()`

// daysLaid waits for the days and opens one piece of work.
const daysLaid = `(async () => {
  (await wait(() => document.querySelectorAll("[data-step]")[40])).click();
})()`

// roundLaidOut lays out a round of three with Tor.
const roundLaidOut = `(async () => {
  const free = "[data-visit] [role=checkbox]:not([disabled])";
  await wait(() => document.querySelectorAll(free).length > 3);
  for (const n of [0, 1, 2]) document.querySelectorAll(free)[n].click();
  (await wait(() => [...document.querySelectorAll("fieldset label")].find((l) => l.innerText === "Tor"))).click();
  (await wait(() => document.querySelector("[data-lay-out]:not([disabled])"))).click();
  await wait(() => document.querySelector("[data-laid-out]"));
})()`

// opened goes to the page behind the code of a signed job.
const opened = `(async () => {
  const a = await wait(() => document.querySelector("[data-link] a"));
  a.target = "";
  a.click();
  await wait(() => document.querySelector("[data-passport] h1"));
})()`

var set = []shot{
	{name: "today", path: "/", w: 1280, h: 800},
	{name: "job-measure", path: "/jobs/1/measure", w: 1280, h: 800},
	{name: "job-choose", path: "/jobs/16/choose", w: 1280, h: 800},
	{name: "job-hold", path: "/jobs/36/hold", slow: true, w: 1280, h: 800},
	{name: "job-set", path: "/jobs/2/set", do: screwsCounted, slow: true, w: 1280, h: 800},
	{name: "job-prove", path: "/jobs/8/prove", w: 1280, h: 800},
	{name: "take-in", path: "/take-in", draft: stoveDraft,
		do:   `wait(() => document.querySelectorAll("ol button")[2]).then((b) => b.click())`,
		slow: true, w: 1280, h: 800},
	{name: "jobs", path: "/jobs", w: 1280, h: 800},
	{name: "job-assess", path: "/jobs/1/assess", w: 1280, h: 800},
	{name: "job-strip", path: "/jobs/2/strip", w: 1280, h: 800},
	{name: "book", path: "/book/touch",
		do:   `wait(() => document.querySelector("[aria-label^='✕ petroleum']")).then((b) => b.click())`,
		slow: true, w: 1280, h: 800},
	{name: "cut-room", path: "/cut-room/annealed-3", do: cutTwice, slow: true, w: 1280, h: 800},
	{name: "stores", path: "/stores", w: 1280, h: 800},
	{name: "sums", path: "/sums", sash: sashDraft, w: 1280, h: 800},
	{name: "days", path: "/days", do: daysLaid, slow: true, w: 1280, h: 800},
	{name: "records", path: "/records", w: 1280, h: 800},
	{name: "passport", path: "/jobs/12/prove", do: opened, slow: true, w: 1280, h: 800},
	{name: "phone", path: "/jobs/1/assess", w: 390, h: 844,
		beside: []string{"/jobs/1/measure", "/jobs/17/choose", "/jobs/2/set", "/jobs/25/prove"}},
	{name: "rounds", path: "/rounds", do: roundLaidOut, slow: true, w: 1280, h: 800},
}

func main() {
	url := flag.String("url", "http://127.0.0.1:8080", "the running demo")
	out := flag.String("out", filepath.Join("docs", "screenshots"), "folder of the pictures")
	size := flag.String("size", "1280x800", "of pictures that are named here")
	theme := flag.String("theme", "light", "light or dark")
	do := flag.String("do", "", "a script to run in the page first")
	slow := flag.Bool("slow", false, "the script takes a while")
	flag.Parse()
	shots := set
	if flag.NArg() > 0 {
		shots = nil
		s := shot{theme: *theme, do: *do, slow: *slow}
		if _, err := fmt.Sscanf(*size, "%dx%d", &s.w, &s.h); err != nil {
			fmt.Fprintln(os.Stderr, "shoot: -size wants 1280x800")
			os.Exit(2)
		}
		for _, a := range flag.Args() {
			one, own := s, false
			if one.name, one.path, own = strings.Cut(a, "="); !own {
				one = known(a)
			}
			shots = append(shots, one)
		}
	}
	if err := run(*url, *out, shots); err != nil {
		fmt.Fprintln(os.Stderr, "shoot:", err)
		os.Exit(1)
	}
}

// known is a picture of the set by its name.
func known(name string) shot {
	for _, s := range set {
		if s.name == name {
			return s
		}
	}
	fmt.Fprintln(os.Stderr, "shoot: no picture is called", name)
	os.Exit(2)
	return shot{}
}

func run(url, out string, shots []shot) error {
	ctx, cancel := context.WithTimeout(context.Background(), 3*time.Minute)
	defer cancel()
	browser.Shown()
	b, end, err := browser.Start(ctx, 1280, 800)
	if err != nil {
		return err
	}
	defer end()
	if err := os.MkdirAll(out, 0o755); err != nil {
		return err
	}
	in := false
	for _, s := range shots {
		if s.path == "door" {
			s.path = "/"
		} else if !in {
			if err := enter(b, url); err != nil {
				return err
			}
			in = true
		}
		if err := take(b, url, out, s); err != nil {
			return fmt.Errorf("%s: %w", s.name, err)
		}
	}
	return nil
}

func enter(b context.Context, url string) error {
	return chromedp.Do(b, chromedp.Navigate(url), chromedp.WaitVisible(chromedp.CSS(`input[type=password]`)),
		chromedp.SendKeys(chromedp.CSS(`input[autocomplete=username]`), demo.Owner),
		chromedp.SendKeys(chromedp.CSS(`input[type=password]`), demo.Password+"\r"),
		chromedp.WaitVisible(chromedp.CSS(`nav[aria-label=Main]`)))
}

// settle is how long the page takes after its script.
func (s shot) settle() time.Duration {
	if s.slow {
		return 4 * time.Second
	}
	return 700 * time.Millisecond
}

func take(b context.Context, url, out string, s shot) error {
	if s.theme == "" {
		s.theme = "light"
	}
	light := fmt.Sprintf(`localStorage.setItem("theme", %[1]q); document.documentElement.dataset.theme = %[1]q`, s.theme)
	mobile := []chromedp.EmulateViewportOption{}
	if s.w < 600 {
		mobile = append(mobile, chromedp.EmulateMobile)
	}
	for key, draft := range map[string]string{"take-in": s.draft, "sash": s.sash} {
		if draft == "" {
			continue
		}
		if err := chromedp.Do(b, script(fmt.Sprintf(`localStorage.setItem("draft:%s", %q)`, key, draft))); err != nil {
			return err
		}
	}
	err := chromedp.Do(b,
		chromedp.EmulateViewport(int64(s.w), int64(s.h), mobile...),
		chromedp.Navigate(url+s.path), chromedp.WaitVisible(chromedp.CSS("main")), script(light),
		chromedp.Sleep(900*time.Millisecond),
	)
	if err == nil && s.do != "" {
		err = chromedp.Do(b, script(s.do), chromedp.Sleep(s.settle()))
	}
	if err != nil {
		return err
	}
	png, err := chromedp.Run(b, chromedp.CaptureScreenshot())
	if err != nil {
		return err
	}
	if png, err = s.withBeside(b, url, png); err != nil {
		return err
	}
	return os.WriteFile(filepath.Join(out, s.name+".png"), png, 0o644)
}

// script runs JavaScript for what it does.
func script(js string) chromedp.Action[chromedp.Void] {
	return chromedp.Func(func(ctx context.Context, t *chromedp.Target) error {
		_, err := chromedp.Evaluate[any]("void (() => {"+waits+js+"})()")(ctx, t)
		return err
	})
}
