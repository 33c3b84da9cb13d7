-- Controls that are shown again, and pictures for controls. Bodies of layouts and controls are brought up by V8, in Java.

create table twin (
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

-- of the installation, for a picture is named by what it holds and never changes
create table picture (
  hash  text primary key,
  name  text not null,
  bytes bytea not null
);
