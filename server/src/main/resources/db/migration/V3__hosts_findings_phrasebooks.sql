-- The machines of a show's network, and the findings that are meant to be so.

create table host (
  show_id     text not null references show on delete cascade,
  id          text not null,
  parent      text,
  ord         integer not null,
  version     bigint not null,
  author_id   text not null,
  author_name text not null,
  body        jsonb not null,
  name        text generated always as (body ->> 'name') stored,
  address     text generated always as (body ->> 'address') stored,
  primary key (show_id, id)
);

create table acceptance (
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

create table phrasebook (
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

create table phrase (
  show_id     text not null references show on delete cascade,
  id          text not null,
  parent      text,
  ord         integer not null,
  version     bigint not null,
  author_id   text not null,
  author_name text not null,
  body        jsonb not null,
  address     text generated always as (body ->> 'address') stored,
  primary key (show_id, id)
);

-- What belongs to the installation and to no show.
create table setting (
  name  text primary key,
  value text not null
);

-- What a target says of itself from now on; those from before say that they have none of it. The log too: undo reads it.
create function pg_temp.with_reach(part jsonb) returns jsonb language sql immutable as $$
  select case when part -> 'body' ->> 'kind' = 'target'
    then jsonb_set(part, '{body}', '{"transport": "UDP", "adapterAddress": null, "standIn": null, "startsHeld": false,
                                     "startList": [], "phrasebook": null, "ticks": []}'::jsonb || (part -> 'body'))
    else part end
$$;

update target set body = pg_temp.with_reach(jsonb_build_object('body', body)) -> 'body';

update edit set changes = (
  select coalesce(jsonb_agg(change || jsonb_build_object('before', pg_temp.with_reach(change -> 'before'),
                                                         'after', pg_temp.with_reach(change -> 'after')) order by place), '[]')
  from jsonb_array_elements(changes) with ordinality as c (change, place));
