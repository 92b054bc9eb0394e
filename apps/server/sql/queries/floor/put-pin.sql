-- Fixes a station. $1 job, $2 step, $3 machine or null, $4 start or null, $5 reason or null, $6 account. None.
INSERT INTO floor_pin (job_id, step, machine, start_at, reason, pinned_by) VALUES ($1, $2, $3, $4, $5, $6)
ON CONFLICT (job_id, step) DO UPDATE SET machine = excluded.machine, start_at = excluded.start_at, reason = excluded.reason,
  pinned_by = excluded.pinned_by, pinned_at = now()
