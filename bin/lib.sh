# shellcheck shell=bash
# Shared by bin/start, bin/test, bin/tool: words for every early end, packages, the build.
# The database server has a file of its own, database.sh.
# What is written here is for whoever runs it: data, dumps and logs hold names and addresses.
umask 077

root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$root" || exit 2

say() { printf '%s\n' "$*" >&2; }
die() { say "$*"; exit 2; }

# No command ends a script without a word: what failed, where, and what to do. Call it with `set -E`.
unexpected() {
  local code=$1 command=$2 file=$3 line=$4
  # A part in brackets ends by itself; the script round it says what failed.
  [ "$BASH_SUBSHELL" = 0 ] || exit "$code"
  say "$(basename "$0") stopped: “$command” failed (exit $code) at ${file#"$root"/}, line $line."
  say "Look at the newest file in ${logs:-$root/.data/log}, mend what it names, and run it again; nothing was thrown away."
  exit 2
}
# shellcheck disable=SC2154 # the trap sets them
tell_of_failures() { trap 'unexpected $? "$BASH_COMMAND" "${BASH_SOURCE[0]}" "$LINENO"' ERR; }

logs=$root/.data/log
mkdir -p "$logs" 2> /dev/null || die "The folder $logs cannot be made. Give yourself the right to write in $root, or put the project where you have it."
[ -w "$logs" ] || die "The folder $logs cannot be written. It belongs to somebody else; run this as that person, or: chown -R $(id -un) $root/.data"

# Installs Debian packages that are missing: need_debian "what is missing" PACKAGE...
need_debian() {
  local what=$1 as_admin=()
  shift
  command -v apt-get > /dev/null || die "$what is missing and this is not a Debian system: install $* by hand, then start again."
  if [ "$(id -u)" != 0 ]; then
    if command -v sudo > /dev/null && sudo -n true 2> /dev/null; then
      as_admin=(sudo -n)
    else
      die "$what is missing and you have no right to install it. Ask an administrator for: apt-get install $*"
    fi
  fi
  say "Installing $* ..."
  # An old list of packages is often good enough, so that this may fail.
  "${as_admin[@]}" apt-get update -qq > "$logs/apt.log" 2>&1 || say "The list of packages could not be renewed; going on with the old one."
  "${as_admin[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >> "$logs/apt.log" 2>&1 ||
    die "Installing $* failed; see $logs/apt.log. Is Debian's package server reachable?"
}

need_node() {
  command -v node > /dev/null || die "Node.js is missing. Install Node.js 20.19 or newer (with npm), then start again."
  command -v npm > /dev/null || die "npm is missing. Install it (it comes with Node.js), then start again."
  node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>20||(a===20&&b>=19)?0:1)' || die "Node.js $(node --version) is too old; 20.19 or newer is needed."
}

need_npm_packages() {
  local stamp=node_modules/.installed
  if [ ! -f "$stamp" ] || [ package-lock.json -nt "$stamp" ]; then
    say "Installing npm packages ..."
    npm ci --include=dev --no-progress --loglevel=error > "$logs/npm.log" 2>&1 || die "npm ci failed; see $logs/npm.log. Is the package registry reachable, and is the disk not full?"
    touch "$stamp"
  fi
}

# The browser of the browser tests: $CHROMIUM, or Debian's.
need_chromium() {
  local browser=${CHROMIUM:-/usr/bin/chromium}
  command -v "$browser" > /dev/null && return
  [ -z "${CHROMIUM:-}" ] || die "There is no browser at CHROMIUM=$CHROMIUM. Set it to a Chromium, or unset it to have Debian's installed."
  need_debian "Chromium" chromium
  command -v "$browser" > /dev/null || die "Chromium is installed but $browser is not there. Set CHROMIUM to where it is."
}

need_shellcheck() { command -v shellcheck > /dev/null || need_debian "The linter of shell scripts" shellcheck; }

need_age() { command -v age-keygen > /dev/null || need_debian "age, which encrypts backups" age; }

free_port() {
  node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

# A port is a whole number from 1 to 65535: check_port NAME VALUE
check_port() {
  case "$2" in '' | *[!0-9]*) die "$1 must be a number; it is “$2”." ;; esac
  if [ "${#2}" -gt 5 ] || [ "$2" -lt 1 ] || [ "$2" -gt 65535 ]; then die "$1 must be from 1 to 65535; it is $2."; fi
}

port_free() {
  node -e 'const s=require("net").createServer();s.once("error",()=>process.exit(1));s.listen(Number(process.argv[1]),process.argv[2],()=>s.close())' "$1" "${HOST:-127.0.0.1}"
}

# One at a time: hold_lock NAME "what runs". The lock goes with the process, also when it is killed.
hold_lock() {
  local file=$root/.data/$1.lock
  command -v flock > /dev/null || { say "There is no flock here: take care not to start this twice."; return; }
  exec 9>> "$file"
  flock -n 9 || die "$2 runs already from this folder (process $(tail -n 1 "$file" 2> /dev/null)). Stop it first; it uses the same database."
  printf '%s\n' "$$" > "$file"
}

# The name of the lock of the database that is used: the private one, or the one at DATABASE_URL.
lock_of_database() {
  if [ -z "${DATABASE_URL:-}" ]; then printf cluster; return; fi
  # Without the password and the settings behind it: two spellings of one database are one.
  printf 'database-%s' "$(printf '%s' "$DATABASE_URL" | sed -E 's#^[a-z]+://([^@/]*@)?##; s#[?].*$##' | cksum | cut -d' ' -f1)"
}

# The words that are called, spoken to files; the browser says them where they are missing.
need_voice() {
  local newer=
  [ -f .data/voice/index.json ] && newer=$(find core/words core/floor/voice.ts scripts/voice.ts -type f -newer .data/voice/index.json -print -quit)
  if [ -f .data/voice/index.json ] && [ -z "$newer" ]; then return; fi
  # Nobody needs it to work: a machine without it has the voice of the browser.
  if ! command -v espeak-ng > /dev/null && ! (need_debian "The voice that calls" espeak-ng); then
    say "The browser says the calls instead."
    return 0
  fi
  say "Speaking the words of the calls ..."
  "$root/bin/tool" voice "$root/.data/voice" > "$logs/voice.log" 2>&1 || { tail -n 10 "$logs/voice.log" >&2; die "The words could not be spoken; see $logs/voice.log"; }
}

need_build() {
  local newer=
  [ -f build/server/index.js ] && newer=$(find app core db server public vite.config.ts react-router.config.ts package-lock.json -type f -newer build/server/index.js -print -quit)
  if [ ! -f build/server/index.js ] || [ -n "$newer" ]; then
    say "Building the application ..."
    npm run --silent grammar > "$logs/build.log" 2>&1 || { tail -n 30 "$logs/build.log" >&2; die "The grammar could not be built; see $logs/build.log"; }
    NODE_ENV=production npm run --silent build >> "$logs/build.log" 2>&1 || { tail -n 30 "$logs/build.log" >&2; die "Building failed; see $logs/build.log"; }
    touch build/server/index.js
  fi
}
