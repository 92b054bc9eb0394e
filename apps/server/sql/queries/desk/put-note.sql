-- Says something of a matter, in place of what was said before. $1 key, $2 state, $3 day until which or null, $4 account that it is given to or null, $5 account. None.
INSERT INTO desk_note (key, state, until, given_to, noted_by) VALUES ($1, $2, $3, $4, $5)
ON CONFLICT (key) DO UPDATE SET state = excluded.state, until = excluded.until, given_to = excluded.given_to, noted_by = excluded.noted_by, noted_at = now()
