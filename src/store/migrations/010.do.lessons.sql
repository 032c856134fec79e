-- What outings taught: what is known of the athlete now, against the numbers they gave; what each outing taught when it was kept; and what
-- the book says of a day, worked out once.

alter table athlete
  -- comfort of hands, feet and face against most people's, K of skin
  add column hands_k double precision not null default 0,
  add column feet_k double precision not null default 0,
  add column face_k double precision not null default 0,
  add column known jsonb,
  -- causes that the athlete calls chance
  add column called_chance text[] not null default '{}';

create table lesson (
  outing_id uuid primary key references outing (id) on delete cascade,
  -- the order in which an athlete's were learned
  seq bigint not null,
  lesson jsonb not null,
  kept_at timestamptz not null default now()
);

create table book_day (
  outing_id uuid primary key references outing (id) on delete cascade,
  mark text not null,
  day jsonb not null
);

-- Where a piece hangs to dry, and since when; how damp it was then stands in damp_gm2.
alter table garment
  add column hung_place text,
  add column hung_since timestamptz,
  add constraint hung_whole check ((hung_place is null) = (hung_since is null));
