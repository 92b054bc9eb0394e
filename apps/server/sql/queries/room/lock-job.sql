-- A job, locked against other records. $1 job. One or none.
SELECT id, number, title, customer, aside, stores_follow AS "storesFollow" FROM job WHERE id = $1 FOR UPDATE
