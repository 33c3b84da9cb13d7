-- A show and its parts. Each kind of part has a table of its own; what is queried are real columns, generated from the
-- body, so the body stays the only truth of a part.

create table show (
  id         text primary key,
  name       text not null,
  live       boolean not null default false,
  version    bigint not null default 0,
  created_at timestamptz not null default now()
);
create unique index one_live_show on show (live) where live;

create table target (
  show_id     text not null references show on delete cascade,
  id          text not null,
  parent      text,
  ord         integer not null,
  version     bigint not null,
  author_id   text not null,
  author_name text not null,
  body        jsonb not null,
  name        text generated always as (body ->> 'name') stored,
  host        text generated always as (body ->> 'host') stored,
  port        integer generated always as ((body ->> 'port')::integer) stored,
  answer_port integer generated always as ((body ->> 'answerPort')::integer) stored,
  primary key (show_id, id)
);

create table layout (
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

create table page (
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

create table control (
  show_id     text not null references show on delete cascade,
  id          text not null,
  parent      text,
  ord         integer not null,
  version     bigint not null,
  author_id   text not null,
  author_name text not null,
  body        jsonb not null,
  label       text generated always as (body ->> 'label') stored,
  form        text generated always as (body -> 'form' ->> 'kind') stored,
  addresses   jsonb generated always as (jsonb_path_query_array(body, '$.sends[*].address')) stored,
  primary key (show_id, id)
);

-- Every accepted edit with the state before and after of each part: undo, history and the way back to any version.
create table edit (
  show_id     text not null references show on delete cascade,
  number      bigint not null,
  author_id   text not null,
  author_name text not null,
  title       text not null,
  role        text not null,
  role_of     bigint not null,
  changes     jsonb not null,
  at          timestamptz not null default now(),
  primary key (show_id, number)
);

-- The last values of controls: no edits, only what is remembered over a restart.
create table control_value (
  show_id    text not null references show on delete cascade,
  control_id text not null,
  position   double precision not null,
  echo       double precision,
  belief     text not null,
  moved_by   text not null,
  primary key (show_id, control_id)
);

-- Who opened Imperan: one row a browser.
create table browser (
  id   text primary key,
  name text not null
);
