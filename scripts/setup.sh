# What a machine needs before anything runs. Sourced by ./cazuela; each step does nothing when its thing is there.

has() { command -v "$1" >/dev/null 2>&1; }

need_node() {
  if ! has node; then
    echo "Node.js 20 or newer is missing. Install Debian's package or the one from nodejs.org, then run this again." >&2
    exit 1
  fi
  if [ "$(node -p 'process.versions.node.split(".")[0]')" -lt 20 ]; then
    echo "Node.js $(node -v) is too old: version 20 or newer is needed." >&2
    exit 1
  fi
}

# npm packages exactly as in the lock file; again only when the lock file changed.
need_packages() {
  local stamp=node_modules/.cazuela-lock
  if [ -f "$stamp" ] && cmp -s package-lock.json "$stamp"; then return; fi
  echo "Fetching the npm packages of the lock file …"
  npm ci --no-audit --no-fund --loglevel=error
  cp package-lock.json "$stamp"
}

find_mariadbd() { [ -x /usr/sbin/mariadbd ] || [ -x /usr/bin/mariadbd ] || [ -x /usr/sbin/mysqld ]; }
find_chromium() { [ -x "${CAZUELA_CHROMIUM:-/usr/bin/chromium}" ]; }

need_mariadb() { find_mariadbd && has mariadb-install-db || install_debian mariadb-server; }
need_mariadb_client() { has mariadb-dump && has mariadb || install_debian mariadb-client; }
need_chromium() { find_chromium || install_debian chromium; }

install_debian() {
  local as_root=()
  if [ "$(id -u)" -ne 0 ]; then as_root=(sudo -n); fi
  if ! has apt-get || { [ "$(id -u)" -ne 0 ] && ! sudo -n true 2>/dev/null; }; then
    echo "$1 is missing. Install it with: sudo apt-get update && sudo apt-get install $1" >&2
    exit 1
  fi
  echo "Installing Debian's $1 …"
  # The package would start a service of its own; ours is private, so that one is told to stay off.
  { "${as_root[@]}" apt-get update -qq \
      && "${as_root[@]}" env DEBIAN_FRONTEND=noninteractive RUNLEVEL=1 apt-get install -y -qq "$1"; } >/tmp/cazuela-apt.log 2>&1 || {
    echo "Debian's $1 could not be installed; the log is in /tmp/cazuela-apt.log" >&2
    exit 1
  }
}

doctor() {
  local well=0
  tell() { if [ "$1" = ok ]; then echo "  ok       $2"; else echo "  missing  $2: $3"; well=1; fi; }
  if has node && [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ]; then tell ok "Node.js $(node -v)"; else tell no "Node.js 20 or newer" "install Debian's nodejs or the one from nodejs.org"; fi
  if [ -f node_modules/.cazuela-lock ] && cmp -s package-lock.json node_modules/.cazuela-lock; then tell ok "npm packages"; else tell no "npm packages" "npm ci (or any ./cazuela command does it)"; fi
  if find_mariadbd && has mariadb-install-db; then tell ok "MariaDB server"; else tell no "MariaDB server" "sudo apt-get install mariadb-server"; fi
  if find_chromium; then tell ok "Chromium (for the tests only)"; else tell no "Chromium (for the tests only)" "sudo apt-get install chromium"; fi
  if [ $well -eq 0 ]; then node --import tsx scripts/backup-state.ts || well=1; fi
  return $well
}
