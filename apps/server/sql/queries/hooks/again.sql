-- A message that was given up waits again. $1 address, $2 message. One or none.
UPDATE hook_message SET state = 'waiting' WHERE hook_id = $1 AND id = $2 AND state = 'given up' RETURNING id
