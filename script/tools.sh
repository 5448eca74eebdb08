# shellcheck shell=bash
# Finding and installing what Buckle needs (JDK, PostgreSQL, Node.js, Debian packages), and telling how far it is. Sourced by ./buckle.

say() { printf '%s\n' "$*" >&2; }
die() { printf 'buckle: %s\n' "$*" >&2; exit 1; }

# One step of longer work: what it prints goes to a log, what is said is one line with its time, and how long it has taken so far when
# that is more than five seconds. Only for what changes no variable: it runs in a shell of its own.
step() {
  local what=$1 began=$SECONDS next=5 pid status=0 log="$root/.buckle/build.log"
  shift
  mkdir -p "$root/.buckle"
  printf '\n== %s, %s\n' "$what" "$(date '+%F %T')" >>"$log"
  "$@" >>"$log" 2>&1 &
  pid=$!
  while kill -0 "$pid" 2>/dev/null; do
    sleep 0.2
    if [ $((SECONDS - began)) -ge "$next" ] && kill -0 "$pid" 2>/dev/null; then
      if [ -t 2 ]; then
        printf '\r%s ... %d s' "$what" $((SECONDS - began)) >&2
        next=$((SECONDS - began + 1))
      else
        say "$what ... $((SECONDS - began)) s so far"
        next=$((next + 15))
      fi
    fi
  done
  wait "$pid" || status=$?
  [ -t 2 ] && printf '\r\033[K' >&2
  if [ "$status" -ne 0 ]; then
    tail -n 12 "$log" >&2
    die "$what failed after $((SECONDS - began)) s. The whole log is $log."
  fi
  say "$what: $((SECONDS - began)) s"
}

# The newest JDK from 25 up that is set, on the path or under /usr/lib/jvm.
jdk_home() {
  local home version
  for home in "${JAVA_HOME:-}" "$(dirname "$(dirname "$(readlink -f "$(command -v javac || echo /none)")")")" "${BUCKLE_JVM_FOLDER:-/usr/lib/jvm}"/*; do
    [ -n "$home" ] && [ -x "$home/bin/javac" ] && [ -f "$home/release" ] || continue
    version=$(sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$home/release")
    if [ "${version:-0}" -ge 25 ]; then
      echo "$home"
      return
    fi
  done
}

find_jdk() {
  local home
  home=$(jdk_home)
  if [ -z "$home" ]; then
    package=$(debian_offers '^openjdk-(2[5-9]|[3-9][0-9])-jdk-headless$')
    [ -n "$package" ] || die "Buckle needs a JDK 25 or newer, and this $(debian_name) has no package of one: install one by hand and set JAVA_HOME to it."
    debian_packages "$package"
    home=$(jdk_home)
    [ -n "$home" ] || die "$package was installed, and still no JDK 25 or newer was found. Set JAVA_HOME to one."
  fi
  export JAVA_HOME=$home
  java="$home/bin/java"
}

debian_name() { (. /etc/os-release 2>/dev/null && echo "${PRETTY_NAME:-system}") || echo system; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; else sudo -n "$@"; fi
}

# The first package whose name fits and that can be installed; Debian's lists are fetched once when there are none that know it.
debian_offers() {
  local found
  found=$(debian_candidates "$1")
  if [ -z "$found" ] && [ -z "${lists_fetched:-}" ]; then
    lists_fetched=1
    as_root apt-get update -q >/dev/null 2>&1 || true
    found=$(debian_candidates "$1")
  fi
  echo "$found"
}

debian_candidates() { apt-cache pkgnames 2>/dev/null | grep -E "$1" | sort -V | while read -r name; do debian_version "$name" >/dev/null && echo "$name"; done | head -n 1; }

# The version of a package that would be installed.
debian_version() {
  local version
  version=$(apt-cache policy "$1" 2>/dev/null | sed -n 's/^  Candidate: //p')
  [ -n "$version" ] && [ "$version" != "(none)" ] && echo "$version"
}

debian_packages() {
  local missing=() package
  for package in "$@"; do
    [ "$(dpkg-query -W -f='${db:Status-Status}' "$package" 2>/dev/null)" = installed ] || missing+=("$package")
  done
  [ ${#missing[@]} -eq 0 ] && return
  step "Installing ${missing[*]} from Debian's packages" install_packages "${missing[@]}"
}

install_packages() {
  as_root apt-get update -q && as_root env DEBIAN_FRONTEND=noninteractive apt-get install -q -y --no-install-recommends "$@" && return
  echo "Install by hand: apt-get install $*"
  return 1
}

need_postgres() {
  pg_bin=$(postgres_programs)
  if [ -z "$pg_bin" ] || [ ! -x "$pg_bin/initdb" ]; then
    debian_packages postgresql
    pg_bin=$(postgres_programs)
  fi
  [ -n "$pg_bin" ] && [ -x "$pg_bin/initdb" ] || die "PostgreSQL was not found under /usr/lib/postgresql."
}

postgres_programs() { ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1 || true; }

need_build_tools() {
  command -v mvn >/dev/null || debian_packages maven
  new_enough_node && return
  local version
  version=$(debian_version nodejs || debian_version_after_update nodejs)
  if dpkg --compare-versions "${version:-0}" ge 20.19; then
    debian_packages nodejs npm
    new_enough_node && return
  fi
  die "Buckle needs Node.js 20.19 or newer with npm to build its interface; this is $(node --version 2>/dev/null || echo none), and $(debian_name) offers ${version:-none}: install it by hand."
}

debian_version_after_update() {
  as_root apt-get update -q >/dev/null 2>&1 || true
  debian_version "$1" || true
}

new_enough_node() {
  command -v node >/dev/null && command -v npm >/dev/null &&
    node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)'
}
