#!/usr/bin/env bash
# Makes a bare Debian 12 in a folder, with nothing but git and certificates, clones this repository into it, and runs there what the README says:
# ./imperan up, ./imperan stop, ./imperan test. As root; bare-system.sh FOLDER [up|test …]. The folder is made anew; what happened is in FOLDER.log.
#
# The bare system reaches the same registries as this machine: its settings for apt, npm and Maven and its certificates are copied in, never committed.
set -euo pipefail

FOLDER=${1:?usage: bare-system.sh FOLDER [up|test …]}
shift
STEPS=("$@")
[ ${#STEPS[@]} -gt 0 ] || STEPS=(up stop test)
SOURCE=$(cd "$(dirname "$(readlink -f "${BASH_SOURCE[0]}")")/.." && pwd)
LOG=$FOLDER.log

say() { printf '%s %s\n' "$(date +%H:%M:%S)" "$*" | tee -a "$LOG"; }
fail() { say "$*"; exit 1; }

[ "$(id -u)" -eq 0 ] || fail "a bare system is made as root"
: >"$LOG"
command -v debootstrap >/dev/null || { say "Installing debootstrap …"; apt-get update -qq >>"$LOG" 2>&1; apt-get install -y -qq debootstrap >>"$LOG" 2>&1; }

# The mirror that this machine's own apt uses.
mirror() {
  cat /etc/apt/sources.list /etc/apt/sources.list.d/*.list /etc/apt/sources.list.d/*.sources 2>/dev/null \
    | grep -E '^(deb|URIs:) ' | grep -oE 'https?://[^ ]+' | grep -v security | head -n 1
}

unmount() {
  local mount
  for mount in dev proc; do
    mountpoint -q "$FOLDER/$mount" && umount -l "$FOLDER/$mount"
  done
  return 0
}
trap unmount EXIT

unmount
rm -rf "$FOLDER"
say "Making a bare Debian 12 in $FOLDER …"
debootstrap --variant=minbase bookworm "$FOLDER" "$(mirror)" >>"$LOG" 2>&1 || fail "debootstrap failed: see $LOG"

# copied FILE: into the same place in there, following links.
copied() {
  [ -e "$1" ] || return 0
  mkdir -p "$FOLDER$(dirname "$1")"
  rm -rf "${FOLDER:?}$1"
  cp -rL "$1" "$FOLDER$1"
}
for file in /etc/apt/sources.list /etc/apt/sources.list.d /etc/apt/apt.conf.d /etc/apt/auth.conf.d /etc/apt/trusted.gpg.d /etc/resolv.conf /etc/hosts /etc/ssl/certs /etc/npmrc \
    /usr/local/etc/npmrc "$HOME/.npmrc" "$HOME/.m2/settings.xml"; do
  copied "$file"
done
mount --bind /proc "$FOLDER/proc"
mount --bind /dev "$FOLDER/dev"

# inside COMMAND … : in the bare system, with the variables that name certificates and ports and nothing else of this machine's.
inside() {
  local keep=() name
  for name in $(compgen -e | grep -E '(CERT|CA_BUNDLE|CA_FILE|_CA|proxy|PROXY|^IMPERAN_)' || true); do
    keep+=("$name=${!name}")
  done
  chroot "$FOLDER" /usr/bin/env -i HOME=/root TERM=dumb LANG=C.UTF-8 PATH=/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin CI=true "${keep[@]}" "$@"
}

say "Installing git and certificates …"
inside sh -c 'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends git ca-certificates' >>"$LOG" 2>&1 \
  || fail "git could not be installed: see $LOG"
copied /etc/ssl/certs
say "Before: javac $(inside sh -c 'command -v javac || echo none'), mvn $(inside sh -c 'command -v mvn || echo none'), node $(inside sh -c 'command -v node || echo none'), postgres $(inside sh -c 'ls /usr/lib/postgresql 2>/dev/null || echo none')"
mkdir -p "$FOLDER/root"
git -C "$SOURCE" bundle create "$FOLDER/root/imperan.bundle" HEAD >>"$LOG" 2>&1
inside git clone -q /root/imperan.bundle /root/imperan >>"$LOG" 2>&1

for step in "${STEPS[@]}"; do
  say "./imperan $step …"
  if inside sh -c "cd /root/imperan && ./imperan $step" </dev/null >"$FOLDER.$step.log" 2>&1; then
    grep -E '^(Installing|Getting|Building|Creating|Starting|Testing|Imperan is|Stopped)|Tests run:.*[^s]$|BUILD|Flakes' "$FOLDER.$step.log" | grep -v ' -- in ' | tee -a "$LOG"
    say "./imperan $step: done"
  else
    tail -n 40 "$FOLDER.$step.log" | tee -a "$LOG"
    inside sh -c "cd /root/imperan && ./imperan stop" >>"$LOG" 2>&1 || true
    fail "./imperan $step failed: see $FOLDER.$step.log"
  fi
done
say "The bare system passes"
