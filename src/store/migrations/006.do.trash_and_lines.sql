-- A deleted plan can be brought back for a while, like a deleted outing.
alter table plan add column deleted_at timestamptz;

-- What the home screen says of an outing, kept until something it was worked out from changes: `mark` names all of that.
create table home_line (
  outing_id uuid primary key references outing (id) on delete cascade,
  mark text not null,
  line jsonb not null
);
