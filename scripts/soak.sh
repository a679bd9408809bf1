#!/bin/sh
# Kills the program, its database and both, KILLS times each, while people
# write; then sends hostile calls for FUZZ, works at WORLDS objects in any order, and feeds each
# parser for PARSE.
set -eu
cd "$(dirname "$0")/.."
go run ./e2e/soak -kills "$KILLS"
echo "Hostile calls for $FUZZ …"
FRESHSHARD_FUZZ="$FUZZ" go test -count 1 -timeout 0 -run 'TestHostileForLong' -v ./internal/web | grep -E 'hostile|FAIL|ok'
echo "$WORLDS objects worked at in any order …"
FRESHSHARD_WORLDS="$WORLDS" go test -count 1 -timeout 0 -run TestNoOrderHarms ./core/world
scripts/parsers.sh "$PARSE"
