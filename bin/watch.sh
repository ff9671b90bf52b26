# shellcheck shell=bash
# Runs the server and keeps it and the private database running, and a backup of each night. Needs lib.sh, database.sh and
# backup.sh.

# A server that lives shorter than this has not really started, s.
short_life=10
# After so many short lives in a row something is wrong that starting again does not mend.
most_short_lives=5

# Looked at first a minute after the start, then every hour, s.
next_backup=60
backup_every=3600

run_server() {
  node server/serve.mjs 9>&- &
  server=$!
  server_since=$SECONDS
}

# Starts the server, and server or database again when one of them dies, until somebody stops it.
watch_server() {
  local short=0 code
  run_server
  while [ "${stopping:-no}" = no ]; do
    sleep 1 &
    wait $! || true
    if [ "$SECONDS" -ge "$next_backup" ]; then
      next_backup=$((SECONDS + backup_every))
      nightly_backup 9>&- &
    fi
    if [ "${pg_started:-no}" = yes ] && ! database_lives "$pg_data"; then
      say "The database server is gone; starting it again ..."
      start_cluster || say "It does not start; trying again. See $pg_data/server.log"
    fi
    if kill -0 "$server" 2> /dev/null; then continue; fi
    code=0
    wait "$server" || code=$?
    if [ $((SECONDS - server_since)) -lt "$short_life" ]; then short=$((short + 1)); else short=0; fi
    [ "$short" -lt "$most_short_lives" ] || die "The server stopped $most_short_lives times right after its start (exit $code); the reason stands above."
    say "The server stopped (exit $code); starting it again ..."
    sleep "$short"
    run_server
  done
}

# True while the server process of the cluster at a folder lives.
database_lives() {
  local pid
  pid=$(head -n 1 "$1/postmaster.pid" 2> /dev/null) || return 1
  kill -0 "$pid" 2> /dev/null
}

# Ctrl-C reaches server and script alike: a server that has stopped already must not keep the database from stopping.
stop_all() {
  trap - ERR
  # A second Ctrl-C does not leave the database running.
  trap '' INT TERM
  if [ -n "${server:-}" ]; then
    kill "$server" 2> /dev/null || true
    wait "$server" 2> /dev/null || true
  fi
  stop_database
}
