-- Reports of proofs, whole as they are read, with the version of the show that was proved: its history has rig and layout as they were.

create table proof_report (
  show_id  text not null references show on delete cascade,
  number   bigint not null,
  ended_at timestamptz not null,
  report   jsonb not null,
  primary key (show_id, number)
);

-- What stood at the targets before a proof moved it, until it is put back. Where a row is left at the start, Imperan ended in the middle of a proof.

create table proof_old (
  show_id text primary key references show on delete cascade,
  at      timestamptz not null default now(),
  old     jsonb not null
);
