-- A route is resampled once, when it is taken in, and crosses to pages and workers as that; the points stay for export.
-- Outings may be put away without being deleted.

alter table outing
  add column profile jsonb,
  add column archived_at timestamptz;
