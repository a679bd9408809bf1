#!/bin/sh
# Installs what is missing, and says so: Debian's packages with "packages",
# the front end's with "web". Works as root and as a user with sudo.
set -eu
cd "$(dirname "$0")/.."

need() { command -v "$1" >/dev/null 2>&1 || [ -x "/usr/sbin/$1" ] || [ -x "/usr/bin/$1" ]; }

packages() {
	missing=""
	need mariadbd || missing="$missing mariadb-server"
	[ "${1:-}" != browser ] || need chromium-headless-shell || need chromium || missing="$missing chromium-headless-shell"
	[ -n "$missing" ] || return 0
	sudo=""
	if [ "$(id -u)" != 0 ]; then
		need sudo || { echo "Missing:$missing. Install them as root, then call make again." >&2; exit 1; }
		sudo="sudo"
	fi
	need apt-get || { echo "Missing:$missing. This system has no apt-get; install them by hand, then call make again." >&2; exit 1; }
	echo "Installing Debian's packages:$missing …"
	log=$(mktemp)
	if ! { $sudo apt-get update && $sudo env DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends $missing; } >"$log" 2>&1; then
		tail -n 5 "$log" >&2
		echo "The packages$missing could not be installed; see above." >&2
		exit 1
	fi
	rm -f "$log"
}

web() {
	need npm || { echo "npm is missing: install Node.js 20 or newer with npm, then call make again." >&2; exit 1; }
	stamp=web/node_modules/.installed
	if [ ! -e "$stamp" ] || ! cmp -s web/package-lock.json "$stamp"; then
		echo "Installing the front end's packages …"
		(cd web && npm ci --no-audit --no-fund --loglevel=error)
		cp web/package-lock.json "$stamp"
	fi
}

need go || { echo "Go is missing: install Go 1.26 or newer, then call make again." >&2; exit 1; }
case "$1" in
packages) packages "${2:-}" ;;
web) web ;;
*) echo "usage: setup.sh packages [browser] | web" >&2; exit 2 ;;
esac
