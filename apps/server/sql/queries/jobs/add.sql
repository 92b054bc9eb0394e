-- A new job. $1 number. One.
INSERT INTO job (number) VALUES ($1) RETURNING id
