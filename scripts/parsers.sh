#!/bin/sh
# Fuzzes every parser for a while: parsers.sh 60s
set -eu
cd "$(dirname "$0")/.."
grep -rlE '^func Fuzz' --include='*_test.go' . | sort | while read -r file; do
	for target in $(grep -oE '^func Fuzz[A-Za-z]*' "$file" | sed 's/func //'); do
		echo "$target, $1 …"
		go test -run '^$' -fuzz "^$target\$" -fuzztime "$1" "$(dirname "$file")" | tail -1
	done
done
