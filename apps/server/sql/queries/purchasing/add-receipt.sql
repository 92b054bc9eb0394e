-- Keeps what has come of an order. $1 order, $2 note or null, $3 lines as JSON, $4 account. One.
INSERT INTO purchase_receipt (purchase_id, note, lines, received_by) VALUES ($1, $2, $3, $4) RETURNING id
