#!/usr/bin/env bash
# Lines of more than 140 characters: strings and comments, which no formatter breaks. Their number, noted beside this script, only falls.
set -euo pipefail
cd "$(dirname "$0")/.."

MOST=140
noted=$(cat scripts/long-lines.txt)
counted=$(git ls-files '*.java' '*.ts' '*.tsx' | { LC_ALL=C.UTF-8 xargs grep -hsE "^.{$((MOST + 1)),}" || true; } | wc -l)
if [ "$counted" -gt "$noted" ]; then
  echo "There are $counted lines of more than $MOST characters, and there were $noted. Break those that were added:" >&2
  git diff --unified=0 HEAD -- '*.java' '*.ts' '*.tsx' | LC_ALL=C.UTF-8 grep -E "^\+.{$((MOST + 1)),}" >&2 || true
  exit 1
elif [ "$counted" -lt "$noted" ]; then
  echo "There are only $counted lines of more than $MOST characters left: write that number into scripts/long-lines.txt" >&2
  exit 1
fi
