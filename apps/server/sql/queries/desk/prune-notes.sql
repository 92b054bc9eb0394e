-- Forgets what is over and what nobody has looked at for a year. $1 today. None.
DELETE FROM desk_note WHERE until <= $1::text OR noted_at < now() - interval '1 year'
