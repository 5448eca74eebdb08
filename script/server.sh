# shellcheck shell=bash
# The server on its database. Sourced by ./buckle.

# Root starts the server under the database's account where that can reach it.
choose_account() {
  account=()
  [ "$(id -u)" = 0 ] || return 0
  local as=(setpriv --reuid=postgres --regid=postgres --init-groups --)
  if "${as[@]}" test -r "$build/app/buckle-app.jar" 2>/dev/null && (cd / && "${as[@]}" "$java" -version >/dev/null 2>&1); then
    account=("${as[@]}")
  else
    say "The server runs as root: the account postgres cannot read $build."
  fi
}

server() {
  local where=$1 database=$2
  shift 2
  (umask 077 && : >>"$data/logs/server.log")
  (
    cd /
    BUCKLE_DB_URL="jdbc:postgresql://127.0.0.1:$pg_port/$database" BUCKLE_DB_USER=buckle SPRING_DATASOURCE_PASSWORD=$PGPASSWORD HOME=/nonexistent \
      exec setsid "${account[@]}" "$java" -Xmx768m -XX:+UseSerialGC -XX:+ExitOnOutOfMemoryError --enable-native-access=ALL-UNNAMED "$@" --server.port="$where" --buckle.meter-port="$((where < 65535 ? where + 1 : 0))"
  ) >>"$data/logs/server.log" 2>&1 8>&- 9>&- </dev/null &
  server_pid=$!
}

await() {
  local where=$1
  for _ in $(seq 600); do
    if [ "$(curl -s -m 5 -o /dev/null -w '%{http_code}' "http://127.0.0.1:$where/api/health" 2>/dev/null)" = 200 ]; then return 0; fi
    kill -0 "$server_pid" 2>/dev/null || return 1
    sleep 0.1
  done
  return 1
}

# Learns, in one run on a database of its own, which code the server needs and which of it is hot, so that it starts in seconds and the
# first drag is as quick as later ones.
server_cache() {
  [ -f "$build/server.aot" ] || [ -f "$build/server.aot.missing" ] && return
  # Of two that start at once the second waits for what the first learns.
  exec 7>"$build/learning.lock"
  flock 7
  [ -f "$build/server.aot" ] || [ -f "$build/server.aot.missing" ] && flock -u 7 && return
  psql_run -d postgres -c 'set client_min_messages = warning' -c 'drop database if exists buckle_training' -c 'create database buckle_training' >/dev/null
  learned=$(mktemp -d)
  if [ ${#account[@]} -gt 0 ]; then chown postgres "$learned"; fi
  step "Recording one start, so that later ones are quick" learn "$(free_port)"
  if [ -f "$learned/server.aot" ]; then mv "$learned/server.aot" "$build/server.aot"; chmod 644 "$build/server.aot"; else : >"$build/server.aot.missing"; fi
  rm -rf "$learned"
  psql_run -d postgres -c 'drop database if exists buckle_training' >/dev/null
  flock -u 7
}

learn() {
  server "$1" buckle_training -XX:AOTCacheOutput="$learned/server.aot" -jar "$build/app/buckle-app.jar" --buckle.demo=true --buckle.practice=then-end --buckle.recorded-ms="$((${BUCKLE_RECORDED_SECONDS:-45} * 1000))"
  if await "$1"; then
    for page in / /api/catalogue; do curl -s -o /dev/null "http://127.0.0.1:$1$page" || true; done
  fi
  wait "$server_pid" 2>/dev/null || true
}

stop_all() {
  trap '' INT TERM
  if [ -n "${server_pid:-}" ]; then
    kill -TERM "$server_pid" 2>/dev/null || true
    wait "$server_pid" 2>/dev/null || true
  fi
  stop_database
  if [ -n "${locked:-}" ]; then rm -f "$data/buckle.pid"; fi
  if [ -n "${guarded:-}" ]; then echo "done" >&8; fi
}

on_end() {
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
}

serve() {
  local demo=$1 cache=()
  port_taken "$port" && die "Port $port is taken. Stop what listens there, or choose another with --port."
  build_app
  private_folders "$data"
  lock_data || refuse_second "Stop it, or choose another folder with --data."
  locked=1
  echo $$ >"$data/buckle.pid"
  exec 8> >(exec setsid bash "$root/script/guard.sh" "$root" "$data")
  guarded=1
  on_end
  start_database "$data"
  choose_account
  server_cache
  backup_before_migration
  [ -f "$build/server.aot" ] && cache=(-XX:AOTCache="$build/server.aot")
  start_server() {
    server "$port" buckle "${cache[@]}" -jar "$build/app/buckle-app.jar" --buckle.demo="$demo" --buckle.parent=$$
    echo "server $server_pid" >&8
    await "$port"
  }
  start_server || die "The server did not start: $(why_server)"
  echo "$next_schema" >"$data/schema"
  echo "Buckle is ready at http://127.0.0.1:$port (Ctrl-C stops it)"
  supervise
}

why_server() {
  local reason
  reason=$(grep -E 'Caused by: |ERROR|No space left' "$data/logs/server.log" 2>/dev/null | tail -n 1 | cut -c1-200)
  echo "${reason:-it said nothing}; the whole log is $data/logs/server.log."
}

# While Buckle serves: what ends by itself is started again, and after five times within ten minutes no more.
supervise() {
  local ends=() status
  while :; do
    # What bash itself says of a child that was killed is said below in a sentence.
    { sleep 0.5 & wait $! || true; } 2>/dev/null
    if [ -z "$(cluster_pid)" ]; then
      count_end "The database ended by itself ($(why_database))"
      pg_running=
      stop_orphan
      if start_cluster; then say "The database is back."; else say "The database did not start again: $(why_database)"; fi
    fi
    if ! kill -0 "$server_pid" 2>/dev/null; then
      status=0
      { wait "$server_pid" || status=$?; } 2>/dev/null
      count_end "The server ended by itself (exit $status)"
      if start_server; then say "The server is back."; else say "The server did not start again: $(why_server)"; fi
    fi
  done
}

count_end() {
  local recent=() at
  for at in "${ends[@]}"; do [ $((SECONDS - at)) -lt 600 ] && recent+=("$at"); done
  ends=("${recent[@]}" "$SECONDS")
  [ ${#ends[@]} -le 20 ] || die "$1, more than 20 times within ten minutes. Buckle gives up; see $data/logs/server.log and $cluster/server.log."
  say "$1; it is started again ..."
  # Not at once every time, when it ends at once every time.
  if [ ${#ends[@]} -gt 5 ]; then sleep $((${#ends[@]} - 5)); fi
}

with_database() {
  private_folders "$data"
  lock_data || refuse_second "Stop it first. Nothing was changed."
  locked=1
  echo $$ >"$data/buckle.pid"
  on_end
  start_database "$data"
}
