-- Learning: which outings an athlete's numbers rest on already, and which are left out of it as unusual.

alter table outing
  add column learned_at timestamptz,
  add column left_out boolean not null default false;
