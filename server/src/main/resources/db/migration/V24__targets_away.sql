-- When targets were lost last, or had their port closed, in nanoseconds since 1970: what was proved before that is not known to hold.
create table target_away (
    show_id   text not null references show on delete cascade,
    target_id text not null,
    at        bigint not null,
    primary key (show_id, target_id)
);
