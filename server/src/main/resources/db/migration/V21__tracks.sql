-- The sounds of the installation: their bytes lie in files beside the database, named by their hash.
create table sound (
    hash        text primary key check (hash ~ '^[0-9a-f]{64}$'),
    name        text not null,
    format      text not null,
    bytes       bigint not null check (bytes > 0),
    seconds     double precision not null check (seconds > 0),
    sample_rate integer not null check (sample_rate > 0),
    loaded_at   timestamptz not null default now()
);

-- Where the tracks of a show were, and which songs were ready and on air, for a restart.
create table track_place (
    show_id  text not null,
    track_id text not null,
    position double precision not null,
    primary key (show_id, track_id)
);
create table set_place (
    show_id text not null,
    set_id  text not null,
    ready   text,
    on_air  text,
    primary key (show_id, set_id)
);
