-- The front door: where an outing is when no route says, lines that are kept, how an outing was, ladders that were worked out, and the
-- last weather that was heard.

alter table outing
  add column latitude double precision check (latitude between -90 and 90),
  add column longitude double precision check (longitude between -180 and 180),
  add check ((latitude is null) = (longitude is null));

alter table athlete
  add column mouth_below_c double precision check (mouth_below_c between -40 and 10),
  add column station text not null default 'tarnholt-valley' check (length(station) between 1 and 120);

-- A line that was answered: with a name it is a regular, without one of the last few.
create table spoken_line (
  id uuid primary key default gen_random_uuid(),
  athlete_id uuid not null references athlete (id) on delete cascade,
  line text not null check (length(line) between 1 and 300),
  name text check (length(name) between 1 and 120),
  used_at timestamptz not null default now(),
  created_at timestamptz not null default now()
);
create index spoken_line_of_athlete on spoken_line (athlete_id, used_at desc);
create unique index spoken_line_once on spoken_line (athlete_id, line) where name is null;
create unique index spoken_line_name on spoken_line (athlete_id, name) where name is not null;

-- How an outing was, in one word; the rest of what is to be learned from it comes later.
create table told (
  outing_id uuid primary key references outing (id) on delete cascade,
  felt text not null check (felt in ('right', 'too warm', 'too cold', 'wet')),
  told_at timestamptz not null default now()
);

-- `mark` names all that a ladder was worked out from: athlete, closet and the version of the model.
create table ladder (
  athlete_id uuid not null references athlete (id) on delete cascade,
  sport text not null,
  shelter text not null,
  units text not null check (units in ('metric', 'imperial')),
  mark text not null,
  content jsonb not null,
  made_at timestamptz not null default now(),
  primary key (athlete_id, sport, shelter, units)
);

-- Nobody's data: what each station last said, so that its silence stops nothing.
create table weather_heard (
  station text primary key check (length(station) between 1 and 120),
  heard_at timestamptz not null default now(),
  content jsonb not null
);
