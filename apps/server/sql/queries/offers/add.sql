-- A new offer. $1 number, $2 what it says, $3 the job of each line, $4 account. One.
INSERT INTO offer (number, body, jobs, made_by) VALUES ($1, $2, $3, $4) RETURNING id
