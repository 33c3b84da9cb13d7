-- Trials at the targets that have fired a cue and are not over. What is here when a server starts was cut off by the end of the one before.
create table open_trial (
    show_id  text not null references show on delete cascade,
    list_id  text not null,
    person   text not null,
    cue      text not null,
    began_at timestamptz not null default now(),
    is_cut   boolean not null default false,
    primary key (show_id, list_id)
);
