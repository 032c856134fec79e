-- Every stored thing that is edited carries a version that rises with each change, so that two windows cannot silently overwrite
-- each other; and an answer that was given is kept by its key, so that the same request sent twice is done once.

alter table garment add column version integer not null default 1;
alter table outing add column version integer not null default 1;
alter table athlete
  add column version integer not null default 1,
  add column wishes_version integer not null default 1;

create index garment_of_closet on garment (athlete_id);
create index plan_of_athlete on plan (athlete_id, outing_id);

create table answered (
  athlete_id uuid not null references athlete (id) on delete cascade,
  key uuid not null,
  -- method, path and a digest of what was sent: the same key may not stand for something else
  request text not null,
  status integer not null,
  body jsonb not null,
  answered_at timestamptz not null default now(),
  primary key (athlete_id, key)
);
create index answered_when on answered (answered_at);
