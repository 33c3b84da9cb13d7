# The database of an installation: a PostgreSQL cluster of its own, on loopback. Read by ./imperan; needs say, fail, port_is_free and $VAR.
#
# Two roles, each with a password of its own in a file that only its owner reads: "imperan" made the cluster and may do everything, and is used by
# this script alone; "imperan_app" owns the one database, may nothing else, and is what the server works as.

PG_ADMIN=imperan
PG_APP=imperan_app

pg_bin() {
  ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1
}

# as_postgres COMMAND … : the server refuses to run as root, so root lends it the user that Debian made for it.
as_postgres() {
  if [ "$(id -u)" -eq 0 ]; then
    su postgres -s /bin/bash -c "$(printf '%q ' "$@")"
  else
    "$@"
  fi
}

# The folder of the cluster: in var/, or, where the user of the server may not look there, beside other such data.
pg_folder() {
  mkdir -p "$VAR"
  if [ "$(id -u)" -eq 0 ] && ! as_postgres test -x "$VAR" 2>/dev/null; then
    printf '/var/tmp/imperan-%s' "$(printf '%s' "$VAR" | cksum | cut -d' ' -f1)"
  else
    printf '%s/postgres' "$VAR"
  fi
}

# pg_alive FOLDER: is the process that the pid file names a server, alive, and the one of this folder? After a crash, or in a tree that was copied,
# it may be another program, another cluster's server, or a dead one.
pg_alive() {
  local pid
  [ -f "$1/data/postmaster.pid" ] || return 1
  pid=$(head -n 1 "$1/data/postmaster.pid")
  grep -qs postgres "/proc/$pid/comm" && ! grep -qs '^State:.*Z' "/proc/$pid/status" \
    && [ "$(readlink "/proc/$pid/cwd" 2>/dev/null)" = "$(readlink -f "$1/data")" ]
}

# Are there processes whose folder is the cluster's?
pg_orphans() {
  local process data
  data=$(readlink -f "$1/data")
  for process in /proc/[0-9]*; do
    [ "$(readlink "$process/cwd" 2>/dev/null)" = "$data" ] && return
  done
  return 1
}

# secret FILE: what is in it; where there is none yet, something that nobody can guess, for its owner only.
secret() {
  if [ ! -s "$1" ]; then
    (umask 077 && od -An -N24 -tx1 /dev/urandom | tr -d ' \n' >"$1.new" && mv "$1.new" "$1")
  fi
  cat "$1"
}

# pg_sql FOLDER PORT DATABASE ARGUMENT … : psql as the role that made the cluster.
pg_sql() {
  local folder=$1 port=$2 database=$3
  shift 3
  PGPASSWORD=$(secret "$folder/admin.password") "$(pg_bin)/psql" -X -q -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$port" -U $PG_ADMIN -d "$database" "$@"
}

pg_create() {
  local folder=$1 given
  say "Creating the database cluster in $folder …"
  mkdir -p "$folder"
  given=$(mktemp)
  secret "$folder/admin.password" >"$given"
  if [ "$(id -u)" -eq 0 ]; then
    chown postgres "$folder" "$given"
  fi
  as_postgres "$(pg_bin)/initdb" -D "$folder/data" -U $PG_ADMIN -A scram-sha-256 --pwfile="$given" -E UTF8 --locale=C.UTF-8 >"$VAR/initdb.log" 2>&1 || {
    rm -f "$given"
    fail "the database cluster could not be created: see $VAR/initdb.log"
  }
  rm -f "$given"
}

# An installation from before passwords: whoever was on this machine could do everything in it. Done once, with the server running.
pg_protect() {
  local folder=$1 port=$2 admin
  say "Giving the database a password …"
  admin=$(secret "$folder/admin.password.new")
  "$(pg_bin)/psql" -X -q -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$port" -U $PG_ADMIN -d postgres -c "alter role $PG_ADMIN password '$admin'"
  as_postgres sed -i 's/\btrust$/scram-sha-256/' "$folder/data/pg_hba.conf"
  mv "$folder/admin.password.new" "$folder/admin.password"
  as_postgres "$(pg_bin)/pg_ctl" -D "$folder/data" reload >/dev/null
}

# The role of the server, and the database that is its own.
pg_prepare() {
  local folder=$1 port=$2 app
  app=$(secret "$folder/app.password")
  [ "$(pg_sql "$folder" "$port" postgres -tAc "select count(*) from pg_roles where rolname = '$PG_APP'")" = 1 ] \
    || pg_sql "$folder" "$port" postgres -c "create role $PG_APP login nosuperuser nocreatedb nocreaterole"
  pg_sql "$folder" "$port" postgres -c "alter role $PG_APP password '$app'"
  [ "$(pg_sql "$folder" "$port" postgres -tAc "select count(*) from pg_database where datname = 'imperan'")" = 1 ] \
    || pg_sql "$folder" "$port" postgres -c "create database imperan owner $PG_APP"
  if [ "$(pg_sql "$folder" "$port" postgres -tAc "select pg_get_userbyid(datdba) from pg_database where datname = 'imperan'")" != $PG_APP ]; then
    pg_sql "$folder" "$port" postgres -c "alter database imperan owner to $PG_APP"
    pg_sql "$folder" "$port" imperan -c "
      alter schema public owner to $PG_APP;
      do \$\$ declare thing record; begin
        for thing in select format('alter table %I.%I owner to $PG_APP', schemaname, tablename) as sql from pg_tables where schemaname = 'public' loop
          execute thing.sql;
        end loop;
      end \$\$"
  fi
}

pg_start() {
  local folder=$1 port=$2 bin i
  bin=$(pg_bin)
  [ -f "$folder/data/PG_VERSION" ] || pg_create "$folder"
  if pg_alive "$folder"; then
    "$bin/pg_isready" -q -h 127.0.0.1 -p "$port" -t 60 \
      || fail "the database runs from here on another port than $port. Stop it first: ./imperan stop"
  else
    if [ -f "$folder/data/postmaster.pid" ]; then
      say "Removing a stale pid file of the database …"
      rm -f "$folder/data/postmaster.pid" "$folder"/.s.PGSQL.*
      # what the dead server started ends by itself; until then the cluster cannot be opened
      for i in $(seq 100); do
        pg_orphans "$folder" || break
        sleep 0.1
      done
    fi
    port_is_free "$port" || fail "port $port, which the database needs, is taken by another program.
  Stop that program, or choose another port: IMPERAN_DB_PORT=8521 ./imperan $COMMAND"
    say "Starting the database on 127.0.0.1:$port …"
    # a log for each day of the week, so that they never grow without end
    if ! as_postgres "$bin/pg_ctl" -D "$folder/data" -w -t 60 -l "$folder/postgres.log" \
        -o "-p $port -c listen_addresses=127.0.0.1 -k $folder -c logging_collector=on -c log_directory=$folder/log -c log_filename=postgres-%a.log \
            -c log_rotation_age=1d -c log_truncate_on_rotation=on" start >/dev/null 2>&1; then
      tail -n 3 "$folder/postgres.log" >&2
      fail "the database does not start: see $folder/postgres.log"
    fi
  fi
  [ -f "$folder/admin.password" ] || pg_protect "$folder" "$port"
  pg_prepare "$folder" "$port"
}

# Ends the server of this folder, and no other.
pg_stop() {
  pg_alive "$1" || return 0
  as_postgres "$(pg_bin)/pg_ctl" -D "$1/data" -m fast -w stop >/dev/null 2>&1 || true
}
