# shellcheck shell=bash
# Backups of the whole database: written, checked, kept by rule, brought back. Needs lib.sh and database.sh.

backups=${VICISSOR_BACKUPS:-$root/.data/backups}

# Finds the database without taking it over: one that runs already goes on running afterwards.
reach_database() {
  if [ -n "${DATABASE_URL:-}" ]; then
    find_postgres
    [ -n "$pg_bin" ] || need_postgres
    return
  fi
  need_postgres
  place_cluster cluster
  local ran=no
  if [ -f "$pg_data/PG_VERSION" ] && cluster_runs; then ran=yes; fi
  start_database cluster
  # shellcheck disable=SC2034 # stop_database reads it
  if [ "$ran" = yes ]; then pg_started=no; fi
}

# Reads a backup to its end and compares its tables with those it should have: check_backup FILE
check_backup() {
  local file=$1 tables
  [ -s "$file" ] || { say "There is no backup at $file, or it is empty."; return 1; }
  tables=$("$pg_bin/pg_restore" --list "$file" 2> /dev/null | grep -c ' TABLE DATA ') || { say "$file is no backup of PostgreSQL, or it is broken at its beginning."; return 1; }
  "$pg_bin/pg_restore" -f /dev/null "$file" 2> "$logs/backup.log" || { say "$file is broken: it cannot be read to its end. See $logs/backup.log"; return 1; }
  "$pg_bin/pg_restore" --list "$file" | grep -c ' TABLE DATA public schools ' > /dev/null || { say "$file holds another database: there is no table of schools in it."; return 1; }
  say "$(basename "$file"): $tables tables, $(du -h "$file" | cut -f1), read to its end."
}

# Writes a backup and checks it; only one that is whole gets its name: write_backup FILE
write_backup() {
  local file=$1
  mkdir -p "$(dirname "$file")" || { say "The folder $(dirname "$file") cannot be made."; return 1; }
  hide_password
  "$pg_bin/pg_dump" -d "$pg_address" -Fc --no-owner -f "$file.part" 2> "$logs/backup.log" || { say "The backup could not be written to $file. Is the disk full? See $logs/backup.log"; rm -f "$file.part"; return 1; }
  check_backup "$file.part" || { rm -f "$file.part"; return 1; }
  mv "$file.part" "$file"
}

# The backup of this day, where the newest one is a day old; older ones go by rule. Never ends what calls it.
nightly_backup() {
  if [ -n "$(find "$backups" -name 'nightly-*.dump' -mmin -1435 -print -quit 2> /dev/null)" ]; then return 0; fi
  if write_backup "$backups/nightly-$(date +%Y%m%d).dump" >> "$logs/backup-nightly.log" 2>&1; then
    "$root/bin/tool" keep-backups "$backups" >> "$logs/backup-nightly.log" 2>&1 || say "Old backups were not taken away; see $logs/backup-nightly.log"
  else
    say "Tonight's backup was not written; see $logs/backup-nightly.log. It is tried again in an hour."
    return 1
  fi
}
