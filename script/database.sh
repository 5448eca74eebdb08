# shellcheck shell=bash
# The database cluster: made, started, stopped, backed up. Sourced by ./buckle.

as_pg() {
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi
}

# Where the cluster lives: in the data folder, or under /var/lib where root's folder is closed to the postgres account.
cluster_folder() {
  local folder=$1
  mkdir -p "$folder"
  cluster="$folder/pg"
  if [ "$(id -u)" = 0 ] && ! as_pg test -x "$folder" 2>/dev/null; then
    cluster="/var/lib/buckle/$(printf '%s' "$folder" | sha256sum | cut -c1-16)"
    mkdir -p /var/lib/buckle && chmod 755 /var/lib/buckle
  fi
}

free_port() {
  local candidate
  for _ in $(seq 50); do
    candidate=$((20000 + RANDOM % 20000))
    if ! port_taken "$candidate"; then
      echo "$candidate"
      return
    fi
  done
  die "No free port was found for the database."
}

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

start_database() {
  local folder=$1 options=${2:-}
  need_postgres
  cluster_folder "$folder"
  mkdir -p "$folder/logs"
  secret="$folder/secret"
  if [ ! -f "$cluster/PG_VERSION" ]; then
    [ -z "$(ls -A "$cluster" 2>/dev/null)" ] || die "The folder $cluster is neither empty nor a database. Nothing was changed."
    new_cluster
  fi
  stop_orphan
  pg_port=$(free_port)
  as_pg "$pg_bin/pg_ctl" -D "$cluster" -w -t 60 -l "$cluster/server.log" \
    -o "-p $pg_port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $options" start >"$folder/logs/pg_ctl.log" 2>&1 ||
    die "The database in $cluster did not start; its log is $cluster/server.log. The data was left as it is."
  pg_running=1
  export PGPASSWORD
  PGPASSWORD=$(cat "$secret")
  psql_run -d postgres -tAc "select 1 from pg_database where datname = 'buckle'" | grep -q 1 ||
    psql_run -d postgres -c 'create database buckle' >/dev/null
}

new_cluster() {
  (umask 077 && head -c 24 /dev/urandom | base64 | tr -d '/+=\n' >"$secret")
  mkdir -p "$cluster"
  local passwords="$cluster.pw"
  cp "$secret" "$passwords"
  if [ "$(id -u)" = 0 ]; then chown postgres "$cluster" "$passwords"; fi
  chmod 700 "$cluster"
  as_pg "$pg_bin/initdb" -D "$cluster" -U buckle --auth=scram-sha-256 --pwfile="$passwords" -E UTF8 --locale=C.UTF-8 \
    >"$data/logs/initdb.log" 2>&1 || { rm -f "$passwords"; die "Making the database in $cluster failed; see $data/logs/initdb.log."; }
  rm -f "$passwords"
}

# A database left running by a Buckle that was killed is stopped in order; one in use is left alone.
stop_orphan() {
  as_pg "$pg_bin/pg_ctl" -D "$cluster" status >/dev/null 2>&1 || return 0
  if [ -f "$data/buckle.pid" ] && kill -0 "$(cat "$data/buckle.pid")" 2>/dev/null; then
    die "Buckle already runs on this data (process $(cat "$data/buckle.pid")). Stop it, or choose another folder with --data."
  fi
  as_pg "$pg_bin/pg_ctl" -D "$cluster" -m fast -w stop >/dev/null 2>&1 || die "The database in $cluster runs already and cannot be stopped."
}

psql_run() { "$pg_bin/psql" -q -h 127.0.0.1 -p "$pg_port" -U buckle -v ON_ERROR_STOP=1 "$@"; }

stop_database() {
  [ -n "${pg_running:-}" ] || return 0
  as_pg "$pg_bin/pg_ctl" -D "$cluster" -m fast -w stop >/dev/null 2>&1 || true
  pg_running=
}

backup() {
  mkdir -p "$data/backups"
  local file
  file="$data/backups/buckle-$(date +%Y%m%d-%H%M%S).dump"
  "$pg_bin/pg_dump" -h 127.0.0.1 -p "$pg_port" -U buckle -Fc -f "$file" buckle || die "The backup failed; nothing was changed."
  echo "$file"
}

# Before the tables change, what is in them is written to a file.
backup_before_migration() {
  local stamp file
  stamp=$(cat "$root"/server/src/main/resources/db/migration/*.sql | sha256sum | cut -d' ' -f1)
  if [ -f "$data/schema" ] && [ "$(cat "$data/schema")" != "$stamp" ]; then
    file=$(backup)
    say "The tables change with this version; the data was backed up to $file."
  fi
  next_schema=$stamp
}
