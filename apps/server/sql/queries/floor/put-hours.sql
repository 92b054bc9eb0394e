-- Sets the hours of the works. $1 hours, $2 account. None.
INSERT INTO floor_hours (body, changed_by) VALUES ($1, $2)
ON CONFLICT (id) DO UPDATE SET body = excluded.body, version = floor_hours.version + 1, changed_by = excluded.changed_by, changed_at = now()
