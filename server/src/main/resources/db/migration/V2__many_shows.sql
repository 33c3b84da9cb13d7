-- Shows that were deleted can be brought back for a while; versions can be given a name.

alter table show add column deleted_at timestamptz;

create table keep_point (
  id          bigint generated always as identity primary key,
  show_id     text not null references show on delete cascade,
  version     bigint not null,
  name        text not null,
  author_name text not null,
  at          timestamptz not null default now()
);
