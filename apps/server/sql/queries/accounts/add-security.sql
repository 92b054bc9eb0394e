-- Notes an act. $1 actor as named, $2 address, $3 what, $4 result. None.
INSERT INTO security_record (actor, address, what, result) VALUES ($1, $2, $3, $4)
