# Shared by bin/start and bin/test: packages, the private database server, tidy stopping.
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$root"

say() { printf '%s\n' "$*" >&2; }
die() { say "$*"; exit 2; }

# Installs Debian packages that are missing: need_debian "what for" PACKAGE...
need_debian() {
  local why=$1
  shift
  command -v apt-get > /dev/null || die "$why is missing and this is no Debian system: install $* by hand, then start again."
  if [ "$(id -u)" = 0 ]; then
    say "Installing $* ..."
    export DEBIAN_FRONTEND=noninteractive
    apt-get update -qq > /dev/null 2>&1 || true
    # The private cluster is the application's own: Debian's default one is not needed.
    apt-get install -y -qq --no-install-recommends "$@" > "$logs/apt.log" 2>&1 || die "Installing $* failed; see $logs/apt.log"
  elif command -v sudo > /dev/null && sudo -n true 2> /dev/null; then
    say "Installing $* ..."
    sudo -n apt-get update -qq > /dev/null 2>&1 || true
    sudo -n env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" > "$logs/apt.log" 2>&1 || die "Installing $* failed; see $logs/apt.log"
  else
    die "$why is missing and you have no right to install it. Ask an administrator for: apt-get install $*"
  fi
}

need_node() {
  command -v node > /dev/null || die "Node.js is missing. Install Node.js 20.19 or newer (with npm), then start again."
  node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>20||(a===20&&b>=19)?0:1)' || die "Node.js $(node --version) is too old; 20.19 or newer is needed."
}

need_npm_packages() {
  local stamp=node_modules/.installed
  if [ ! -f "$stamp" ] || [ package-lock.json -nt "$stamp" ]; then
    say "Installing npm packages ..."
    npm ci --include=dev --no-progress --loglevel=error >&2 || die "npm ci failed. Is the package registry reachable?"
    touch "$stamp"
  fi
}

logs=$root/.data/log
mkdir -p "$logs"

find_postgres() {
  local newest
  # Without PostgreSQL the listing is empty and fails; that is an answer, not a reason to end.
  newest=$(ls -d /usr/lib/postgresql/*/bin 2> /dev/null | sort -V | tail -n 1 || true)
  if [ -z "$newest" ] || [ ! -x "$newest/initdb" ]; then
    newest=$(command -v initdb || true)
    newest=${newest%/initdb}
  fi
  pg_bin=$newest
}

# Runs a PostgreSQL program as a user that may: never root.
as_pg() { if [ "$(id -u)" = 0 ]; then runuser -u postgres -- "$@"; else "$@"; fi; }

free_port() {
  node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

# Starts the private cluster NAME and sets DATABASE_URL for its database; honours DATABASE_URL.
start_database() {
  local name=$1
  if [ -n "${DATABASE_URL:-}" ]; then return; fi
  find_postgres
  if [ -z "$pg_bin" ]; then
    need_debian "PostgreSQL" postgresql
    find_postgres
    [ -n "$pg_bin" ] || die "PostgreSQL is installed but its programs were not found below /usr/lib/postgresql."
  fi
  pg_data=$root/.data/$name
  if [ "$(id -u)" = 0 ]; then
    # The server never runs as root; its user may not reach the project's folder, so the data lie beside it.
    pg_data=/var/lib/vicissor/$(printf '%s' "$root" | cksum | cut -d' ' -f1)-$name
    mkdir -p "$pg_data"
    chown postgres "$pg_data"
    chmod 755 /var/lib/vicissor
    chmod 700 "$pg_data"
  fi
  if [ ! -f "$pg_data/PG_VERSION" ]; then
    say "Making a database cluster ..."
    mkdir -p "$pg_data"
    (cd / && as_pg "$pg_bin/initdb" -D "$pg_data" -U app --auth=trust -E UTF8 --locale=C.UTF-8) > "$logs/initdb.log" 2>&1 || die "Making the database cluster failed; see $logs/initdb.log"
  fi
  if [ -f "$pg_data/postmaster.pid" ] && (cd / && as_pg "$pg_bin/pg_ctl" -D "$pg_data" status) > /dev/null 2>&1; then
    pg_port=$(sed -n 4p "$pg_data/postmaster.pid" | tr -d ' ')
  else
    pg_port=$(free_port)
    (cd / && as_pg "$pg_bin/pg_ctl" -D "$pg_data" -w -s -l "$pg_data/server.log" -o "-p $pg_port -c listen_addresses=127.0.0.1 -c unix_socket_directories=''" start) > /dev/null 2>&1 < /dev/null || die "The database server did not start; see $pg_data/server.log"
    pg_started=yes
  fi
  export DATABASE_URL=postgres://app@127.0.0.1:$pg_port/vicissor
  "$pg_bin/psql" -h 127.0.0.1 -p "$pg_port" -U app -d postgres -tAc "select 1 from pg_database where datname = 'vicissor'" | grep -q 1 ||
    "$pg_bin/createdb" -h 127.0.0.1 -p "$pg_port" -U app vicissor
}

stop_database() {
  if [ "${pg_started:-no}" = yes ]; then
    pg_started=no
    (cd / && as_pg "$pg_bin/pg_ctl" -D "$pg_data" -m fast -s -w stop) > /dev/null 2>&1 || true
  fi
}

# Empties the private cluster's database.
drop_database() {
  "$pg_bin/dropdb" -h 127.0.0.1 -p "$pg_port" -U app --if-exists --force vicissor
  "$pg_bin/createdb" -h 127.0.0.1 -p "$pg_port" -U app vicissor
}

build_app() {
  if [ ! -f build/server/index.js ] || [ -n "$(find app core db demo server public vite.config.ts react-router.config.ts package-lock.json -type f -newer build/server/index.js -print -quit)" ]; then
    say "Building the application ..."
    npm run --silent grammar > "$logs/build.log" 2>&1
    NODE_ENV=production npm run --silent build >> "$logs/build.log" 2>&1 || { tail -n 30 "$logs/build.log" >&2; die "Building failed; see $logs/build.log"; }
    touch build/server/index.js
  fi
}

port_free() {
  node -e 'const s=require("net").createServer();s.once("error",()=>process.exit(1));s.listen(Number(process.argv[1]),process.argv[2],()=>s.close())' "$1" "${HOST:-127.0.0.1}"
}
