-- Shows kept whole once in a while, so that an earlier version is found without reading the log from its beginning. Their bodies are brought up with those of the log.

create table snapshot (
  show_id text not null references show on delete cascade,
  version bigint not null,
  parts   jsonb not null,
  primary key (show_id, version)
);
