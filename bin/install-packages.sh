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
PACKAGES_STAMP=node_modules/.installed-for
packages_are_current() { [ -f "$PACKAGES_STAMP" ] && cmp -s "$PACKAGES_STAMP" package-lock.json; }
fetch_packages() { npm ci --ignore-scripts --no-audit --no-fund --loglevel=error; }
# What has to be made for this machine, above all sqlite3.
compile_packages() {
  use_own_headers
  npm rebuild --loglevel=error
  cp package-lock.json "$PACKAGES_STAMP"
}
install_packages() {
  packages_are_current && return
  echo "Installing packages (sqlite3 may be compiled, which takes a few minutes)…"
  fetch_packages
  compile_packages
}
