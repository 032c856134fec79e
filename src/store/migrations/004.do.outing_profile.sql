-- A route is resampled once, when it is taken in, and crosses to pages and workers as that; the points stay for export.
-- Outings may be put away, and a deleted one can be brought back for a while.

alter table outing
  add column profile jsonb,
  add column archived_at timestamptz,
  add column deleted_at timestamptz;
