#!/usr/bin/env bash
# Stands beside ./buckle while it serves, and ends what it started when it was killed itself. It hears of that because its standard input
# ends without the word "done".
set -uo pipefail
root=$1
data=$2
# shellcheck source=script/tools.sh
. "$root/script/tools.sh"
# shellcheck source=script/database.sh
. "$root/script/database.sh"
trap '' INT TERM HUP QUIT

server_pid=
while read -r what value; do
  case "$what" in
    server) server_pid=$value ;;
    done) exit 0 ;;
  esac
done
if [ -n "$server_pid" ] && grep -qs -a buckle-app.jar "/proc/$server_pid/cmdline"; then
  kill -TERM "$server_pid" 2>/dev/null
  for _ in $(seq 80); do
    kill -0 "$server_pid" 2>/dev/null || break
    sleep 0.1
  done
  kill -KILL "$server_pid" 2>/dev/null
fi
need_postgres
cluster_folder "$data"
[ -n "$(cluster_pid)" ] && as_pg "$pg_bin/pg_ctl" -D "$cluster" -m fast -w stop >/dev/null 2>&1
rm -f "$data/buckle.pid"
