# Installs the npm packages when they are missing or the lock file is newer. Sourced by bin/demo and bin/test.
check_node() {
  if ! command -v node >/dev/null || [ "$(node -p 'Number(process.versions.node.split(".")[0])')" -lt 20 ]; then
    echo "Tin Wheel needs Node.js 20 or newer (and npm). Install it and run this again." >&2
    exit 1
  fi
}
install_packages() {
  local stamp=node_modules/.installed-for
  if [ ! -f "$stamp" ] || ! cmp -s "$stamp" package-lock.json; then
    echo "Installing packages (sqlite3 may be compiled, which takes a few minutes)…"
    npm ci --no-audit --no-fund --loglevel=error
    cp package-lock.json "$stamp"
  fi
}
