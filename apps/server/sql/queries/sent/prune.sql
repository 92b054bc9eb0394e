-- Forgets requests of more than two days ago. None.
DELETE FROM sent_request WHERE sent_at < now() - interval '2 days'
