-- Keeps a trial. $1 basis, $2 plan, $3 account. One.
INSERT INTO floor_schedule (basis, body, made_by) VALUES ($1, $2, $3) RETURNING id
