-- How a plan is wanted belongs to the outing; null: as the athlete usually wants it.

alter table outing
  add column wishes jsonb,
  add column wishes_version integer not null default 1;
