# What the scripts share: where things are, which tools are needed, and what is out of date.
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$ROOT"
JAR="$ROOT/server/target/unciala.jar"
CLI="$ROOT/cli/target/cli-0.1.0-all.jar"

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

# Whether a file is missing, or older than any file of the given folders and files.
stale() {
  local target="$1"
  shift
  [ ! -e "$target" ] && return 0
  [ -n "$(find "$@" \( -name target -o -name node_modules -o -name dist -o -name schema.d.ts \) -prune -o -type f -newer "$target" -print -quit)" ]
}

# The packages of a Node folder, as its lock file has them.
node_packages() {
  if stale "$1/node_modules/.complete" "$1/package-lock.json"; then
    need npm npm
    (cd "$1" && PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 npm ci --no-audit --no-fund --silent && touch node_modules/.complete)
  fi
}

# The application laid out in a folder, with an archive of its loaded classes: it starts in half the time of the jar.
APP="$ROOT/server/target/app"

# The archive holds what one whole start loads, so the server is started on an empty folder and stopped when it is ready.
lay_out() {
  rm -rf "$APP"
  java -Djarmode=tools -jar "$JAR" extract --destination "$APP" >/dev/null
  local scratch log pid
  scratch="$(mktemp -d)"
  log="$scratch/log"
  env -u UNCIALA_DATABASE -u UNCIALA_ADMIN_PASSWORD UNCIALA_PORT=0 UNCIALA_DATA="$scratch/data" java -XX:ArchiveClassesAtExit="$APP/classes.jsa" \
    -jar "$APP/unciala.jar" >"$log" 2>&1 &
  pid=$!
  for _ in $(seq 240); do
    if grep -q "First start" "$log" || ! kill -0 "$pid" 2>/dev/null; then
      break
    fi
    sleep 0.5
  done
  kill "$pid" 2>/dev/null || true
  wait "$pid" 2>/dev/null || true
  rm -rf "$scratch"
}

# Replaces this process by the server; without the archive, Java starts without it.
run_server() {
  exec java -XX:SharedArchiveFile="$APP/classes.jsa" -Xshare:auto -jar "$APP/unciala.jar" "$@"
}

build_server() {
  if stale "$JAR" pom.xml font core demo server web; then
    need_java
    need mvn maven
    need node nodejs
    echo "Building Unciala …"
    node_packages web
    mvn -q -B -pl testing,font,core,demo,server package -DskipTests
    touch "$JAR"
  fi
  if stale "$APP/classes.jsa" "$JAR"; then
    lay_out
  fi
}

build_cli() {
  if stale "$CLI" pom.xml font core cli; then
    need_java
    need mvn maven
    mvn -q -B -pl testing,font,core,cli package -Dmaven.test.skip=true >&2
    touch "$CLI"
  fi
}
