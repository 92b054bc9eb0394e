-- A message to one address, paused or not. $1 address, $2 event, $3 body. One or none.
INSERT INTO hook_message (hook_id, event, body) SELECT id, $2, $3 FROM hook WHERE id = $1
RETURNING id
