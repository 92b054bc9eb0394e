-- Puts an order into the book; nothing where its code is there already. $1 code, $2 order, $3 due date, $4 account. One.
INSERT INTO single_book (code, body, due, changed_by) VALUES ($1, $2, $3, $4)
ON CONFLICT ON CONSTRAINT single_book_pk DO NOTHING
RETURNING code
