# shellcheck shell=bash
# Backups of the whole database: written, checked, kept by rule, brought back. Needs lib.sh and database.sh.

backups=${VICISSOR_BACKUPS:-$root/.data/backups}

# The list of people who were erased, beside the backups: no restore replaces it.
erased_list=${VICISSOR_ERASED:-$backups/erased.lines}

# Backups, dumps and logs of earlier versions could be read by every user of the machine.
tighten_backups() {
  local folder
  for folder in "$backups" "$root/.data" "$root/.data/dumps" "$root/.data/log"; do
    if [ -d "$folder" ]; then
      chmod 700 "$folder" 2> /dev/null || say "The folder $folder could not be closed to others; close it by hand: chmod 700 $folder"
      find "$folder" -maxdepth 1 -type f -exec chmod go-rwx {} + 2> /dev/null || true
    fi
  done
}

# Those of the list who stand as erased at its end: "SCHOOL ID" a line. A line "not SCHOOL ID" takes back an erasing that failed.
erased_people() {
  [ -f "$erased_list" ] || return 0
  awk '$1 == "not" { delete gone[$2 " " $3]; next } NF == 2 { gone[$1 " " $2] = 1 } END { for (one in gone) print one }' "$erased_list"
}

# The address of another database on the same server: other_database ADDRESS NAME
other_database() { printf '%s' "$1" | sed -E "s#^([a-z]+://[^/]*/)[^?]*#\\1$2#"; }

# After a restore that was followed by a start the database of before goes; the dump of it stays.
forget_before_restore() {
  local name upkeep
  [ -n "${pg_bin:-}" ] || find_postgres
  [ -n "$pg_bin" ] || return 0
  hide_password
  name=$("$pg_bin/psql" -d "$pg_address" -tAqc "select current_database()" 2> /dev/null) || return 0
  upkeep=$(other_database "$pg_address" postgres)
  [ "$("$pg_bin/psql" -d "$upkeep" -tAqc "select 1 from pg_database where datname = '${name}_before'" 2> /dev/null)" = 1 ] || return 0
  if "$pg_bin/psql" -d "$upkeep" -qc "drop database \"${name}_before\" with (force)" > /dev/null 2>&1; then
    say "What was there before the last restore is no database any more; its dump is in .data/dumps."
  fi
}

# Encrypts with age where a recipient is set; nothing else is left: seal_backup FILE, sets sealed to the file that is kept.
seal_backup() {
  sealed=$1
  [ -n "${VICISSOR_AGE_RECIPIENT:-}" ] || return 0
  need_age
  age -r "$VICISSOR_AGE_RECIPIENT" -o "$1.age.part" "$1" 2> "$logs/backup.log" || { say "The backup could not be encrypted; see $logs/backup.log. Is VICISSOR_AGE_RECIPIENT right?"; rm -f "$1" "$1.age.part"; return 1; }
  mv "$1.age.part" "$1.age"
  rm -f "$1"
  # shellcheck disable=SC2034 # bin/backup reads it
  sealed=$1.age
}

# Decrypts a backup into a file: decrypt_backup FILE TO
decrypt_backup() {
  [ -s "$1" ] || { say "There is no backup at $1, or it is empty."; return 1; }
  [ -n "${VICISSOR_AGE_IDENTITY:-}" ] || { say "$1 is encrypted: set VICISSOR_AGE_IDENTITY to the file with the key."; return 1; }
  need_age
  age -d -i "$VICISSOR_AGE_IDENTITY" -o "$2" "$1" 2> "$logs/backup.log" || { say "$1 could not be decrypted with that key; see $logs/backup.log"; return 1; }
}

# Compares what was restored with what the backup says it holds: all its tables are there, and there is a school.
compare_backup() {
  local file=$1 address=$2 table missing=
  while IFS= read -r table; do
    [ "$("$pg_bin/psql" -d "$address" -tAqc "select to_regclass('public.\"$table\"') is not null")" = t ] || missing="$missing $table"
  done < <("$pg_bin/pg_restore" --list "$file" | sed -nE 's/^.* TABLE DATA public ([^ ]+) .*$/\1/p')
  [ -z "$missing" ] || { say "Tables of the backup are missing:$missing"; return 1; }
  [ "$("$pg_bin/psql" -d "$address" -tAqc "select count(*) > 0 from schools")" = t ] || { say "There is no school in it."; return 1; }
}

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
  seal_backup "$file"
}

# The backup of this day, where the newest one is a day old; older ones go by rule. Never ends what calls it.
nightly_backup() {
  if [ -n "$(find "$backups" -name 'nightly-*.dump*' ! -name '*.part' -mmin -1435 -print -quit 2> /dev/null)" ]; then return 0; fi
  if write_backup "$backups/nightly-$(date +%Y%m%d).dump" >> "$logs/backup-nightly.log" 2>&1; then
    "$root/bin/tool" keep-backups "$backups" >> "$logs/backup-nightly.log" 2>&1 || say "Old backups were not taken away; see $logs/backup-nightly.log"
  else
    say "Tonight's backup was not written; see $logs/backup-nightly.log. It is tried again in an hour."
    return 1
  fi
}
