# Everything a newcomer needs: make demo, make test, make lint. CONTRIBUTING.md explains.
.DEFAULT_GOAL := help
PYTHON ?= python3.11
BIN := .venv/bin
WEB := $(wildcard $(shell git ls-files web src/yardcliff/messages | grep -v schema.d.ts 2>/dev/null))
STATIC := src/yardcliff/static/index.html

help: ## Show the targets
	@grep -hE '^[a-z-]+:.*## ' $(MAKEFILE_LIST) | awk -F ':.*## ' '{printf "  make %-9s %s\n", $$1, $$2}'

demo: .make/runtime $(STATIC) ## Install, build and start with the racks of Larkhollow Hut
	$(BIN)/yardcliff demo

test: .make/dev $(STATIC) .make/chromium lint ## Install what tests need and run everything
	cd web && npm test --silent
	$(BIN)/pytest -n auto --dist worksteal --durations 10

test-fast: .make/dev ## The tests without browsers and without what takes long
	$(BIN)/pytest -n auto --dist worksteal --ignore tests/e2e -m "not slow"

lint: .make/dev .make/web ## Format, lint and type checks; the generated API types are current
	$(BIN)/ruff format --check .
	$(BIN)/ruff check .
	$(BIN)/mypy
	$(BIN)/vulture
	$(BIN)/lint-imports --no-logo > .make/imports || { cat .make/imports; exit 1; }
	cd web && npm run --silent lint && npm run --silent types
	$(BIN)/python scripts/openapi.py > web/openapi.json
	cd web && npx openapi-typescript openapi.json -o .schema.d.ts > /dev/null && \
	  cmp .schema.d.ts src/api/schema.d.ts || { echo "The API types are stale: make types"; exit 1; }

types: .make/dev .make/web ## Generate the front end's API types and the published file schema
	$(BIN)/python scripts/openapi.py > web/openapi.json
	cd web && npm run --silent api
	$(BIN)/python scripts/rack_schema.py > docs/rack.schema.json

mutants: .make/dev ## Mutate the rules and see which tests notice; takes hours (ROOMS="row wood")
	$(BIN)/pip install --quiet --disable-pip-version-check --require-hashes -r requirements/mutants.txt
	SAMPLE=$(SAMPLE) $(BIN)/python scripts/mutants.py $(ROOMS)

bench: .make/dev $(STATIC) .make/chromium ## Measure the speed goals
	@$(BIN)/python -m compileall -q src/yardcliff
	PYTHONPATH=. $(BIN)/python bench/bench.py

shots: .make/dev $(STATIC) .make/chromium ## Take docs/screenshots anew from the demo data
	PYTHONPATH=. $(BIN)/python scripts/shots.py

wheel: .make/dev $(STATIC) ## Build a wheel that carries the front end
	$(BIN)/python -m build --wheel --no-isolation

build: $(STATIC) ## Build the front end

hooks: .make/dev ## Check before each commit what CI checks
	$(BIN)/pre-commit install

format: .make/dev .make/web ## Format everything
	$(BIN)/ruff format . && $(BIN)/ruff check --fix .
	cd web && npm run --silent format

clean: ## Remove what was built and installed
	rm -rf .venv .make web/node_modules src/yardcliff/static dist

.venv/bin/python:
	$(PYTHON) -m venv .venv || python3 -m venv .venv

# `dev` holds all of `runtime`, so whichever was installed last is enough.
.make/runtime: requirements/runtime.txt pyproject.toml | .venv/bin/python
	@mkdir -p .make
	$(BIN)/pip install --quiet --disable-pip-version-check --require-hashes -r requirements/build.txt -r requirements/runtime.txt
	$(BIN)/pip install --quiet --disable-pip-version-check --no-build-isolation --no-deps -e .
	@$(BIN)/python -m compileall -q src/yardcliff # or the first start compiles it all: a fifth of its time
	@touch $@

.make/dev: requirements/dev.txt .make/runtime
	$(BIN)/pip install --quiet --disable-pip-version-check --require-hashes -r requirements/dev.txt
	@touch $@

.make/web: web/package-lock.json
	@mkdir -p .make
	cd web && npm ci --no-fund --no-audit --loglevel=error
	@touch $@

$(STATIC): .make/runtime .make/web $(WEB) scripts/notices.py
	cd web && npm run --silent build -- --logLevel warn
	$(BIN)/python scripts/notices.py > src/yardcliff/static/assets/notices.json
	@touch $@

# Browser tests drive Debian's Chromium.
.make/chromium:
	@mkdir -p .make
	test -x /usr/bin/chromium || { apt-get update -qq && apt-get install -y -qq --no-install-recommends chromium; }
	@touch $@

.PHONY: mutants help demo test test-fast lint types bench shots wheel build hooks format clean
