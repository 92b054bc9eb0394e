-- Takes back what was said of a matter. $1 key. None.
DELETE FROM desk_note WHERE key = $1
