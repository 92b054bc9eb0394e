-- Sets a lot's quantity and place. $1 lot, $2 quantity (sheets or rolls), $3 place, $4 account. One.
UPDATE holding SET quantity = $2, place = $3, changed_by = $4, changed_at = now(), version = version + 1 WHERE id = $1 RETURNING id
