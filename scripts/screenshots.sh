#!/bin/sh
# Takes the pictures of docs/screenshots from freshly filled demo data.
set -eu
cd "$(dirname "$0")/.."
dir=$(mktemp -d)
: >"$dir/log"
bin/freshshard demo --addr 127.0.0.1:0 --dir "$dir/db" >"$dir/log" 2>&1 &
pid=$!
trap 'kill -INT $pid 2>/dev/null; wait $pid 2>/dev/null; rm -rf "$dir"' EXIT
for _ in $(seq 240); do
	url=$(sed -n 's/.*Fresh Shard is at \(http[^ ]*\).*/\1/p' "$dir/log")
	[ -z "$url" ] || break
	sleep 0.25
done
[ -n "$url" ] || { cat "$dir/log" >&2; exit 1; }
go run ./e2e/shoot -url "$url" "$@"
