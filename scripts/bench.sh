#!/bin/sh
# Runs the benchmarks and prints each figure beside its bound; the last column
# is figure ÷ bound, so below 1 is inside. Speeds of shared machines vary: the
# ratio says how far away the bound is, not how fast a machine is. A bound that is missed
# by half ends it with 1.
set -eu
cd "$(dirname "$0")/.."
bad=0
out=$(mktemp)
trap 'rm -f "$out"' EXIT
go test -run '^$' -bench . -benchtime 1s ./core/... ./internal/exchange ./internal/shop ./internal/web ./internal/backup ./e2e | tee "$out.raw" | grep '^Benchmark' >"$out" || { cat "$out.raw"; exit 1; }
rm -f "$out.raw"
printf '%-34s %14s %12s %8s\n' "what" "figure" "bound" "ratio"
awk '
function row(name, v, unit, bound) {
	if (bound == "") printf "%-34s %10.4g %-3s %12s %8s\n", name, v, unit, "-", "-"
	else printf "%-34s %10.4g %-3s %9.4g %-2s %8.3f\n", name, v, unit, bound, unit, v / bound
	if (bound != "" && v > 1.5 * bound) missed = missed "\n  " name
}
END { if (missed != "") { print "missed by half or more:" missed; exit 1 } }
{
	name = $1; sub(/^Benchmark/, "", name); sub(/-[0-9]+$/, "", name)
	ms = ""; median = ""; p95 = ""; both = ""
	for (i = 2; i < NF; i++) {
		if ($(i+1) == "ns/op") ms = $i / 1e6
		if ($(i+1) == "median-ms") median = $i
		if ($(i+1) == "p95-ms") p95 = $i
		if ($(i+1) == "both-s") both = $i
		if ($(i+1) == "worst-%") worst = $i
		if ($(i+1) == "useful-%") useful = $i
		if ($(i+1) == "bars-over") over = $i
		if ($(i+1) == "gap-%") gap = $i
		if ($(i+1) == "saved-%") saved = $i
		if ($(i+1) == "first-ms") first = $i
		if ($(i+1) == "next-ms") next_ = $i
	}
	if (name == "Solve") row("fit: size from readings", ms, "ms", 1)
	else if (name == "Build") row("plan: steps and cautions", ms, "ms", 1)
	else if (name == "ReadJob") row("read of a job, 10,000 stored", median, "ms", 10)
	else if (name == "WriteReading") row("write of a reading, 10,000 stored", median, "ms", 25)
	else if (name == "Today") row("today, 10,000 stored", median, "ms", 100)
	else if (name == "Weigh") row("choice after a moved weight", median, "ms", 100)
	else if (name == "Sash100") row("a sash of 100 lights, both ways", ms, "ms", 10)
	else if (name == "Offset1000") row("offset of 1,000 corners", ms, "ms", 5)
	else if (name == "ReadDXF") row("DXF of 10,000 entities", ms, "ms", 300)
	else if (name == "MillionDraws") row("odds of a million draws", ms, "ms", 400)
	else if (name == "Plate") row("a plate", ms, "ms", 1)
	else if (name == "FreeEdge") row("a plate with a free edge", ms, "ms", 1)
	else if (name == "ChooseKey") row("a weight, from key to screen", median, "ms", 100)
	else if (name ~ /^LineKey/) row("the line, from key to what is next: " substr(name, 9), median, "ms", 100)
	else if (name ~ /^Perfect/) row("a sheet put together again, worst of 20, " substr(name, 9) " pieces", worst, "%", "")
	else if (name ~ /^Schedule/) {
		row("days, above the bound, jobs " substr(name, 10), gap, "%", name ~ /\/10_/ ? 5 : "")
		row("days, saved of a plan by hand, jobs " substr(name, 10), saved, "%", "")
	}
	else if (name == "Replan") row("200 jobs after a change", ms, "ms", 300)
	else if (name ~ /^Day/) row("used or kept of the glass, panes " substr(name, 5), useful, "%", "")
	else if (name ~ /^Lay/) row("one cut plan laid out, panes " substr(name, 5), ms, "ms", "")
	else if (name == "Bars") row("bars over the bound, 500 stretches", over, "", 1)
	else if (name == "Orders") row("a pack of four, all orders", ms, "ms", 50)
	else if (name == "SlowLine") {
		row("first screen, 400 ms and 50 kB/s", first, "ms", 3500)
		row("the slowest of four after it", next_, "ms", 1500)
	}
	else if (name == "Redraw500") row("table of 500 parts, script", median, "ms", 16)
	else if (name == "Template") row("template from a photo", ms, "ms", "")
	else if (name == "LoadedPane") row("the same, in a pack, loaded, with odds", ms, "ms", 100)
	else if (name == "FiftyPeople") row("50 people, 100,000 jobs, p95", p95, "ms", 150)
	else if (name == "Lists/today") row("today, 500 open of 100,000, p95", p95, "ms", 100)
	else if (name == "Lists/jobs") row("open jobs of 100,000, p95", p95, "ms", 50)
	else if (name == "Lists/signed") row("signed jobs of 100,000, p95", p95, "ms", 50)
	else if (name == "Lists/search") row("search in 100,000 jobs, p95", p95, "ms", 50)
	else if (name == "SixtyPanes/view") row("view of 60 panes", ms, "ms", 100)
	else if (name == "SixtyPanes/drawing") row("drawing of one of 60 panes", ms, "ms", 500)
	else if (name == "SixtyPanes/ticket") row("ticket of 60 panes", ms, "ms", 500)
	else if (name == "OutAndBack") row("backup and restore, 10,000 jobs", both, "s", 60)
	else if (name == "Pane") row("whole reckoning of a pane", ms, "ms", "")
	else row(name, median != "" ? median : ms, "ms", "")
}' "$out" || bad=1
exit $bad
