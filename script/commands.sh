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

command_restore() {
  [ -f "${1:-}" ] || die "Say which backup to restore: ./buckle restore FILE"
  local file before
  file=$(readlink -f "$1")
  with_database
  before=$(backup)
  "$pg_bin/pg_restore" -h 127.0.0.1 -p "$pg_port" -U buckle -d buckle --clean --if-exists --single-transaction "$file" ||
    die "Restoring failed; the database is as it was (and backed up in $before)."
  rm -f "$data/schema"
  echo "Restored $file. What was there before is in $before."
}

browser() {
  [ -x "$chromium" ] || debian_packages chromium
  export BUCKLE_CHROMIUM="$chromium" PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1
}

command_test() {
  local began=$SECONDS took=()
  part "building the application" build_app
  debian_packages gdal-bin gpsbabel poppler-utils ngspice shellcheck
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

check_script() { (cd "$root" && shellcheck -x buckle .ci/run); }

check_interface() { (cd "$root/ui" && npm run --silent check); }

command_shots() {
  build_app
  browser
  need_postgres
  maven -q -Pe2e -pl e2e -am -Dtest=Shots -Dsurefire.failIfNoSpecifiedTests=false -Dshots=true -Dspotless.check.skip=true verify || die "The pictures could not be taken."
  echo "Pictures renewed in docs/screenshots."
}

command_bench() {
  build_app
  browser
  debian_packages ngspice
  need_postgres
  maven -q -Pbench -pl bench -am -DskipTests -Dspotless.check.skip=true package || die "Building the benchmarks failed."
  "$java" -cp "$root/bench/target/classes:$root/bench/target/lib/*" buckle.bench.Main "$@"
  [ "${1:-}" = pulse ] && return
  maven -q -Pe2e -pl e2e -am -Dtest=DragBench,PanBench -Dsurefire.failIfNoSpecifiedTests=false -Dbench=true -Dspotless.check.skip=true verify || die "A benchmark in the browser failed."
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
  find_jdk
  mkdir -p "$data/logs"
  trap stop_all EXIT
  trap 'exit 143' TERM INT
  start_database "$data" "-c fsync=off -c synchronous_commit=off"
  echo "jdbc:postgresql://127.0.0.1:$pg_port/buckle $PGPASSWORD"
  cat >/dev/null
}
