# Shared by the commands in bin. Plain POSIX-ish bash; sourced, never run.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
export ROOT

say() { printf '\n• %s\n' "$1"; }
fail() { printf '\n✗ %s\n' "$1" >&2; exit 1; }

# Runs a command as root: directly, or through sudo.
as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"
  elif command -v sudo >/dev/null 2>&1; then sudo "$@"
  else fail "Installing Debian packages needs root or sudo. Run once as root: apt-get install -y $*"
  fi
}

# need_debian PACKAGE PATH-OF-A-FILE-IT-BRINGS ... (pairs): installs the packages whose file is missing.
need_debian() {
  local missing=()
  while [ $# -gt 0 ]; do
    [ -e "$2" ] || missing+=("$1")
    shift 2
  done
  [ ${#missing[@]} -eq 0 ] && return 0
  say "Installing from Debian: ${missing[*]}"
  as_root apt-get update -qq
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}"
}

# The newest node_modules marker is compared with the lock file, so that a second run costs nothing.
need_mariadb() {
  need_debian mariadb-server-core /usr/sbin/mariadbd mariadb-client-core /usr/bin/my_print_defaults
}

need_node_modules() {
  command -v node >/dev/null 2>&1 || fail "Node.js 20.19 or later is needed; install it first."
  node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)' \
    || fail "Node.js $(node --version) is too old: 20.19 or later is needed."
  local marker="$ROOT/node_modules/.installed-lock"
  if [ ! -f "$marker" ] || ! cmp -s "$marker" "$ROOT/package-lock.json"; then
    say "Installing npm packages (npm ci)"
    (cd "$ROOT" && npm ci --no-audit --no-fund --loglevel=error)
    cp "$ROOT/package-lock.json" "$marker"
  fi
}

# A free port on the loopback interface.
free_port() {
  node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

# Whether something listens on a loopback port.
port_answers() {
  node -e 'const s=require("net").connect(+process.argv[1],"127.0.0.1");s.on("connect",()=>process.exit(0));s.on("error",()=>process.exit(1))' "$1"
}

# keep_secret FILE: made once, for this user alone, and the same ever after.
keep_secret() {
  [ -s "$1" ] || (umask 077; node -e 'process.stdout.write(require("crypto").randomBytes(32).toString("hex"))' >"$1")
  chmod 600 "$1"
}
