-- Where cue lists stand, so that they are found there after a restart. Nothing plays because of it.

create table cue_place (
  show_id text not null references show on delete cascade,
  list_id text not null,
  next_id text,
  last_id text,
  primary key (show_id, list_id)
);
