# What the scripts share: where things are, which tools are needed, and what is out of date.
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$ROOT"
JAR="$ROOT/server/target/unciala.jar"
CLI="$ROOT/cli/target/cli-0.1.0-all.jar"
# The application unpacked beside its libraries, as it is run.
APP="$ROOT/server/target/app"
# Marks of what is built: no source is newer. They go when the folders that they speak of are cleaned.
SERVER_BUILT="$ROOT/server/target/built"
CLI_BUILT="$ROOT/cli/target/built"
# What the last build wrote.
BUILD="$ROOT/.unciala/build"
# Says that what is compiled has been through static analysis.
ANALYZED="$BUILD/analyzed"

need() { # command, Debian package
  command -v "$1" >/dev/null 2>&1 || {
    echo "Unciala needs “$1”, which is not installed. On Debian: apt-get install $2" >&2
    exit 1
  }
}

need_java() {
  need java openjdk-17-jdk
  need javac openjdk-17-jdk
}

# Whether a mark is missing, or older than any file of the given folders and files.
stale() {
  local mark="$1"
  shift
  [ ! -e "$mark" ] && return 0
  [ -n "$(find "$@" \( -name target -o -name node_modules -o -name dist -o -name schema.d.ts \) -prune -o -type f -newer "$mark" -print -quit)" ]
}

# The packages of a Node folder, as its lock file has them: all of them, or "--omit=dev" for those that its build needs.
node_packages() { # folder, what to omit
  local all="$1/node_modules/.all" built="$1/node_modules/.build"
  if ! stale "$all" "$1/package-lock.json" || { [ -n "${2:-}" ] && ! stale "$built" "$1/package-lock.json"; }; then
    return 0
  fi
  need npm npm
  (cd "$1" && PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 npm ci --no-audit --no-fund --silent ${2:-}) || return 1
  touch "$built"
  [ -n "${2:-}" ] || touch "$all"
}

# --- building ----------------------------------------------------------------------------------------------------------
# What is done when a script ends, however it ends.
AT_EXIT=()
at_exit() { # command
  AT_EXIT=("$1" "${AT_EXIT[@]}")
  trap 'for command in "${AT_EXIT[@]}"; do eval "$command"; done' EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
}

# Runs the functions it is given side by side, each in a process group of its own, which ends when this script does; the
# first that fails ends the others.
RUNNING=()
side_by_side() {
  local part failed=0
  at_exit stop_running
  set -m
  for part in "$@"; do
    "$part" &
    RUNNING+=($!)
  done
  set +m
  for part in "$@"; do
    if ! wait -n && [ "$failed" = 0 ]; then
      failed=1
      stop_running
    fi
  done
  RUNNING=()
  return "$failed"
}
stop_running() {
  local group
  for group in "${RUNNING[@]}"; do
    kill -- -"$group" 2>/dev/null || true
  done
  # What they write to is removed only when they have ended.
  wait "${RUNNING[@]}" 2>/dev/null || true
}

# Tells that a step is over, and what is left.
step_done() { # name
  local all=("font engine" "core" "command line" "demo fonts" "server" "packages of the interface" "interface" "application")
  local left=() name
  echo "$1" >>"$BUILD/done"
  for name in "${all[@]}"; do
    grep -qxF "$name" "$BUILD/planned" && ! grep -qxF "$name" "$BUILD/done" && left+=("$name")
  done
  printf '  %2d/%d  %-26s %4d s' "$(wc -l <"$BUILD/done")" "$(wc -l <"$BUILD/planned")" "$1" "$((SECONDS - STARTED))"
  [ ${#left[@]} = 0 ] || printf '   left: %s' "$(IFS=,; echo "${left[*]}" | sed 's/,/, /g')"
  echo
}

plan_steps() { # names
  mkdir -p "$BUILD"
  touch "$BUILD/started"
  printf '%s\n' "$@" >"$BUILD/planned"
  : >"$BUILD/done"
  STARTED=$SECONDS
}

# What failed is shown by the last lines of what it wrote.
failed_step() { # log
  tail -n 40 "$1" >&2
  echo "The build failed; all that it wrote is in ${1#"$ROOT/"}" >&2
  return 1
}

# Maven without static analysis and tests, which belong to bin/test; says how far it is by the modules it has ended.
maven_quick() { # modules
  local log="$BUILD/maven.log" line module fetched=0
  : >"$log"
  mvn -B -Dquick -pl "$1" package 2>&1 | while IFS= read -r line; do
    echo "$line" >>"$log"
    case "$line" in
      *"Downloaded from"*)
        fetched=$((fetched + 1))
        [ $((fetched % 100)) = 0 ] && echo "         $fetched packages for Java downloaded"
        ;;
      *"Building jar:"*"/target/"*)
        module="${line%/target/*}"
        case "${module##*/}" in
          font) step_done "font engine" ;;
          core) step_done "core" ;;
          demo) step_done "demo fonts" ;;
          cli) step_done "command line" ;;
        esac
        ;;
    esac
  done
  [ "${PIPESTATUS[0]}" = 0 ] || failed_step "$log"
}

build_java() {
  maven_quick testing,font,core,demo,server && step_done "server"
}

build_command_line() {
  maven_quick testing,font,core,cli
}

build_interface() {
  node_packages web --omit=dev || return 1
  step_done "packages of the interface"
  (cd web && npm run --silent build) >"$BUILD/interface.log" 2>&1 || failed_step "$BUILD/interface.log"
  step_done "interface"
}

# The jar is put together by Maven without the interface, which is built beside it and added when both are there.
add_interface() {
  local content="server/target/content"
  rm -rf "$content"
  mkdir -p "$content/BOOT-INF/classes"
  cp -r web/dist "$content/BOOT-INF/classes/static"
  jar --update --file "$JAR" -C "$content" BOOT-INF/classes/static
  rm -rf "$content"
}

# The application is unpacked beside and moved into place, so that half of it is never started.
lay_out() {
  rm -rf "$APP" "$APP.new"
  java -XX:TieredStopAtLevel=1 -Xshare:auto -Djarmode=tools -jar "$JAR" extract --destination "$APP.new" >/dev/null
  mv "$APP.new" "$APP"
  step_done "application"
}

build_server() {
  if stale "$SERVER_BUILT" pom.xml font core demo server web; then
    need_java
    need mvn maven
    need node nodejs
    echo "Building Unciala, which takes about a minute beside downloads:"
    plan_steps "font engine" "core" "demo fonts" "server" "packages of the interface" "interface" "application"
    rm -f "$SERVER_BUILT" "$ANALYZED"
    side_by_side build_java build_interface
    add_interface
    lay_out
    touch -r "$BUILD/started" "$SERVER_BUILT"
  fi
}

build_cli() {
  if stale "$CLI_BUILT" pom.xml font core cli; then
    need_java
    need mvn maven
    plan_steps "font engine" "core" "command line"
    echo "Building bin/unciala:" >&2
    rm -f "$CLI_BUILT" "$ANALYZED"
    side_by_side build_command_line >&2
    touch -r "$BUILD/started" "$CLI_BUILT"
  fi
}

# --- starting ----------------------------------------------------------------------------------------------------------
# The compiler for code that runs long is left out where a server is there for minutes: it starts in two thirds of the time.
SHORT_LIVED=(-XX:TieredStopAtLevel=1 -XX:+UseSerialGC)
JAVA_OPTIONS=()

# Replaces this process by the server. It runs inside its folder, so that its archive of classes is found wherever the
# folder is moved to; without the archive, Java starts without it.
run_server() {
  UNCIALA_DATA="$(realpath -m "${UNCIALA_DATA:-$HOME/.unciala}")"
  export UNCIALA_DATA
  cd "$APP"
  if [ ! -e classes.jsa ] && [[ "${1:-}" != --backup && "${1:-}" != --restore ]]; then
    archive_classes $$ </dev/null >/dev/null 2>&1 &
  fi
  exec java "${JAVA_OPTIONS[@]}" -XX:SharedArchiveFile=classes.jsa -Xshare:auto -jar unciala.jar "$@"
}

# Makes the archive beside the first start, once that server has nothing to do: a server is started on an empty folder
# and stopped when it is ready. Ends with the server that it was begun beside.
archive_classes() { # process of the server
  local server="$1" scratch pid="" asked=""
  set +e
  scratch="$(mktemp -d)"
  trap 'kill -9 $pid; rm -rf "$scratch" "$APP/classes.new"' EXIT
  trap '' INT HUP
  trap 'exit 0' TERM
  until rests "$server"; do
    kill -0 "$server" || exit 0
  done
  env -u UNCIALA_DATABASE -u UNCIALA_ADMIN_PASSWORD UNCIALA_PORT=0 UNCIALA_DATA="$scratch/data" \
    nice -n 19 java "${SHORT_LIVED[@]}" -XX:ArchiveClassesAtExit=classes.new -jar unciala.jar >"$scratch/log" 2>&1 &
  pid=$!
  while kill -0 "$pid"; do
    kill -0 "$server" || exit 0
    if [ -z "$asked" ] && grep -q "First start" "$scratch/log"; then
      asked=yes
      kill "$pid"
    fi
    sleep 0.5
  done
  wait "$pid"
  pid=""
  [ ! -e classes.new ] || mv classes.new classes.jsa
}

# Whether a process used next to no processor time for three seconds.
rests() { # process
  local before after
  before="$(cut -d' ' -f14 "/proc/$1/stat")" && sleep 3 && after="$(cut -d' ' -f14 "/proc/$1/stat")" &&
    [ $((after - before)) -lt 15 ]
}
