-- Packets that were recorded, as the file that is given of them (pcapng), in pieces, so that a recording is safe up to its last second and none is ever in memory whole.

create table capture (
  id         text primary key,
  show_id    text not null references show on delete cascade,
  name       text not null,
  started_at timestamptz not null default now(),
  packets    bigint not null default 0,
  bytes      bigint not null default 0
);

create index capture_show on capture (show_id);

create table capture_piece (
  capture_id text not null references capture on delete cascade,
  number     integer not null,
  bytes      bytea not null,
  primary key (capture_id, number)
);
