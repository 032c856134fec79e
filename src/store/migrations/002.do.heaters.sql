-- Hand and toe warmers give off heat of themselves for some hours.

alter table garment
  add column heat_w double precision check (heat_w between 0.1 and 40),
  add column heat_hours double precision check (heat_hours between 0.2 and 48),
  add check ((heat_w is null) = (heat_hours is null));
