-- Takes a lot in. $1 job, $2 title, $3 customer, $4 pieces, $5 place, $6 grams of one, $7 pieces of a full pallet or null, $8 account, $9 by what was counted. One.
INSERT INTO finished_lot (job_id, title, customer, pieces, place, piece_g, per_pallet, received_by, by_book)
VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)
RETURNING id
