-- Reserves for a job. $1 job, $2 key, $3 quantity (sheets or rolls), $4 account. None.
INSERT INTO reservation (job_id, key, quantity, reserved_by) VALUES ($1, $2, $3, $4)
ON CONFLICT ON CONSTRAINT reservation_pk DO UPDATE SET quantity = $3, reserved_by = $4, reserved_at = now()
