-- A message to every address that is told of an event. $1 event, $2 body. Many.
INSERT INTO hook_message (hook_id, event, body) SELECT id, $1, $2 FROM hook WHERE NOT paused AND events ? $1
RETURNING id
