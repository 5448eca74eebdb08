# shellcheck shell=bash
# The database cluster: made, started, stopped, backed up. Sourced by ./buckle.

as_pg() {
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi
}

# The data folder is its owner's: root's lets the database's account pass through, and nobody look in.
private_folders() {
  local folder=$1
  mkdir -p "$folder" "$folder/logs" "$folder/backups" || die "The folder $folder cannot be made."
  if [ "$(id -u)" = 0 ]; then chmod 711 "$folder"; else chmod 700 "$folder"; fi
  chmod 700 "$folder/logs" "$folder/backups"
  chmod -R go= "$folder/logs" "$folder/backups"
  # What is written from here on is the data's, not the program's.
  umask 077
}

# Where the cluster lives: in the data folder, or under /var/lib where root's folder is closed to the postgres account.
cluster_folder() {
  local folder=$1
  cluster="$folder/pg"
  if [ "$(id -u)" = 0 ] && ! as_pg test -x "$folder" 2>/dev/null; then
    cluster="/var/lib/buckle/$(printf '%s' "$folder" | sha256sum | cut -c1-16)"
    mkdir -p /var/lib/buckle && chmod 755 /var/lib/buckle
  fi
}

# Only one Buckle works on a data folder. The lock is the kernel's: it is free as soon as its holders have ended, however they ended.
lock_data() {
  exec 9>>"$data/lock"
  chmod 600 "$data/lock"
  flock -n 9 && return
  holder >/dev/null && return 1
  # The script that held it was killed; its guard is still stopping what it left.
  flock -w 40 9
}

# The process that works on the data.
holder() {
  local pid
  pid=$(cat "$data/buckle.pid" 2>/dev/null) && [ -n "$pid" ] && grep -qs -a buckle "/proc/$pid/cmdline" && echo "$pid"
}

refuse_second() { die "Buckle already runs on this data (process $(holder || echo unknown)). $1"; }

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

# The process of this cluster's server, when there is one: a number left in its file may by now be somebody else's.
cluster_pid() {
  local pid
  pid=$(head -n 1 "$cluster/postmaster.pid" 2>/dev/null) || return 1
  in_cluster "$pid" && echo "$pid"
}

in_cluster() { [ -n "$1" ] && [ "$(readlink "/proc/$1/cwd" 2>/dev/null)" = "$(readlink -f "$cluster")" ]; }

cluster_processes() {
  local process
  for process in /proc/[0-9]*; do
    if in_cluster "${process#/proc/}"; then echo "${process#/proc/}"; fi
  done
}

start_database() {
  local folder=$1 options=${2:-}
  need_postgres
  cluster_folder "$folder"
  secret="$folder/secret"
  check_room
  if [ ! -f "$cluster/PG_VERSION" ]; then
    [ -z "$(ls -A "$cluster" 2>/dev/null)" ] || die "The folder $cluster is neither empty nor a database. Nothing was changed."
    new_cluster
  fi
  stop_orphan
  pg_options=$options
  for _ in 1 2 3; do
    pg_port=$(free_port)
    start_cluster && break
  done
  [ -n "${pg_running:-}" ] || die "The database in $cluster did not start: $(why_database) The data was left as it is."
  export PGPASSWORD
  PGPASSWORD=$(cat "$secret")
  one_database
}

# Starts the cluster on the port that was chosen.
start_cluster() {
  as_pg "$pg_bin/pg_ctl" -D "$cluster" -w -t 60 -l "$cluster/server.log" \
    -o "-p $pg_port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $pg_options" start >"$data/logs/pg_ctl.log" 2>&1 8>&- 9>&- || return 1
  pg_running=1
}

# The last reason in its log.
why_database() {
  local reason
  reason=$(tail -n 200 "$cluster/server.log" 2>/dev/null | grep -E 'PANIC|FATAL|No space left' | tail -n 1 | sed -E 's/^.*(PANIC|FATAL): *//; s/[.]$//')
  if [[ "$reason" == *"No space left"* ]]; then
    echo "the disk is full."
  else
    echo "${reason:-see $cluster/server.log}."
  fi
}

check_room() {
  local free
  free=$(df -Pm "$data" | awk 'NR == 2 { print $4 }')
  [ "${free:-1000}" -ge 40 ] || die "The disk of $data is full ($free MB are left). Make room, then start again; the data was left as it is."
}

# After a restore that was cut short there may be no database under its name.
one_database() {
  database_exists buckle && return
  if database_exists buckle_before; then
    psql_run -d postgres -c 'alter database buckle_before rename to buckle' >/dev/null
  else
    psql_run -d postgres -c 'create database buckle' >/dev/null
  fi
}

database_exists() { psql_run -d postgres -tAc "select 1 from pg_database where datname = '$1'" | grep -q 1; }

new_cluster() {
  (umask 077 && head -c 24 /dev/urandom | base64 | tr -d '/+=\n' >"$secret")
  mkdir -p "$cluster"
  local passwords="$cluster.pw"
  (umask 077 && cp "$secret" "$passwords")
  if [ "$(id -u)" = 0 ]; then chown postgres "$cluster" "$passwords"; fi
  chmod 700 "$cluster"
  as_pg "$pg_bin/initdb" -D "$cluster" -U buckle --auth=scram-sha-256 --pwfile="$passwords" -E UTF8 --locale=C.UTF-8 \
    >"$data/logs/initdb.log" 2>&1 || { rm -f "$passwords"; die "Making the database in $cluster failed; see $data/logs/initdb.log."; }
  rm -f "$passwords"
}

# What a Buckle that was killed left running is stopped in order. Whoever calls this holds the lock, so nobody works on it.
stop_orphan() {
  if [ -n "$(cluster_pid)" ]; then
    as_pg "$pg_bin/pg_ctl" -D "$cluster" -m fast -w stop >/dev/null 2>&1 || die "The database in $cluster runs already and cannot be stopped."
  fi
  wait_for_processes
  # Its file is left when it was killed; its number may be another program's now, which the database would take for itself.
  if [ -f "$cluster/postmaster.pid" ] && [ -z "$(cluster_processes)" ]; then as_pg rm -f "$cluster/postmaster.pid"; fi
}

# When the database's first process was killed, its others end by themselves.
wait_for_processes() {
  for _ in $(seq 100); do
    [ -z "$(cluster_processes)" ] && return
    sleep 0.1
  done
  die "Processes of the database in $cluster do not end: $(cluster_processes | tr '\n' ' ')"
}

psql_run() { "$pg_bin/psql" -q -h 127.0.0.1 -p "$pg_port" -U buckle -v ON_ERROR_STOP=1 "$@"; }

stop_database() {
  [ -n "${pg_running:-}" ] || return 0
  as_pg "$pg_bin/pg_ctl" -D "$cluster" -m fast -w stop >/dev/null 2>&1 || true
  pg_running=
}

# The database of a Buckle that runs; it is only asked.
use_running_database() {
  need_postgres
  cluster_folder "$data"
  for _ in $(seq 200); do
    pg_port=$(sed -n 4p "$cluster/postmaster.pid" 2>/dev/null)
    [ -n "$(cluster_pid)" ] && [ -n "$pg_port" ] && port_taken "$pg_port" && break
    sleep 0.1
  done
  [ -n "$(cluster_pid)" ] || die "Buckle runs on this data, and its database does not. Nothing was changed."
  export PGPASSWORD
  PGPASSWORD=$(cat "$data/secret")
}

backup() {
  local stamp file n=1
  stamp="$data/backups/buckle-$(date +%Y%m%d-%H%M%S)"
  file="$stamp.dump"
  while [ -e "$file" ]; do n=$((n + 1)); file="$stamp-$n.dump"; done
  if ! (umask 077 && "$pg_bin/pg_dump" -h 127.0.0.1 -p "$pg_port" -U buckle -Fc -f "$file.part" buckle) || ! mv "$file.part" "$file"; then
    rm -f "$file.part"
    die "The backup failed; nothing was changed."
  fi
  echo "$file"
}

migrations() { (cd "$root/server/src/main/resources/db/migration" && ls ./*.sql | sed 's|^\./||' | sort -V); }

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

# What a dump holds decides whether it is a backup of Buckle; it is put beside the database first, and takes its place when it is whole.
restore() {
  local file=$1 list unknown
  list=$("$pg_bin/pg_restore" -l "$file" 2>/dev/null) || die "$file is no backup of a database. Nothing was changed."
  for table in flyway_schema_history job client reading; do
    grep -qE " TABLE public $table " <<<"$list" || [ "$table" = client ] || die "$file is no backup of Buckle: it holds no table $table. Nothing was changed."
  done
  psql_run -d postgres -c 'set client_min_messages = warning' -c 'drop database if exists buckle_restoring' -c 'create database buckle_restoring' >/dev/null
  "$pg_bin/pg_restore" -h 127.0.0.1 -p "$pg_port" -U buckle -d buckle_restoring --no-owner --no-privileges --exit-on-error "$file" 2>"$data/logs/restore.log" ||
    give_up "$file cannot be read whole (see $data/logs/restore.log)."
  unknown=$(psql_run -d buckle_restoring -tAc "select script from flyway_schema_history where script is not null and success" 2>/dev/null | sort | comm -23 - <(migrations | sort)) ||
    give_up "$file is no backup of Buckle."
  [ -z "$unknown" ] || give_up "$file was made by a newer Buckle, or by another program (it says: $(tr '\n' ' ' <<<"$unknown"))."
  psql_run -d buckle_restoring -tAc "select 1 from flyway_schema_history where script = '$(migrations | head -n 1)'" 2>/dev/null | grep -q 1 ||
    give_up "$file is no backup of Buckle."
  psql_run -d postgres -c 'set client_min_messages = warning' -c 'drop database if exists buckle_before' \
    -c 'alter database buckle rename to buckle_before' -c 'alter database buckle_restoring rename to buckle' -c 'drop database buckle_before' >/dev/null ||
    die "Restoring failed. What was there is in the backup that was made first."
}

give_up() {
  psql_run -d postgres -c 'drop database if exists buckle_restoring' >/dev/null 2>&1 || true
  die "$1 Nothing was changed."
}
