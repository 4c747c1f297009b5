# Installs the npm packages when they are missing or the lock file is newer. Sourced by bin/demo and bin/test.
check_node() {
  if ! command -v node >/dev/null || [ "$(node -p 'Number(process.versions.node.split(".")[0])')" -lt 20 ]; then
    echo "Tin Wheel needs Node.js 20 or newer (and npm). Install it and run this again." >&2
    exit 1
  fi
}
# Where Node's headers stand beside it, packages are compiled against these: fetching them fails without the network.
use_own_headers() {
  local prefix
  prefix=$(node -p 'require("path").dirname(require("path").dirname(process.execPath))')
  if [ -z "${npm_config_nodedir:-}" ] && [ -f "$prefix/include/node/node_api.h" ]; then
    export npm_config_nodedir="$prefix"
  fi
}
install_packages() {
  local stamp=node_modules/.installed-for
  if [ ! -f "$stamp" ] || ! cmp -s "$stamp" package-lock.json; then
    echo "Installing packages (sqlite3 may be compiled, which takes a few minutes)…"
    use_own_headers
    npm ci --no-audit --no-fund --loglevel=error
    cp package-lock.json "$stamp"
  fi
}
