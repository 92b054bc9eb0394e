-- An offer, held until the transaction ends. $1 id. One or none.
SELECT version, state, body ->> 'until' AS until FROM offer WHERE id = $1 FOR UPDATE
