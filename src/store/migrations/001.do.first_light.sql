-- Every row of personal data belongs to an athlete. Units are in the column names.

create table athlete (
  id uuid primary key default gen_random_uuid(),
  name text not null check (length(name) between 1 and 120),
  units text not null default 'metric' check (units in ('metric', 'imperial')),
  mass_kg double precision not null check (mass_kg between 35 and 160),
  height_m double precision not null check (height_m between 1.3 and 2.2),
  fat_percent double precision not null check (fat_percent between 4 and 45),
  vo2max_ml_kg_min double precision not null check (vo2max_ml_kg_min between 20 and 90),
  rest_bpm double precision not null check (rest_bpm between 30 and 100),
  max_bpm double precision not null check (max_bpm between 120 and 220),
  sweat_gain double precision not null default 1 check (sweat_gain between 0.3 and 2.5),
  metabolic_bias double precision not null default 1 check (metabolic_bias between 0.7 and 1.4),
  constriction double precision not null default 1 check (constriction between 0.3 and 3),
  warmth_k double precision not null default 0 check (warmth_k between -4 and 4),
  created_at timestamptz not null default now(),
  check (max_bpm >= rest_bpm + 20)
);

create table garment (
  id uuid primary key default gen_random_uuid(),
  athlete_id uuid not null references athlete (id) on delete cascade,
  catalogue_id text,
  name text not null check (length(name) between 1 and 120),
  body_group text not null check (body_group in ('head', 'eyes', 'face', 'torso', 'hands', 'legs', 'feet')),
  role text not null,
  layer_order double precision not null check (layer_order between 1 and 99),
  fibre text not null,
  thickness_mm double precision not null check (thickness_mm between 0.05 and 80),
  weight_gm2 double precision not null check (weight_gm2 between 5 and 3000),
  air_permeability_mm_s double precision not null check (air_permeability_mm_s between 0 and 10000),
  ret_m2paw double precision not null check (ret_m2paw between 0.5 and 1000),
  gap_mm double precision not null check (gap_mm between 0 and 20),
  open_mesh double precision not null check (open_mesh between 0 and 0.7),
  liquid_capacity_gg double precision not null check (liquid_capacity_gg between 0 and 6),
  wicking double precision not null check (wicking between 0 and 1),
  water_resistance double precision not null check (water_resistance between 0 and 1),
  membrane boolean not null,
  filled boolean not null,
  tightness double precision not null check (tightness between 0 and 1),
  hand_form text check (hand_form in ('fingers', 'mitten')),
  mouth_cover double precision not null check (mouth_cover between 0 and 0.6),
  mass_g double precision not null check (mass_g between 1 and 5000),
  packed_l double precision not null check (packed_l between 0 and 60),
  price double precision not null check (price between 0 and 10000),
  change_seconds double precision not null check (change_seconds between 1 and 900),
  over_boots boolean not null,
  suits text[] not null default '{}',
  panels jsonb not null,
  openings jsonb not null,
  damp_gm2 double precision not null default 0 check (damp_gm2 between 0 and 2000),
  created_at timestamptz not null default now(),
  -- Removed pieces stay for undo and for plans that name them.
  removed_at timestamptz
);
create index garment_of_athlete on garment (athlete_id) where removed_at is null;

create table outing (
  id uuid primary key default gen_random_uuid(),
  athlete_id uuid not null references athlete (id) on delete cascade,
  name text not null check (length(name) between 1 and 120),
  sport text not null,
  -- Wall clock of the place; the zone is kept beside it for the sun.
  start_local timestamp not null,
  utc_offset_min integer not null check (utc_offset_min between -720 and 840),
  load_kg double precision not null check (load_kg between 0 and 60),
  forecast_ele_m double precision not null check (forecast_ele_m between -430 and 8850),
  start_ele_m double precision not null check (start_ele_m between -430 and 8850),
  albedo double precision not null check (albedo between 0 and 1),
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now()
);
create index outing_of_athlete on outing (athlete_id, start_local);

create table outing_leg (
  outing_id uuid not null references outing (id) on delete cascade,
  seq integer not null check (seq >= 0),
  name text not null check (length(name) between 1 and 120),
  sport text not null,
  minutes double precision not null check (minutes between 0.5 and 1440),
  distance_m double precision not null check (distance_m between 0 and 200000),
  climb_m double precision not null check (climb_m between -4000 and 4000),
  effort_by text not null check (effort_by in ('usual', 'exertion', 'heartRate', 'power', 'speed', 'metabolic')),
  effort_value double precision,
  shelter text not null check (shelter in ('open', 'forest', 'ridge', 'indoor', 'street')),
  pack_on boolean not null,
  no_stopping boolean not null,
  detail jsonb not null default '{}',
  primary key (outing_id, seq),
  check ((effort_by = 'usual') = (effort_value is null))
);

create table forecast_hour (
  outing_id uuid not null references outing (id) on delete cascade,
  at_local timestamp not null,
  air_c double precision not null check (air_c between -60 and 40),
  humidity double precision not null check (humidity between 0.02 and 1),
  wind_ms double precision not null check (wind_ms between 0 and 60),
  gust_ms double precision not null check (gust_ms between 0 and 90),
  from_deg double precision not null check (from_deg between 0 and 360),
  precipitation_mm_h double precision not null check (precipitation_mm_h between 0 and 60),
  kind text not null,
  cloud double precision not null check (cloud between 0 and 1),
  primary key (outing_id, at_local)
);

create table route_point (
  outing_id uuid not null references outing (id) on delete cascade,
  seq integer not null check (seq >= 0),
  lat double precision not null check (lat between -90 and 90),
  lon double precision not null check (lon between -180 and 180),
  ele_m double precision check (ele_m between -430 and 8850),
  recorded_at timestamptz,
  primary key (outing_id, seq)
);

create table plan (
  id uuid primary key default gen_random_uuid(),
  athlete_id uuid not null references athlete (id) on delete cascade,
  outing_id uuid not null references outing (id) on delete cascade,
  name text not null check (length(name) between 1 and 120),
  -- What is worn, carried and done when; shape: src/formats/schemas/plan.schema.json
  content jsonb not null,
  -- Rises with every save, so that two windows cannot silently overwrite each other.
  version integer not null default 1,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now()
);
create index plan_of_outing on plan (outing_id, created_at);
