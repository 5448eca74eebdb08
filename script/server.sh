# shellcheck shell=bash
# The server on its database. Sourced by ./buckle.

server() {
  local where=$1 database=$2
  shift 2
  BUCKLE_DB_URL="jdbc:postgresql://127.0.0.1:$pg_port/$database" BUCKLE_DB_USER=buckle SPRING_DATASOURCE_PASSWORD=$PGPASSWORD \
    setsid "$java" -Xmx768m -XX:+UseSerialGC --enable-native-access=ALL-UNNAMED "$@" --server.port="$where" >>"$data/logs/server.log" 2>&1 &
  server_pid=$!
}

await() {
  local where=$1
  for _ in $(seq 600); do
    if [ "$(curl -s -o /dev/null -w '%{http_code}' "http://127.0.0.1:$where/api/health" 2>/dev/null)" = 200 ]; then return 0; fi
    kill -0 "$server_pid" 2>/dev/null || return 1
    sleep 0.1
  done
  return 1
}

# Learns, in one run on a database of its own, which code the server needs and which of it is hot, so that it starts in seconds and the
# first drag is as quick as later ones.
server_cache() {
  [ -f "$build/server.aot" ] && return
  say "Preparing a quick start ..."
  local training_port page
  training_port=$(free_port)
  psql_run -d postgres -c 'set client_min_messages = warning' -c 'drop database if exists buckle_training' -c 'create database buckle_training' >/dev/null
  server "$training_port" buckle_training -XX:AOTCacheOutput="$build/server.aot" -jar "$build/app/buckle-app.jar" --buckle.demo=true --buckle.practice=then-end
  if await "$training_port"; then
    for page in / /api/catalogue; do curl -s -o /dev/null "http://127.0.0.1:$training_port$page" || true; done
  fi
  wait "$server_pid" 2>/dev/null || true
  server_pid=
  psql_run -d postgres -c 'drop database buckle_training' >/dev/null
  [ -f "$build/server.aot" ] || { : >"$build/server.aot.missing"; say "No start-up cache; Buckle starts all the same."; }
}

stop_all() {
  trap '' INT TERM
  if [ -n "${server_pid:-}" ]; then
    kill -TERM "$server_pid" 2>/dev/null || true
    wait "$server_pid" 2>/dev/null || true
  fi
  stop_database
  rm -f "$data/buckle.pid"
}

serve() {
  local demo=$1 cache=()
  port_taken "$port" && die "Port $port is taken. Stop what listens there, or choose another with --port."
  build_app
  mkdir -p "$data/logs"
  if [ -f "$data/buckle.pid" ] && kill -0 "$(cat "$data/buckle.pid")" 2>/dev/null; then
    die "Buckle already runs on this data (process $(cat "$data/buckle.pid")). Stop it, or choose another folder with --data."
  fi
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM
  start_database "$data"
  echo $$ >"$data/buckle.pid"
  server_cache
  backup_before_migration
  [ -f "$build/server.aot" ] && cache=(-XX:AOTCache="$build/server.aot")
  server "$port" buckle "${cache[@]}" -jar "$build/app/buckle-app.jar" --buckle.demo="$demo"
  await "$port" || die "The server did not start; see $data/logs/server.log."
  echo "$next_schema" >"$data/schema"
  echo "Buckle is ready at http://127.0.0.1:$port (Ctrl-C stops it)"
  local status=0
  wait "$server_pid" || status=$?
  server_pid=
  die "The server ended by itself (exit $status); see $data/logs/server.log."
}

with_database() {
  find_jdk
  mkdir -p "$data/logs"
  trap stop_all EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM
  start_database "$data"
}
