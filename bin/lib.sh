# What bin/demo and bin/test share: installing what is missing, and building what has changed.
# shellcheck shell=bash

say() { printf '\033[1m· %s\033[0m\n' "$*"; }
fail() { printf '\033[1;31m%s\033[0m\n' "$*" >&2; exit 1; }

STAMPS=storage/framework/stamps

# Runs a step unless its inputs are as they were when it last went well: step NAME "FILES…" command…
step() {
    local name=$1 inputs=$2 now
    shift 2
    # shellcheck disable=SC2086
    now=$(find $inputs -type f -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1)
    mkdir -p "$STAMPS"
    if [ "$(cat "$STAMPS/$name" 2>/dev/null)" = "$now" ]; then return 0; fi
    say "$name"
    "$@" || fail "“$name” failed; see above."
    echo "$now" > "$STAMPS/$name"
}

# A check of the front end by its name in package.json. What was right stays right while nothing it looks at has changed.
front_end() {
    step "$1" 'resources tests/Studio tests/fixtures package.json package-lock.json tsconfig.json vite.config.ts vitest.config.ts
        eslint.config.js .prettierrc.json' npm run --silent "$1"
}

as_root() { if [ "$(id -u)" = 0 ]; then "$@"; else sudo "$@"; fi; }

# Debian packages, only those that are missing.
packages() {
    local missing=() package
    for package in "$@"; do
        dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
    done
    [ ${#missing[@]} = 0 ] && return 0
    command -v apt-get >/dev/null || fail "Please install: ${missing[*]}"
    say "Installing ${missing[*]}"
    as_root apt-get update -qq
    as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

install_all() {
    local want=(unzip) v
    command -v php >/dev/null || want+=(php-cli)
    command -v composer >/dev/null || want+=(composer)
    command -v node >/dev/null || want+=(nodejs)
    command -v npm >/dev/null || want+=(npm)
    packages "${want[@]}"
    v=$(php -r 'echo PHP_MAJOR_VERSION.".".PHP_MINOR_VERSION;')
    want=()
    for pair in pdo_sqlite:sqlite3 gd:gd curl:curl zip:zip mbstring:mbstring intl:intl dom:xml; do
        php -m | grep -qix "${pair%%:*}" || want+=("php$v-${pair##*:}")
    done
    [ ${#want[@]} = 0 ] || packages "${want[@]}"
    [ -d vendor ] || rm -f "$STAMPS/Installing PHP packages"
    [ -d node_modules ] || rm -f "$STAMPS/Installing front-end packages"
    [ -f public/build/popup-manifest.json ] || rm -f "$STAMPS/Building the front end"
    step 'Installing PHP packages' 'composer.json' composer install --no-interaction --quiet
    # Not “npm ci”: the lock file lists no packages for other machines where the registry it was made from lacks them.
    step 'Installing front-end packages' 'package.json package-lock.json' npm install --no-audit --no-fund --loglevel=error
    step 'Building the front end' 'resources package-lock.json vite.config.ts vite.popup.config.ts' npm run build --silent -- --logLevel warn
    if [ ! -f .env ]; then
        # It holds the key to everything: for its owner's eyes alone.
        (umask 077 && cp .env.example .env)
        php artisan key:generate --force --quiet
    fi
}
