# shellcheck shell=bash
# What the command line offers. Sourced by ./buckle.

command_compute() {
  build_app
  local cache=()
  [ -f "$build/compute.aot" ] && cache=(-XX:AOTCache="$build/compute.aot")
  exec "$java" -XX:+UseSerialGC -XX:TieredStopAtLevel=1 -Xlog:aot=off -Xlog:cds=off "${cache[@]}" -cp "$(class_path)" buckle.exchange.cli.Compute "$@"
}

command_circuit() {
  build_app
  exec "$java" -XX:+UseSerialGC -XX:TieredStopAtLevel=1 -cp "$(class_path)" buckle.exchange.cli.SolveCircuit "$@"
}

command_diagnose() {
  build_app
  local cache=()
  [ -f "$build/diagnose.aot" ] && cache=(-XX:AOTCache="$build/diagnose.aot")
  exec "$java" -XX:+UseSerialGC -XX:TieredStopAtLevel=1 -Xlog:aot=off -Xlog:cds=off "${cache[@]}" -cp "$(class_path)" buckle.exchange.cli.Diagnose "$@"
}

command_backup() {
  [ -d "$data" ] || die "There is no data in $data yet."
  need_postgres
  cluster_folder "$data"
  [ -f "$cluster/PG_VERSION" ] || as_pg test -f "$cluster/PG_VERSION" || die "There is no database in $data yet."
  private_folders "$data"
  if lock_data; then
    flock -u 9
    with_database
  else
    use_running_database
  fi
  backup
}

command_restore() {
  local file='' sure='' before argument
  for argument in "$@"; do
    case "$argument" in
      --yes) sure=yes ;;
      *) file=$argument ;;
    esac
  done
  [ -f "$file" ] || die "Say which backup to restore: ./buckle restore FILE"
  file=$(readlink -f "$file")
  private_folders "$data"
  lock_data || refuse_second "Stop it first. Nothing was changed."
  if [ -z "$sure" ]; then
    [ -t 0 ] || die "This puts $file in the place of all data in $data. Say --yes if that is meant. Nothing was changed."
    read -r -p "This puts $file in the place of all data in $data, which is backed up first. Go on? [y/N] " sure
    [[ "$sure" =~ ^[yY] ]] || die "Nothing was changed."
  fi
  with_database
  before=$(backup)
  restore "$file"
  rm -f "$data/schema"
  echo "Restored $file. What was there before is in $before. The next start brings the tables up to date."
}

browser() {
  [ -x "$chromium" ] || debian_packages chromium
  export BUCKLE_CHROMIUM="$chromium" PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1
}

command_test() {
  local began=$SECONDS took=()
  part "building the application" build_app
  debian_packages gdal-bin gpsbabel poppler-utils ngspice shellcheck libreoffice-calc-nogui
  browser
  need_postgres
  npm_packages all
  part "the script (shellcheck)" check_script
  part "the interface (format, lint, types, unit tests)" check_interface
  part "core, exchange, server and browser tests" maven -Pe2e verify
  printf '%s\n' "Took:" "${took[@]}" "  $((SECONDS - began)) s in all"
  echo "All tests passed."
}

# Runs one part of the tests and notes how long it took.
part() {
  local name=$1 from=$SECONDS
  shift
  "$@" || die "Failed: $name."
  took+=("  $((SECONDS - from)) s  $name")
}

check_script() { (cd "$root" && shellcheck -x buckle .ci/run script/guard.sh); }

# Format and lint beside types: neither needs more than one core.
check_interface() (
  cd "$root/ui" || return 1
  npm run --silent generate || return 1
  npm run --silent lint &
  lint=$!
  npm run --silent types || { wait "$lint"; return 1; }
  wait "$lint" && npm run --silent unit
)

command_shots() {
  build_app
  browser
  need_postgres
  maven -q -Pe2e -pl e2e -am -Dtest=Shots -Dsurefire.failIfNoSpecifiedTests=false -Dshots=true -Dspotless.check.skip=true verify || die "The pictures could not be taken."
  echo "Pictures renewed in docs/screenshots."
}

command_bench() {
  build_app
  need_postgres
  if [ "${1:-}" = storm ]; then
    maven -q -Pe2e -pl e2e -am -Dtest=StormTest -Dsurefire.failIfNoSpecifiedTests=false -Dstorm=true -Dspotless.check.skip=true verify || die "The storm did damage."
    return
  fi
  browser
  debian_packages ngspice
  maven -q -Pbench -pl bench -am -DskipTests -Dspotless.check.skip=true package || die "Building the benchmarks failed."
  "$java" -cp "$root/bench/target/classes:$root/bench/target/lib/*" buckle.bench.Main "$@" &
  local running=$!
  # shellcheck disable=SC2064
  trap "kill $running 2>/dev/null || true" EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  wait "$running" || die "A benchmark failed."
  trap - EXIT INT TERM HUP
  [[ "${1:-}" =~ ^(pulse|server|meter|heat|faults|search)$ ]] && return
  maven -q -Pe2e -pl e2e -am -Dforks=1 -Dtest=DragBench,PanBench -Dsurefire.failIfNoSpecifiedTests=false -Dbench=true -Dspotless.check.skip=true verify || die "A benchmark in the browser failed."
}

command_format() {
  find_jdk
  need_build_tools
  npm_packages all
  (cd "$root/ui" && npm run --silent format)
  maven -q -Pe2e,bench spotless:apply
}

# A database for tests: prints its address, runs until standard input ends.
command_database() {
  data=$1
  private_folders "$data"
  on_end
  start_database "$data" "-c fsync=off -c synchronous_commit=off"
  echo "jdbc:postgresql://127.0.0.1:$pg_port/buckle $PGPASSWORD"
  cat >/dev/null
}
