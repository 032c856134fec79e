-- Causes in the book that the athlete made a cue of for the next winter, by their ids.

alter table athlete
  add column winter_cues text[] not null default '{}';
