-- All parts of all shows in one table, whatever their kind: a new kind needs no table. What is queried is a real column, generated from the body, and guarded by
-- the kind: a field of the same name means something else in another one.

create table part (
  show_id     text not null references show on delete cascade,
  id          text not null,
  parent      text,
  ord         integer not null,
  version     bigint not null,
  author_id   text not null,
  author_name text not null,
  body        jsonb not null,
  kind        text not null generated always as (body ->> 'kind') stored,
  name        text generated always as (case when body ->> 'kind' = 'phrasebook' then body ->> 'name' end) stored,
  primary key (show_id, id)
);
create index part_of_a_kind on part (kind, show_id);

do $$
declare
  kind text;
begin
  foreach kind in array array['target', 'host', 'acceptance', 'phrasebook', 'phrase', 'layout', 'page', 'tray', 'show_lock', 'control', 'twin'] loop
    execute format('insert into part (show_id, id, parent, ord, version, author_id, author_name, body)
                    select show_id, id, parent, ord, version, author_id, author_name, body from %I', kind);
    execute format('drop table %I', kind);
  end loop;
end $$;
