-- A lot's quantity, held until the transaction ends. $1 lot. One.
SELECT quantity FROM holding WHERE id = $1 FOR UPDATE
