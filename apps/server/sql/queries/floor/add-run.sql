-- Somebody asks for a plan of the floor. $1 its name in the queue, $2 effort, $3 seed, $4 account. One.
INSERT INTO floor_run (queued, effort, seed, asked_by) VALUES ($1::uuid, $2, $3, $4)
RETURNING id
