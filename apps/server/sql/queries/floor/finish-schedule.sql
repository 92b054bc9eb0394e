-- A schedule that was told roughly is told whole, whatever became of it meanwhile. $1 id, $2 body. One or none.
UPDATE floor_schedule SET body = $2 WHERE id = $1 AND (body ->> 'rough')::boolean
RETURNING id
