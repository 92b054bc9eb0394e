-- Lots that hold something of things at places, the oldest first, held until the transaction ends. $1 spots: key, and place or null for wherever it lies. Many.
WITH spot AS MATERIALIZED (SELECT key, place FROM jsonb_to_recordset($1::jsonb) AS t(key text, place text))
SELECT id, key, quantity, place FROM holding
WHERE quantity > 0 AND (
  (key, place) IN (SELECT key, place FROM spot WHERE place IS NOT NULL)
  OR key IN (SELECT key FROM spot WHERE place IS NULL)
)
ORDER BY id FOR UPDATE OF holding
