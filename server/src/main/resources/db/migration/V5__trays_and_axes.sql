-- Trays, locks, and values on every axis of a control. Bodies of controls and pages are brought up by V6, in Java.

create table tray (
  show_id     text not null references show on delete cascade,
  id          text not null,
  parent      text,
  ord         integer not null,
  version     bigint not null,
  author_id   text not null,
  author_name text not null,
  body        jsonb not null,
  name        text generated always as (body ->> 'name') stored,
  primary key (show_id, id)
);

create table show_lock (
  show_id     text not null references show on delete cascade,
  id          text not null,
  parent      text,
  ord         integer not null,
  version     bigint not null,
  author_id   text not null,
  author_name text not null,
  body        jsonb not null,
  primary key (show_id, id)
);

alter table control_value add column axes jsonb;
update control_value set axes = jsonb_build_array(jsonb_build_object('position', position, 'echo', echo));
alter table control_value alter column axes set not null, drop column position, drop column echo;
