#!/bin/sh
# Kills the program, its database and both, KILLS times each, while people
# write; then sends hostile calls for FUZZ, and each parser a share of it.
set -eu
cd "$(dirname "$0")/.."
go run ./e2e/soak -kills "$KILLS"
echo "Hostile calls for $FUZZ …"
FRESHSHARD_FUZZ="$FUZZ" go test -count 1 -timeout 0 -run 'TestHostileForLong' -v ./internal/web | grep -E 'hostile|FAIL|ok'
grep -rlE '^func Fuzz' --include='*_test.go' . | while read -r file; do
	for target in $(grep -oE '^func Fuzz[A-Za-z]*' "$file" | sed 's/func //'); do
		echo "$target, one minute …"
		go test -run '^$' -fuzz "^$target\$" -fuzztime 60s "$(dirname "$file")" | tail -1
	done
done
