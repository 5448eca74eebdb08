# shellcheck shell=bash
# Building the application and its start-up caches. Sourced by ./buckle.

source_stamp() {
  (cd "$root" && {
    find core/src/main exchange/src/main server/src/main ui/src ui/public demo pom.xml core/pom.xml exchange/pom.xml server/pom.xml \
      ui/index.html ui/package.json ui/package-lock.json ui/vite.config.ts ui/tsconfig.json docs/openapi.json buckle script \
      -path ui/src/api/generated -prune -o -type f -print0 2>/dev/null | LC_ALL=C sort -z | xargs -0 sha256sum
    cat "$JAVA_HOME/release"
  } | sha256sum | cut -d' ' -f1)
}

# What the application needs of npm ("app"), or that and what only tests need ("all").
npm_packages() {
  local want=$1 mark="$root/ui/node_modules/.buckle-packages" lock
  lock=$(sha256sum "$root/ui/package-lock.json" | cut -d' ' -f1)
  if [ -f "$mark" ]; then
    case "$(cat "$mark")" in
      "$lock all") return ;;
      "$lock app")
        [ "$want" = app ] && return
        # What is there stays; the rest is added as the same lock has it.
        step "Fetching what the interface's tests need" npm_in_ui install --no-save
        echo "$lock all" >"$mark"
        return
        ;;
    esac
  fi
  local omit=()
  [ "$want" = app ] && omit=(--omit=dev)
  step "Fetching the interface's packages" npm_in_ui ci "${omit[@]}"
  echo "$lock $want" >"$mark"
}

npm_in_ui() { cd "$root/ui" && npm "$@" --no-progress --no-audit --no-fund --loglevel=error; }

# Maven's own libraries warn of what they do; that is not ours to mend.
maven() {
  (cd "$root" && mvn -B -ntp "$@") 2> >(grep -v -e 'sun.misc.Unsafe' -e 'deprecated method in sun' >&2 || true)
}

build_app() {
  find_jdk
  built && return
  # Of two commands that start at once the second waits for what the first builds: both at it left half an application.
  mkdir -p "$root/.buckle"
  exec 6>"$root/.buckle/build.lock"
  if ! flock -n 6; then
    say "Another command is building Buckle; this one waits for it."
    flock 6
  fi
  if ! built; then build_anew; fi
  exec 6>&-
}

built() { [ -f "$build/stamp" ] && [ "$(cat "$build/stamp")" = "$(source_stamp)" ]; }

build_anew() {
  local stamp
  stamp=$(source_stamp)
  say "Building Buckle: once, some minutes on a fresh machine."
  need_build_tools
  rm -rf "$build"
  mkdir -p "$build"
  npm_packages app
  step "Building the interface" build_interface
  step "Building the application" maven -q -Dapp-only -Dmaven.test.skip=true package
  "$java" -Djarmode=tools -jar "$root/server/target/buckle-app.jar" extract --force --destination "$build/app" >>"$root/.buckle/build.log" 2>&1 ||
    die "Unpacking the application failed; see $root/.buckle/build.log."
  step "Preparing the command line for a quick start" command_caches
  echo "$stamp" >"$build/stamp"
}

build_interface() { cd "$root/ui" && npm run --silent build; }

class_path() { printf '%s:' "$build"/app/lib/*.jar; }

# Start-up caches for `compute` and `diagnose`; without them the commands still work, only slower.
command_caches() {
  command_cache compute Compute "$root/demo/orchard-ring.geojson"
  command_cache diagnose Diagnose "$root/demo/faulty-fence.json"
}

command_cache() {
  "$java" -XX:AOTCacheOutput="$build/$1.aot" -cp "$(class_path)" "buckle.exchange.cli.$2" "$3" \
    >/dev/null 2>"$build/$1-cache.log" || echo "No start-up cache for $1 (see $build/$1-cache.log)."
}
