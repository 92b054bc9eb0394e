-- Sets what a job has drawn of a key for a use. $1 job, $2 use, $3 key, $4 quantity, $5 of it reserved before. None.
INSERT INTO store_drawn (job_id, of, key, quantity, of_reserved) VALUES ($1, $2, $3, $4, $5)
ON CONFLICT ON CONSTRAINT store_drawn_pk DO UPDATE SET quantity = $4, of_reserved = $5
