# shellcheck shell=bash
# Finding and installing what Buckle needs: JDK, PostgreSQL, Node.js, Debian packages. Sourced by ./buckle.

find_jdk() {
  local home version
  for home in "${JAVA_HOME:-}" "$(dirname "$(dirname "$(readlink -f "$(command -v javac || echo /none)")")")" /usr/lib/jvm/*; do
    [ -n "$home" ] && [ -x "$home/bin/javac" ] && [ -f "$home/release" ] || continue
    version=$(sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$home/release")
    if [ "${version:-0}" -ge 25 ]; then
      export JAVA_HOME=$home
      java="$home/bin/java"
      return
    fi
  done
  die "No JDK 25 or newer was found. Install one and set JAVA_HOME to it."
}

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; else sudo -n "$@"; fi
}

debian_packages() {
  local missing=() package
  for package in "$@"; do
    [ "$(dpkg-query -W -f='${db:Status-Status}' "$package" 2>/dev/null)" = installed ] || missing+=("$package")
  done
  [ ${#missing[@]} -eq 0 ] && return
  say "Installing ${missing[*]} from Debian's packages ..."
  mkdir -p "$root/.buckle"
  { as_root apt-get update -q && as_root env DEBIAN_FRONTEND=noninteractive apt-get install -q -y --no-install-recommends "${missing[@]}"; } \
    >"$root/.buckle/apt.log" 2>&1 ||
    die "Installing ${missing[*]} failed (see $root/.buckle/apt.log). Install it by hand: apt-get install ${missing[*]}"
}

need_postgres() {
  pg_bin=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1 || true)
  if [ -z "$pg_bin" ] || [ ! -x "$pg_bin/initdb" ]; then
    debian_packages postgresql
    pg_bin=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1 || true)
  fi
  [ -n "$pg_bin" ] && [ -x "$pg_bin/initdb" ] || die "PostgreSQL was not found under /usr/lib/postgresql."
}

need_build_tools() {
  command -v mvn >/dev/null || debian_packages maven
  command -v node >/dev/null && command -v npm >/dev/null || die "Node.js 20.19 or newer with npm is needed to build the interface."
  node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)' ||
    die "Node.js 20.19 or newer is needed to build the interface; this one is $(node --version)."
}
