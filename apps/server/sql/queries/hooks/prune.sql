-- Forgets messages of a month ago. None.
DELETE FROM hook_message WHERE made_at < now() - interval '30 days'
