-- A schedule, held until the transaction ends. $1 id. One or none.
SELECT state, basis FROM floor_schedule WHERE id = $1 FOR UPDATE
