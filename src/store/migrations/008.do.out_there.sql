-- Out there: what was tapped on the way, on whichever phone, each with its own name and time; and when an outing's forecast was heard.

create table tap (
  id uuid primary key,
  outing_id uuid not null references outing (id) on delete cascade,
  -- as the phone's clock had it, ms since 1970
  at_ms double precision not null check (at_ms between 0 and 4007750400000),
  device text not null check (length(device) between 1 and 80),
  told jsonb not null,
  arrived_at timestamptz not null default now(),
  -- in which order they came in: a phone asks for what is new since
  seq bigint generated always as identity
);
create index tap_of_outing on tap (outing_id, seq);

alter table outing add column forecast_heard_at timestamptz;
update outing set forecast_heard_at = created_at;
alter table outing alter column forecast_heard_at set default now();
