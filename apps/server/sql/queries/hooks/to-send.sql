-- A message that waits, with where it goes. $1 message. One or none.
SELECT m.id, m.body, iso(m.made_at) AS at, h.url, h.secret FROM hook_message m JOIN hook h ON h.id = m.hook_id
WHERE m.id = $1 AND m.state = 'waiting'
