# make demo        the made-up shop at http://127.0.0.1:8080
# make demo-fresh  the same, started over
# make test        everything: Go, screens, types, lint
# make bench       the benchmarks, against their bounds
# make mutants     one change at a time, and what no test notices; SAMPLE=400 PACKAGES=./internal/stock TESTS=./internal/shop
# make soak        kills and hostile input for hours; KILLS=100 FUZZ=1h PARSE=10m WORLDS=1000000

.PHONY: demo demo-fresh test ready bench soak mutants build api screenshots web go-check web-check packages packages-all clean
.DEFAULT_GOAL := build

BIN   := bin/freshshard
BUILT := internal/web/static/built/index.html
WEB   := $(shell find web/src web/public -type f 2>/dev/null) web/index.html web/vite.config.ts web/compress.mjs web/package-lock.json
GO    := $(shell find cmd core internal e2e -name '*.go' -o -name '*.json' -o -name '*.sql' 2>/dev/null | grep -v static/built) go.mod go.sum

packages:
	@scripts/setup.sh packages
packages-all:
	@scripts/setup.sh packages browser

web/node_modules/.installed: web/package-lock.json
	@scripts/setup.sh web

$(BUILT): $(WEB) | web/node_modules/.installed
	@scripts/setup.sh web
	@echo "Building the front end …"
	@cd web && npm run --silent build
	@touch $@

$(BIN): $(GO) $(BUILT)
	@echo "Building the program …"
	@go build -o $@ ./cmd/freshshard

build: $(BIN)

demo: packages $(BIN)
	@exec $(BIN) demo
demo-fresh: packages $(BIN)
	@exec $(BIN) demo --fresh

# The front end's types come from the program's own contract.
api: $(BIN)
	@$(BIN) openapi > bin/openapi.json
	@cd web && npx --no-install openapi-typescript ../bin/openapi.json -o src/api/schema.gen.ts

web-check: $(BIN)
	@$(BIN) openapi > bin/openapi.json
	@cd web && npx --no-install openapi-typescript ../bin/openapi.json -o ../bin/schema.gen.ts >/dev/null
	@cmp -s bin/schema.gen.ts web/src/api/schema.gen.ts || { echo "web/src/api/schema.gen.ts is not current: run make api and commit it" >&2; exit 1; }
	@cd web && npm run --silent typecheck && npm run --silent lint

go-check: $(BUILT)
	@test -z "$$(gofmt -l cmd core internal e2e)" || { echo "gofmt wants to change:" >&2; gofmt -l cmd core internal e2e >&2; exit 1; }
	go vet ./...
	go tool staticcheck ./...

# What is installed, built and checked is so side by side; what is measured or seen runs
# behind it. Memory is given back seldom: it saves a tenth of the time.
test ready: export GOGC ?= 400
ready: packages-all $(BIN) web-check go-check
test:
	@$(MAKE) --no-print-directory --jobs 2 --output-sync=line ready
	TMPDIR=$$(scripts/scratch.sh) go test -timeout 40m ./...

bench: packages $(BIN)
	@scripts/bench.sh

KILLS ?= 100
FUZZ  ?= 1h
PARSE ?= 10m
WORLDS ?= 1000000
soak: packages-all $(BIN)
	@KILLS=$(KILLS) FUZZ=$(FUZZ) PARSE=$(PARSE) WORLDS=$(WORLDS) scripts/soak.sh

screenshots: packages-all $(BIN)
	@scripts/screenshots.sh

clean:
	rm -rf bin web/node_modules internal/web/static/built

mutants:
	@go run ./tools/mutants -packages $(or $(PACKAGES),./core/...) -tests "$(TESTS)" -sample $(or $(SAMPLE),0)
