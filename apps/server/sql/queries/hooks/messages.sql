-- The latest messages to an address. $1 it, $2 most of them. Many.
SELECT id, event, iso(made_at) AS at, tries, state, outcome FROM hook_message WHERE hook_id = $1 ORDER BY id DESC LIMIT $2
