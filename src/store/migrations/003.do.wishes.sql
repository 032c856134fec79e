-- How the athlete wants plans made: what weighs how much, how many cues, who waits, and below what they do not go.

alter table athlete
  add column caution double precision not null default 1 check (caution between 0.2 and 3),
  add column fuss double precision not null default 1 check (fuss between 0.2 and 3),
  add column carried_weight double precision not null default 1 check (carried_weight between 0.2 and 3),
  add column max_cues integer not null default 8 check (max_cues between 0 and 12),
  add column people_waiting integer not null default 0 check (people_waiting between 0 and 30),
  add column floor_feels_c double precision check (floor_feels_c between -60 and 10);
