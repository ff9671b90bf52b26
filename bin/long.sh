# shellcheck shell=bash
# The rest of the long run, behind the tests in full: each part once for a commit, so that a run that was stopped goes on from there.
# shellcheck disable=SC2154 # bin/test sets logs and root

commit=$(git rev-parse --short HEAD)
done_parts=$root/.data/long/$commit
mkdir -p "$done_parts"

# A part of the long run that has passed is not run again for the same commit: part NAME COMMAND...
part() {
  local name=$1 file
  shift
  file=$done_parts/${name// /-}
  if [ -f "$file" ]; then
    printf '\n== %s: passed before\n' "$name"
    passed=$((passed + 1))
    return
  fi
  local before=$failed
  step "$name" "$@"
  [ "$failed" != "$before" ] || date -u +%F > "$file"
}

part "100,000 hostile texts" bin/tool fuzz 100000 "$TEST_SEED"
node scripts/long-run.mjs "$passed" "$failed" "$commit" "$(date -u +%F)"
